// The work of the mail: composed when it is sent, so that no key of a way in and nothing of a brief waits in a queue.
import { through } from '../db/doors';
import { randomBytes, randomUUID } from 'node:crypto';
import { clockWords, METRIC, type Units } from '@bluffwind/core/units/measure';
import { DAY, localTime, MINUTE } from '@bluffwind/core/units/time';
import { type DataSource, type EntityManager, IsNull, MoreThan } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { briefFileFor } from '../brief/fileFor';
import type { Config } from '../config';
import { inOutfit } from '../db/database';
import { InvitationEntity, OutfitEntity, PersonEntity, type PersonRow } from '../db/entities/outfit';
import { TripEntity } from '../db/entities/trip';
import { outfitIds } from '../db/outfitIds';
import { devicesFor } from '../push/devicesFor';
import { overdueBoats } from '../trips/overdue';
import type { Jobs } from '../jobs/boss';
import { boatWords } from './boatWords';
import type { MailJob } from './job';
import { backLetter, briefLetter, invitationLetter, type Letter, newPasswordLetter, overdueLetter } from './letters';
import { post } from './post';

/** A way to a new password holds so long. */
export const NEW_PASSWORD_MIN = 60;

/** A person is written to of a new password so often at most. */
const AGAIN_MIN = 5;

type Mail = NonNullable<Config['mail']>;
interface Composed {
  readonly to: { readonly name: string; readonly email: string };
  readonly letter: Letter;
  readonly file?: { readonly name: string; readonly bytes: Buffer; readonly mediaType: string };
  /** Where it could not be sent: takes back what would keep the next try from writing. */
  readonly undo?: () => Promise<unknown>;
}

/** Composes and sends one letter; nothing where it is no longer needed, or no mail server is configured. */
export async function sendMail(source: DataSource, mail: Mail | null, job: MailJob, nowMs: number): Promise<void> {
  if (!mail) return;
  const composed = await compose(source, mail, job, nowMs);
  if (!composed) return;
  try {
    await post(mail, composed.to, composed.letter, composed.file);
  } catch (error) {
    await composed.undo?.();
    throw error;
  }
}

async function compose(source: DataSource, mail: Mail, job: MailJob, nowMs: number): Promise<Composed | null> {
  if (job.kind === 'invitation') return invitation(source, mail, job, nowMs);
  if (job.kind === 'new-password') return newPassword(source, mail, job.email, nowMs);
  if (job.kind === 'brief') return briefTo(source, mail, job);
  return inOutfit(source, job.outfitId, async (entities): Promise<Composed | null> => {
    const person = await entities.findOneBy(PersonEntity, { id: job.personId, active: true });
    if (!person) return null;
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: job.outfitId });
    const units = unitsOf(person);
    const clock = (ms: number) => clockWords(localTime(ms, outfit.zone), units);
    const words = await boatWords(entities, job.tripId);
    if (!words) return null;
    const letter =
      job.kind === 'back'
        ? backLetter({ outfit: outfit.name, boat: words.boat, at: clock(words.ended?.getTime() ?? nowMs) })
        : overdueLetter({ ...words, outfit: outfit.name, due: clock(job.dueAtMs), link: `${mail.publicUrl}/` });
    return { to: person, letter };
  });
}

/** The brief as its reader may see it: in a transaction with his eyes. */
async function briefTo(
  source: DataSource,
  mail: Mail,
  { outfitId, personId, date }: MailJob & { kind: 'brief' },
): Promise<Composed | null> {
  const person = await inOutfit(source, outfitId, (entities) => entities.findOneBy(PersonEntity, { id: personId, active: true }));
  if (!person) return null;
  const units = unitsOf(person);
  return inOutfit(
    source,
    outfitId,
    async (entities) => {
      const file = await briefFileFor(entities, person, date, units);
      if (!file) return null;
      const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
      const link = `${mail.publicUrl}/brief/${date}?as=published`;
      const letter = briefLetter({ outfit: outfit.name, date, by: file.by, units, link });
      return { to: person, letter, file: { name: `brief-${date}.pdf`, bytes: file.bytes, mediaType: 'application/pdf' } };
    },
    { personId, role: person.role },
  );
}

