// Everybody ashore is told of a boat that is overdue, and again when it is back.
import { type DataSource, type EntityManager, In, Not } from 'typeorm';
import { inOutfit } from '../db/database';
import { NoticeEntity } from '../db/entities/notice';
import { PersonEntity, type PersonRow } from '../db/entities/people';
import { PushDeviceEntity } from '../db/entities/waysIn';
import { DownForEntity } from '../db/entities/views';
import { outfitIds } from '../db/outfitIds';
import type { Jobs } from '../jobs/boss';
import { devicesFor } from '../push/devicesFor';
import { overdueBoats } from '../trips/overdue';

/**
 * Has everybody ashore written to of boats that are overdue, and again when such a boat is back; each of them once.
 * @param terms - Whether there is a mail server; devices are told without one.
 * @returns People who are told.
 */
export async function lookForOverdue(source: DataSource, jobs: Jobs, nowMs: number, { mail }: { mail: boolean }): Promise<number> {
  let told = 0;
  for (const outfitId of await outfitIds(source))
    told += await inOutfit(source, outfitId, async (entities) => {
      const out: { kind: 'overdue' | 'back'; tripId: string; personId: string; dueAt: Date }[] = [];
      for (const boat of await overdueBoats(entities, nowMs))
        for (const personId of await ashore(entities, boat.tripId, mail)) out.push({ kind: 'overdue', ...boat, personId });
      for (const told of await toldOfBoatsBack(entities)) out.push({ kind: 'back', ...told });
      let sent = 0;
      for (const { kind, tripId, personId, dueAt } of out) {
        const fresh = await entities
          .createQueryBuilder()
          .insert()
          .into(NoticeEntity)
          .values({ outfitId, kind, tripId, personId, dueAt, at: new Date(nowMs) })
          .orIgnore()
          .returning('kind')
          .execute();
        if (fresh.raw.length === 0) continue;
        const dueAtMs = dueAt.getTime();
        const devices = await devicesFor(entities, [personId], 'overdue');
        // Whoever was alarmed is told of the end of it, though he has switched letters off meanwhile.
        if (mail && ((await wantsLetter(entities, personId)) || (kind === 'back' && devices.length === 0)))
          await jobs.send(entities, 'mail', { kind, outfitId, tripId, personId, dueAtMs });
        for (const deviceId of devices) await jobs.send(entities, 'push', { kind, outfitId, tripId, deviceId, dueAtMs });
        sent++;
      }
      return sent;
    });
  return told;
}

/** Whether a person wants the alarm by mail: where he has said nothing he does. */
async function wantsLetter(entities: EntityManager, personId: string): Promise<boolean> {
  const person = await entities.findOneByOrFail(PersonEntity, { id: personId });
  return person.settings.mail?.overdue ?? true;
}

/** Everybody who is not on that boat and has not said that he wants the alarm neither by mail nor on a device. */
async function ashore(entities: EntityManager, tripId: string, mail: boolean): Promise<string[]> {
  const aboard = await entities.findBy(DownForEntity, { tripId });
  const people = await entities.findBy(PersonEntity, { id: Not(In(aboard.map((a) => a.personId))), active: true });
  const devices = await entities.findBy(PushDeviceEntity, { personId: In(people.map((p) => p.id)) });
  const wantsMail = (p: PersonRow) => mail && (p.settings.mail?.overdue ?? true);
  const wantsPush = (p: PersonRow) => (p.settings.push?.overdue ?? true) && devices.some((d) => d.personId === p.id);
  return people.filter((p) => wantsMail(p) || wantsPush(p)).map((p) => p.id);
}

/** Who was written to of a boat that has ended its trip since. */
async function toldOfBoatsBack(entities: EntityManager): Promise<{ tripId: string; personId: string; dueAt: Date }[]> {
  const rows: { trip_id: string; person_id: string; due_at: Date }[] = await entities.query(
    `select distinct on (n.trip_id, n.person_id) n.trip_id, n.person_id, n.due_at from notice n
     join trip t on t.id = n.trip_id and t.status = 'done'
     where n.kind = 'overdue' and not exists (
       select from notice b where b.kind = 'back' and b.trip_id = n.trip_id and b.person_id = n.person_id)
     order by n.trip_id, n.person_id, n.due_at desc`,
  );
  return rows.map((r) => ({ tripId: r.trip_id, personId: r.person_id, dueAt: r.due_at }));
}
