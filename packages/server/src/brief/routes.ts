import { type BriefView, briefFile, briefView, briefWords } from '@bluffwind/contract/brief';
import { date } from '@bluffwind/contract/ids';
import { METRIC } from '@bluffwind/core/units/measure';
import { createRoute, z } from '@hono/zod-openapi';
import { inOutfit } from '../db/database';
import { audit } from '../audit';
import { PersonEntity } from '../db/entities/people';
import { BriefEntity, BriefReadEntity, BriefWordEntity } from '../db/entities/brief';
import { type Deps, found, requireCaptain } from '../http/context';
import type { EntityManager } from 'typeorm';
import type { Who } from '../http/who';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { devicesFor } from '../push/devicesFor';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { keptParts, makeParts } from './kept';
import { briefPdf } from './briefPdf';
import { presentBrief } from './present';
import { isSent, type SentBrief, sentNow, sinceSent } from './sent';
import { goingOut } from './goingOut';

const byDate = z.object({ date });
const byAs = z.object({ as: z.enum(['now', 'published']).default('now') });

/** The evening's brief: kept as it was worked out, composed for each reader, and as it stood when published. */
export function briefRoutes({ clock, source, jobs }: Deps) {
  const app = router();
  // Working it out takes longer than a transaction may stand open: each step has its own.
  const partsOf = async (who: Who, day: string) =>
    (await inOutfit(source, who.outfitId, (entities) => keptParts(entities, day))) ??
    (await makeParts(source, who.outfitId, day, clock.now()));
  const briefNow = async (who: Who, day: string): Promise<BriefView> => {
    const parts = await partsOf(who, day);
    return inOutfit(
      source,
      who.outfitId,
      async (entities) => {
        const now = await presentBrief(entities, day, who, parts);
        const sent = await sentOn(entities, day);
        return sent ? { ...now, since: sinceSent(await presentBrief(entities, day, who, sent.parts, { sent }), now) } : now;
      },
      who,
    );
  };
  const briefSent = (who: Who, day: string): Promise<BriefView> =>
    inOutfit(
      source,
      who.outfitId,
      async (entities) => {
        const sent = found(await sentOn(entities, day), 'brief that went out');
        return presentBrief(entities, day, who, sent.parts, { sent });
      },
      who,
    );
  app.answer(
    createRoute({
      method: 'get',
      path: '/brief/{date}',
      request: { params: byDate, query: byAs },
      responses: answers(briefView, 'Debrief and brief, as things stand or as it went out'),
    }),
    async (c) => {
      const [who, day] = [c.get('who'), c.req.valid('param').date];
      return c.req.valid('query').as === 'published' ? briefSent(who, day) : briefNow(who, day);
    },
    { slow: true, keptMs: 120_000, ownTransactions: true },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/brief/{date}/pdf',
      request: { params: byDate, query: byAs },
      responses: answers(briefFile, 'The brief as PDF, in the reader’s units'),
    }),
    async (c) => {
      const [who, day] = [c.get('who'), c.req.valid('param').date];
      const brief = await (c.req.valid('query').as === 'published' ? briefSent(who, day) : briefNow(who, day));
      const reader = await inOutfit(source, who.outfitId, (entities) => entities.findOneByOrFail(PersonEntity, { id: who.personId }), who);
      const bytes = await briefPdf(brief, { ...METRIC, ...reader.settings.units });
      return { name: `brief-${day}.pdf`, base64: bytes.toString('base64') };
    },
    { slow: true, ownTransactions: true },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/brief/{date}/publish',
      request: { params: byDate },
      responses: answers(briefView, 'Published to the crew'),
    }),
    async (c) => {
      requireCaptain(c);
      const [who, day] = [c.get('who'), c.req.valid('param').date];
      const parts = await partsOf(who, day);
      return inOutfit(
        source,
        who.outfitId,
        async (entities) => {
          const body = await sentNow(entities, who.outfitId, day, parts);
          const sent = { outfitId: who.outfitId, date: day, publishedAt: new Date(clock.now()), publishedBy: who.personId, body };
          await entities.upsert(BriefEntity, sent, ['outfitId', 'date']);
          const stored = found(await entities.findOneBy(BriefEntity, { date: day }), 'brief');
          await audit(entities, who, clock.now(), 'publish', 'brief', stored.id, { date: day });
          const out = await goingOut(entities, day, await zoneOf(entities, who.outfitId));
          for (const { id: personId } of out.filter((p) => p.byMail))
            await jobs.send(entities, 'mail', { kind: 'brief', outfitId: who.outfitId, date: day, personId });
          const others = out.map((p) => p.id).filter((id) => id !== who.personId);
          for (const deviceId of await devicesFor(entities, others, 'brief'))
            await jobs.send(entities, 'push', { kind: 'brief', outfitId: who.outfitId, date: day, deviceId });
          return presentBrief(entities, day, who, parts);
        },
        who,
      );
    },
    { slow: true, ownTransactions: true },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/brief/{date}/words',
      request: { params: byDate, ...jsonBody(briefWords) },
      responses: answers(z.object({ ok: z.literal(true) }), 'Added'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, day] = [c.get('entities'), c.get('who'), c.req.valid('param').date];
      const { tripId, text } = c.req.valid('json');
      if (tripId !== null) {
        const trips = await tripsOn(entities, day, await zoneOf(entities, who.outfitId));
        found(
          trips.find((t) => t.id === tripId),
          `trip on ${day}`,
        );
      }
      const key = { outfitId: who.outfitId, date: day, about: tripId ?? who.outfitId };
      if (text === '') await entities.delete(BriefWordEntity, key);
      else
        await entities.upsert(BriefWordEntity, { ...key, text, by: who.personId, at: new Date(clock.now()) }, [
          'outfitId',
          'date',
          'about',
        ]);
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/brief/{date}/read',
      request: { params: byDate },
      responses: answers(z.object({ ok: z.literal(true) }), 'Receipt stored'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const stored = found(await entities.findOneBy(BriefEntity, { date: c.req.valid('param').date }), 'published brief');
      const read = { briefId: stored.id, outfitId: who.outfitId, personId: who.personId, readAt: new Date(clock.now()) };
      await entities.upsert(BriefReadEntity, read, ['briefId', 'personId']);
      return { ok: true as const };
    },
  );
  return app;
}

/** The brief of a date as it last went out, or null when it did not, or went out before it was kept. */
async function sentOn(entities: EntityManager, date: string): Promise<SentBrief | null> {
  const row = await entities.findOneBy(BriefEntity, { date });
  return row && isSent(row.body) ? row.body : null;
}