const unitsOf = (person: PersonRow): Units => ({ ...METRIC, ...person.settings.units });

async function invitation(source: DataSource, mail: Mail, { outfitId, invitationId }: MailJob & { kind: 'invitation' }, nowMs: number) {
  return inOutfit(source, outfitId, async (entities): Promise<Composed | null> => {
    const token = randomBytes(24).toString('base64url');
    const open = { id: invitationId, takenAt: IsNull(), withdrawnAt: IsNull(), expiresAt: MoreThan(new Date(nowMs)) };
    const row = await entities.findOneBy(InvitationEntity, open);
    if (!row) return null;
    await entities.update(InvitationEntity, open, { tokenHash: digest(token) });
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
    const by = await entities.findOneByOrFail(PersonEntity, { id: row.madeBy });
    const days = Math.max(1, Math.round((row.expiresAt.getTime() - nowMs) / DAY));
    const link = `${mail.publicUrl}/come-in#${token}`;
    return { to: row, letter: invitationLetter({ outfit: outfit.name, name: row.name, by: by.name, link, days }) };
  });
}

/** An address that has no account gets nothing, and who asked is not told so. */
async function newPassword(source: DataSource, mail: Mail, email: string, nowMs: number): Promise<Composed | null> {
  const account = await through(source, 'sign_in_person', email);
  if (!account) return null;
  const { person_id: personId, outfit_id: outfitId } = account;
  return inOutfit(source, outfitId, async (entities): Promise<Composed | null> => {
    const person = await entities.findOneBy(PersonEntity, { id: personId, active: true });
    if (!person) return null;
    const token = randomBytes(24).toString('base64url');
    const now = new Date(nowMs);
    const own = { personId, madeBy: personId, takenAt: IsNull(), withdrawnAt: IsNull() };
    // Asked for again and again, he is written to once a while.
    if (await entities.existsBy(InvitationEntity, { ...own, madeAt: MoreThan(new Date(nowMs - AGAIN_MIN * MINUTE)) })) return null;
    await entities.update(InvitationEntity, own, { withdrawnAt: now });
    const id = randomUUID();
    await entities.insert(InvitationEntity, {
      id,
      outfitId,
      personId,
      name: person.name,
      email: person.email,
      role: person.role,
      tokenHash: digest(token),
      madeAt: now,
      madeBy: personId,
      expiresAt: new Date(nowMs + NEW_PASSWORD_MIN * MINUTE),
      takenAt: null,
      withdrawnAt: null,
    });
    await audit(entities, { personId, outfitId }, nowMs, 'ask for new password', 'person', personId, {});
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
    const link = `${mail.publicUrl}/come-in#${token}`;
    const letter = newPasswordLetter({ outfit: outfit.name, name: person.name, link, minutes: NEW_PASSWORD_MIN });
    return { to: person, letter, undo: () => inOutfit(source, outfitId, (again) => again.delete(InvitationEntity, { id })) };
  });
}

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
        const fresh: unknown[] = await entities.query(
          `insert into notice (outfit_id, kind, trip_id, person_id, due_at, at) values ($1, $2, $3, $4, $5, $6)
           on conflict do nothing returning kind`,
          [outfitId, kind, tripId, personId, dueAt, new Date(nowMs)],
        );
        if (fresh.length === 0) continue;
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
  const trip = await entities.findOneByOrFail(TripEntity, { id: tripId });
  const rows: { id: string }[] = await entities.query(
    `select p.id from person p where p.active and p.id <> $2
       and not exists (select from trip_mate m where m.trip_id = $1 and m.person_id = p.id)
       and (coalesce((p.settings->'mail'->>'overdue')::boolean, true) and $3
         or coalesce((p.settings->'push'->>'overdue')::boolean, true) and exists (select from push_device v where v.person_id = p.id))`,
    [tripId, trip.captainId, mail],
  );
  return rows.map((r) => r.id);
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
