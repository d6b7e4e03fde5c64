import { exported, exportQuery, mergeSpots, type SpotEdit, spotEdit, spotHistory, spotView } from '@bluffwind/contract/grounds';
import { id } from '@bluffwind/contract/ids';
import { writeGeoJson } from '@bluffwind/core/formats/geojson';
import { writeGpx } from '@bluffwind/core/formats/gpx';
import type { SpotFacts } from '@bluffwind/core/formats/spotFacts';
import { writeKml } from '@bluffwind/core/formats/kml';
import { nameKey } from '@bluffwind/core/units/nameKey';
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, IsNull } from 'typeorm';
import { audit } from '../audit';
import { SpotEntity, type SpotRow } from '../db/entities/grounds';
import { PersonEntity } from '../db/entities/people';
import { LegEntity } from '../db/entities/plan';
import { SightingEntity, StopEntity } from '../db/entities/log';
import { ReadingEntity, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import type { Who } from '../http/who';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { requireNear, requireSimple } from './drawn';
import { effectiveBed, featuresOf } from './chartData';
import { mayShow } from './mayShow';
import { spotViews } from './spotViews';
import { historyOf, othersFished } from './historyOf';

const byId = z.object({ id });
const FORMATS = {
  gpx: { write: writeGpx, mediaType: 'application/gpx+xml' },
  kml: { write: writeKml, mediaType: 'application/vnd.google-earth.kml+xml' },
  geojson: { write: writeGeoJson, mediaType: 'application/geo+json' },
} as const;
/** What is drawn, for programs that know no such thing. */
const DRAWN = {
  part: 'a part of the water',
  'no-go': 'keep out',
  'no-wake': 'slow water',
  track: 'a track',
  passage: 'a passage',
} as const;
const FADE_PER_HOUR = 0.35;

/** Spots: seen, drawn, described, merged, retired, their history, and out to other programs. */
export function spotRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/spots',
      request: { params: byId },
      responses: answers(z.array(spotView), 'Spots with their totals'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      return spotViews(entities, water.id, c.get('who').role, clock.now());
    },
    { slow: true, keptMs: 120_000, from: ['crew', 'log', 'spots', 'waters'] },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/spots',
      request: { params: byId, ...jsonBody(spotEdit) },
      responses: answers(spotView, 'The spot as it is now'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const who = c.get('who');
      const body = c.req.valid('json');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const old = await entities.findOneBy(SpotEntity, { id: body.id });
      if (old && old.waterId !== water.id) throw new Problem('conflict', 'It is a spot of another water.');
      if (old?.retiredAt) throw new Problem('conflict', 'The spot has been retired.');
      await nameIsFree(entities, water.id, body);
      await keeperMay(entities, who, body, old);
      const row = await rowOf(entities, who, water.id, body, old);
      if (old) await entities.update(SpotEntity, { id: old.id }, row);
      else await entities.insert(SpotEntity, row);
      await audit(entities, who, clock.now(), old ? 'change spot' : 'add spot', 'spot', body.id, { name: body.name });
      const views = await spotViews(entities, water.id, who.role, clock.now());
      return found(
        views.find((v) => v.id === body.id),
        'spot',
      );
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/spots/{id}/retire',
      request: { params: byId },
      responses: answers(z.object({ ok: z.literal(true) }), 'Out of use'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const spot = found(await entities.findOneBy(SpotEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'spot');
      await entities.update(SpotEntity, { id: spot.id }, { retiredAt: new Date(clock.now()) });
      await audit(entities, c.get('who'), clock.now(), 'retire spot', 'spot', spot.id, { name: spot.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/spots/{id}/merge',
      request: { params: byId, ...jsonBody(mergeSpots) },
      responses: answers(z.object({ ok: z.literal(true), stops: z.int() }), 'One spot with both logs'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const from = found(await entities.findOneBy(SpotEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'spot');
      const into = found(await entities.findOneBy(SpotEntity, { id: c.req.valid('json').into, retiredAt: IsNull() }), 'spot to merge into');
      if (from.id === into.id || from.waterId !== into.waterId)
        throw new Problem('invalid', 'into: expected another spot of the same water');
      if (from.keeperId !== into.keeperId)
        throw new Problem('conflict', 'Only one of the two is kept by a captain: keep both, or give that one to the crew first.', [
          { field: 'into', message: 'not kept by the same captain' },
        ]);
      const [was, is] = [{ spotId: from.id }, { spotId: into.id }];
      const { affected } = await entities.update(StopEntity, was, is);
      const stops = affected ?? 0;
      for (const Entity of [LegEntity, ReadingEntity, SightingEntity]) await entities.update<{ spotId: string | null }>(Entity, was, is);
      await entities.update(SpotEntity, { id: from.id }, { retiredAt: new Date(clock.now()), mergedInto: into.id });
      // What one of them kept to captains stays so.
      if (from.privacy === 'captain') await entities.update(SpotEntity, { id: into.id }, { privacy: 'captain' });
      await audit(entities, c.get('who'), clock.now(), 'merge spots', 'spot', into.id, { from: from.name, into: into.name, stops });
      return { ok: true as const, stops };
    },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/spots/{id}/history',
      request: { params: byId },
      responses: answers(spotHistory, 'What was fished there'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const spot = found(await entities.findOneBy(SpotEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'spot');
      if (!mayShow(spot, c.get('who').role)) throw new Problem('not_found', 'No such spot.');
      return await historyOf(entities, spot.id);
    },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/export',
      request: { params: byId, query: exportQuery },
      responses: answers(exported, 'Spots as a file'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const { format, captains, sure, drawn } = c.req.valid('query');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const views = await spotViews(entities, water.id, c.get('who').role, clock.now());
      if (captains === 'yes' && sure !== 'yes')
        throw new Problem(
          'not_sure',
          `${views.filter((v) => v.privacy === 'captain').length} captains' spots would leave the outfit in this file.`,
        );
      const out = captains === 'yes' ? views : views.filter((v) => v.privacy === 'crew');
      if (captains === 'yes')
        await audit(entities, c.get('who'), clock.now(), "export captains' spots", 'water', water.id, { format, spots: out.length });
      const { write, mediaType } = FORMATS[format];
      const features = drawn === 'yes' ? await featuresOf(entities, water.id) : [];
      const text = write([
        ...out.map((v) => ({
          name: v.name,
          note: `${v.structure} over ${v.bottom}${v.note === '' ? '' : `. ${v.note}`}`,
          shape: v.shape,
          points: v.points,
          facts: factsOf(v),
        })),
        ...features.map((f) => ({
          name: f.name,
          note: DRAWN[f.kind],
          shape: f.kind === 'track' || f.kind === 'passage' ? ('line' as const) : ('area' as const),
          points: f.points,
        })),
      ]);
      const fileName = `${water.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-spots.${format}`;
      return { fileName, mediaType, text, spots: out.length, leftOut: views.length - out.length };
    },
  );
  return app;
}

/** What leaves of a spot besides its name and place: nothing of who keeps it or when it was fished. */
function factsOf(v: z.infer<typeof spotView>): SpotFacts {
  const { structure, bottom, depthMinM, depthMaxM, accessDepthM, privacy, footing, restDays, pressure, legality, note, hazards } = v;
  return { structure, bottom, depthMinM, depthMaxM, accessDepthM, privacy, footing, restDays, pressure, legality, note, hazards };
}

/** Only a captain or the owner can keep a spot, and only with the captains' spots; a captain keeps for himself. */
async function keeperMay(entities: EntityManager, who: Who, body: SpotEdit, old: SpotRow | null): Promise<void> {
  if (!body.keeperId) return;
  const refuse = (detail: string) => new Problem('invalid', `keeperId: ${detail}`, [{ field: 'keeperId', message: detail }]);
  if (body.privacy !== 'captain') throw refuse('only a captains\u2019 spot can be kept by one captain');
  const keeper = found(await entities.findOneBy(PersonEntity, { id: body.keeperId }), 'captain');
  if (keeper.role === 'mate') throw refuse(`${keeper.name} is a mate; a captain or the owner keeps a spot`);
  if (who.role !== 'owner' && keeper.id !== who.personId) throw refuse('a captain keeps a spot for himself; the owner for any captain');
  if (who.role === 'owner' || !old || old.keeperId === body.keeperId) return;
  // What others have fished is theirs as well.
  if (await othersFished(entities, old.id, body.keeperId))
    throw new Problem('not_allowed', `${old.name} has been fished by others of the crew; only the owner can give it to one captain.`, [
      { field: 'keeperId', message: 'ask the owner' },
    ]);
}

async function nameIsFree(entities: EntityManager, waterId: string, body: SpotEdit): Promise<void> {
  const key = nameKey(body.name);
  if (key === '') throw new Problem('invalid', 'name: it holds nothing that can be seen', [{ field: 'name', message: 'type a name' }]);
  const spots = await entities.find(SpotEntity, { select: { id: true, name: true }, where: { waterId, retiredAt: IsNull() } });
  const same = spots.find((s) => s.id !== body.id && nameKey(s.name) === key);
  if (same)
    throw new Problem('conflict', `There is a spot named ${same.name} on this water already.`, [
      { field: 'name', message: 'taken, or too like another: choose another' },
    ]);
}

async function rowOf(entities: EntityManager, who: Who, waterId: string, body: SpotEdit, old: SpotRow | null): Promise<SpotRow> {
  const least = { point: 1, line: 2, area: 3 }[body.shape];
  if (body.points.length < least)
    throw new Problem('invalid', `points: a ${body.shape} needs at least ${least}, got ${body.points.length}`, [
      { field: 'points', message: `at least ${least}` },
    ]);
  if (body.shape === 'area') requireSimple(body.points);
  const { bed } = await effectiveBed(entities, waterId);
  requireNear(bed, body.points);
  const m = measureSpot(bed, body.shape, body.points);
  const depthMinM = body.depthMinM ?? m.depthMinM;
  const depthMaxM = body.depthMaxM ?? m.depthMaxM;
  if (depthMinM === null || depthMaxM === null)
    throw new Problem('invalid', 'points: the place lies off the chart or on land', [
      { field: 'points', message: 'move it onto the water, or give its depths' },
    ]);
  if (depthMaxM < depthMinM)
    throw new Problem('invalid', `depthMaxM: expected at least ${depthMinM}, got ${depthMaxM}`, [
      { field: 'depthMaxM', message: 'the deeper of the two' },
    ]);
  return {
    id: body.id,
    outfitId: who.outfitId,
    waterId,
    name: body.name,
    structure: body.structure,
    bottom: body.bottom,
    depthMinM,
    depthMaxM,
    lat: m.lat,
    lon: m.lon,
    shape: body.shape,
    points: body.points,
    shoreNormalDeg: m.shoreNormalDeg,
    fetchM: m.fetchM,
    accessDepthM: body.accessDepthM,
    fadePerHour: old?.fadePerHour ?? FADE_PER_HOUR,
    privacy: body.privacy,
    keeperId: body.privacy === 'crew' ? null : body.keeperId === undefined ? (old?.keeperId ?? null) : body.keeperId,
    footing: body.footing ?? old?.footing ?? 1,
    hazards: body.hazards,
    legality: body.legality,
    restDays: body.restDays,
    pressure: body.pressure,
    note: old?.note ?? '',
    heatOffsetC: old?.heatOffsetC ?? 0,
    heatSdC: old?.heatSdC ?? 0.6,
    heatReadings: old?.heatReadings ?? 0,
    importId: old?.importId ?? null,
    retiredAt: null,
    mergedInto: null,
  };
}
