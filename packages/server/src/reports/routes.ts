// The page that a client keeps of his day: made and ended by a captain, opened by a private address without a session.
import { randomBytes } from 'node:crypto';
import { id } from '@bluffwind/contract/ids';
import { newReport, reportDraft, reportMade } from '@bluffwind/contract/report';
import { inUnits, METRIC } from '@bluffwind/core/units/measure';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { Hono } from 'hono';
import { type EntityManager, In, IsNull } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { inOutfit } from '../db/database';
import { PhotoEntity, ReportEntity } from '../db/entities/day';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, type Env, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { bodyOf } from './bodyOf';
import { logoOf } from './lookRoutes';
import { namesPlace } from './namesPlace';
import { reportPdf } from './reportPdf';
import { reportBy } from './reportBy';

const byTrip = z.object({ id });
const done = z.object({ ok: z.literal(true) });

/** What opens without a session: the page and its photos. One that was guessed, has expired or was ended is like one that never was. */
export function publicReports({ source, clock }: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const opened = async <T>(token: string, read: (entities: EntityManager, reportId: string) => Promise<T>): Promise<T> => {
    const row = await reportBy(source, token, clock.now());
    if (!row) throw new Problem('not_found', 'No such page. Its address may have run out; ask your captain for a new one.');
    return inOutfit(source, row.outfit_id, (entities) => read(entities, row.id));
  };
  app.get('/reports/:token', async (c) => {
    const body = await opened(c.req.param('token'), async (entities, reportId) => {
      await entities.update(ReportEntity, { id: reportId, openedAt: IsNull() }, { openedAt: new Date(clock.now()) });
      const report = await entities.findOneByOrFail(ReportEntity, { id: reportId });
      // A photo that was taken away since is not shown.
      const there = await entities.findBy(PhotoEntity, { id: In(report.body.photos) });
      const { look } = report.body;
      const logo = look?.logo === true && (await logoOf(entities)) !== null;
      return {
        ...report.body,
        weather: inUnits(report.body.weather, report.body.units ?? METRIC),
        ...(look ? { look: { ...look, logo } } : {}),
        photos: report.body.photos.flatMap((p, i) => (there.some((x) => x.id === p) ? [i] : [])),
      };
    });
    c.header('X-Robots-Tag', 'noindex, nofollow');
    return c.json(body);
  });
  app.get('/reports/:token/pdf', async (c) => {
    const bytes = await opened(c.req.param('token'), async (entities, reportId) => {
      const report = await entities.findOneByOrFail(ReportEntity, { id: reportId });
      const query = entities
        .createQueryBuilder(PhotoEntity, 'p')
        .addSelect('p.bytes')
        .where('p.id = any(:ids)', { ids: report.body.photos });
      const photos = await query.getMany();
      return reportPdf(
        report.body,
        report.body.photos.flatMap((id) => photos.find((p) => p.id === id)?.bytes ?? []),
        report.body.look?.logo ? await logoOf(entities) : null,
      );
    });
    c.header('X-Robots-Tag', 'noindex, nofollow');
    c.header('Content-Disposition', 'attachment; filename="your-day.pdf"');
    return c.body(new Uint8Array(bytes), 200, { 'Content-Type': 'application/pdf' });
  });
  app.get('/reports/:token/logo', async (c) => {
    const bytes = await opened(c.req.param('token'), logoOf);
    if (!bytes) throw new Problem('not_found', 'No logo.');
    c.header('X-Robots-Tag', 'noindex, nofollow');
    return c.body(new Uint8Array(bytes), 200, { 'Content-Type': 'image/jpeg' });
  });
  app.get('/reports/:token/photos/:n', async (c) => {
    const bytes = await opened(c.req.param('token'), async (entities, reportId) => {
      const report = await entities.findOneByOrFail(ReportEntity, { id: reportId });
      const photoId = report.body.photos[Number(c.req.param('n'))];
      if (photoId === undefined) throw new Problem('not_found', 'No such photo.');
      const query = entities.createQueryBuilder(PhotoEntity, 'p').addSelect('p.bytes').where('p.id = :photoId', { photoId });
      return found(await query.getOne(), 'photo').bytes;
    });
    c.header('X-Robots-Tag', 'noindex, nofollow');
    return c.body(new Uint8Array(bytes), 200, { 'Content-Type': 'image/jpeg' });
  });
  return app;
}

export function reportRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/trips/{id}/report',
      request: { params: byTrip },
      responses: answers(reportDraft, 'The client’s page as it would be sent'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const sent = await entities.findOneBy(ReportEntity, { tripId: trip.id });
      const fresh = await bodyOf(entities, trip, clock.now(), c.get('who'));
      // A photo that was taken away since cannot be sent again.
      const there = sent ? await entities.findBy(PhotoEntity, { id: In(sent.body.photos) }) : [];
      const photos = sent?.body.photos.filter((p) => there.some((x) => x.id === p)) ?? [];
      const kept = sent ? { text: sent.body.text, learned: sent.body.learned, photos } : {};
      return {
        body: { ...fresh, ...kept },
        sent:
          sent && sent.expiresAt.getTime() > clock.now()
            ? { at: sent.madeAt.toISOString(), expiresAt: sent.expiresAt.toISOString(), opened: sent.openedAt !== null }
            : null,
      };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/report',
      request: { params: byTrip, ...jsonBody(newReport) },
      responses: answers(reportMade, 'Its address, told this once; an older one ends'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, asked] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const trip = await overTrip(entities, c.req.valid('param').id);
      const photos = [...new Set(asked.photoIds)];
      if ((await entities.countBy(PhotoEntity, { id: In(photos), tripId: trip.id })) < photos.length)
        throw new Problem('not_found', 'photoIds: no such photo on this trip.', [
          { field: 'photoIds', message: 'photos of this trip only' },
        ]);
      for (const field of ['text', 'learned'] as const) {
        const told = await namesPlace(entities, asked[field]);
        if (told !== null)
          throw new Problem('invalid', `${field}: it says “${told}”, which gives a place away; say it without`, [
            { field, message: `without “${told}”` },
          ]);
      }
      const body = { ...(await bodyOf(entities, trip, clock.now(), who)), text: asked.text, learned: asked.learned, photos };
      const token = randomBytes(32).toString('base64url');
      const expiresAt = new Date(clock.now() + asked.days * DAY);
      await entities.delete(ReportEntity, { tripId: trip.id });
      await entities.insert(ReportEntity, {
        id: asked.id,
        outfitId: who.outfitId,
        tripId: trip.id,
        tokenHash: digest(token),
        body,
        madeBy: who.personId,
        madeAt: new Date(clock.now()),
        expiresAt,
        openedAt: null,
      });
      await audit(entities, who, clock.now(), 'send report', 'trip', trip.id, { days: asked.days });
      return { path: `/r/${token}`, expiresAt: expiresAt.toISOString() };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/report/end',
      request: { params: byTrip },
      responses: answers(done, 'The address opens nothing more'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const trip = await overTrip(entities, c.req.valid('param').id);
      await entities.delete(ReportEntity, { tripId: trip.id });
      await audit(entities, who, clock.now(), 'end report', 'trip', trip.id, {});
      return { ok: true as const };
    },
  );
  return app;
}

async function overTrip(entities: EntityManager, tripId: string): Promise<TripRow> {
  const trip = found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
  if (trip.status !== 'done') throw new Problem('invalid', 'This trip is not over; end it on deck first.');
  return trip;
}
