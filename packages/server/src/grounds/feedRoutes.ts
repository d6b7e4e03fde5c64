// Feeds of a spot: what went in, what is to go in, and what came of it.
import { feed, feedsView, newFeeds } from '@bluffwind/contract/feeds';
import { id } from '@bluffwind/contract/ids';
import { feedIndex, feedingAt } from '@bluffwind/core/catchrate/feeds';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import { IsNull, MoreThan } from 'typeorm';
import { audit } from '../audit';
import { FeedingEntity, SpotEntity } from '../db/entities/grounds';
import { PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { type Deps, type Env, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { mayShow } from './mayShow';
import { fishedAt } from './fishedAt';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
const STANDS = { 0: 'regularly', 1: 'now and then', [-1]: 'not of late' } as const;
/** Feeds are listed so far back. */
const BACK_DAYS = 90;
const COMPARED_DAYS = 90;
const MOST_AHEAD_MS = 200 * DAY;

export function feedRoutes({ clock }: Deps) {
  const app = router();
  /** Throws where there is no such spot, or none for this person. */
  const spotOf = async (c: Context<Env>, spotId: string) => {
    const spot = found(await c.get('entities').findOneBy(SpotEntity, { id: spotId }), 'spot');
    if (!mayShow(spot, c.get('who').role)) throw new Problem('not_found', 'No such spot.');
    return spot;
  };
  app.answer(
    createRoute({ method: 'get', path: '/spots/{id}/feeds', request: { params: byId }, responses: answers(feedsView, 'How it is fed') }),
    async (c) => {
      const [entities, now] = [c.get('entities'), clock.now()];
      const spot = await spotOf(c, c.req.valid('param').id);
      const rows = await entities.find(FeedingEntity, {
        where: { spotId: spot.id, removedAt: IsNull(), at: MoreThan(new Date(now - BACK_DAYS * DAY)) },
        order: { at: 'ASC' },
      });
      const people = await entities.find(PersonEntity);
      const fed = rows.filter((r) => r.done && r.at.getTime() <= now);
      const first = fed[0]?.at.getTime() ?? now;
      const index = feedIndex(
        [spot],
        fed.map((r) => ({ at: r.at.getTime(), spot: spot.id })),
      );
      return {
        feeds: rows.map((r) => ({
          id: r.id,
          at: r.at.toISOString(),
          what: r.what,
          kg: r.kg,
          cost: r.cost,
          done: r.done,
          by: people.find((p) => p.id === r.personId)?.name ?? '',
        })),
        stands: STANDS[feedingAt(index, 0, now)],
        kg: fed.reduce((sum, r) => sum + r.kg, 0),
        cost: fed.reduce((sum, r) => sum + r.cost, 0),
        before: await fishedAt(entities, spot.id, first - COMPARED_DAYS * DAY, first),
        since: await fishedAt(entities, spot.id, first, now),
      };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/spots/{id}/feeds',
      request: { params: byId, ...jsonBody(newFeeds) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      const [entities, who, { feeds }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const spot = await spotOf(c, c.req.valid('param').id);
      if (spot.retiredAt) throw new Problem('not_found', 'That spot is out of use.');
      feeds.forEach((f, i) => {
        requireTime(f.at, f.done, clock.now(), `feeds.${i}.at`);
      });
      const kept = await entities.findBy(
        FeedingEntity,
        feeds.map((f) => ({ id: f.id })),
      );
      // Sent again after the answer was lost: what is there stays.
      const fresh = feeds.filter((f) => !kept.some((k) => k.id === f.id));
      if (fresh.length > 0)
        await entities.insert(
          FeedingEntity,
          fresh.map((f) => ({
            ...f,
            at: new Date(f.at),
            outfitId: who.outfitId,
            spotId: spot.id,
            personId: who.personId,
            removedAt: null,
          })),
        );
      await audit(entities, who, clock.now(), 'feed', 'spot', spot.id, { feeds: fresh.length });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/feeds/{id}',
      request: { params: byId, ...jsonBody(feed.omit({ id: true })) },
      responses: answers(done, 'As it was'),
    }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const row = found(await entities.findOneBy(FeedingEntity, { id: c.req.valid('param').id, removedAt: IsNull() }), 'feed');
      await spotOf(c, row.spotId);
      requireTime(body.at, body.done, clock.now(), 'at');
      await entities.update(FeedingEntity, { id: row.id }, { ...body, at: new Date(body.at), personId: who.personId });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/feeds/{id}/remove', request: { params: byId }, responses: answers(done, 'Taken out') }),
    async (c) => {
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(FeedingEntity, { id: c.req.valid('param').id }), 'feed');
      // Of a spot that another keeps nobody takes anything out.
      await spotOf(c, row.spotId);
      await entities.update(FeedingEntity, { id: row.id }, { removedAt: new Date(clock.now()) });
      return { ok: true as const };
    },
  );
  return app;
}

function requireTime(at: string, isDone: boolean, nowMs: number, field: string): void {
  const ms = Date.parse(at);
  const wrong = isDone ? ms > nowMs + 60_000 : ms > nowMs + MOST_AHEAD_MS;
  if (wrong || ms < nowMs - BACK_DAYS * DAY)
    throw new Problem(
      'invalid',
      `${field}: ${isDone ? 'what went in lies within the last ninety days' : 'plan at most two hundred days ahead'}`,
      [{ field, message: isDone ? 'within the last 90 days' : 'at most 200 days ahead' }],
    );
}
