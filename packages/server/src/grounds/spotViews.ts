import type { SpotView } from '@bluffwind/contract/grounds';
import { DAY } from '@bluffwind/core/units/time';
import { type EntityManager, IsNull } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { FishedEntity } from '../db/entities/views';
import { featuresOf, writtenOffAt } from './chartData';
import { mayShow } from './mayShow';

/** Spots of a water as a person may see them, with what the log says of each. */
export async function spotViews(entities: EntityManager, waterId: string, role: string, nowMs: number): Promise<SpotView[]> {
  const spots = await entities.find(SpotEntity, { where: { waterId, retiredAt: IsNull() }, order: { name: 'ASC' } });
  const features = await featuresOf(entities, waterId);
  const totals = await entities
    .createQueryBuilder(FishedEntity, 'f')
    .select('f.spotId', 'spotId')
    .addSelect('sum(f.fish)::int', 'fish')
    .addSelect('sum(f.rodHours)', 'hours')
    .addSelect('coalesce(sum(f.rodHours) filter (where f.startedAt > :since), 0)', 'week')
    .addSelect('max(f.endedAt)', 'last')
    .where({ waterId })
    .setParameter('since', new Date(nowMs - 7 * DAY))
    .groupBy('f.spotId')
    .getRawMany<{ spotId: string; fish: number; hours: number; week: number; last: Date }>();
  const of = new Map(totals.map((t) => [t.spotId, t]));
  return spots
    .filter((s) => mayShow(s, role))
    .map((s) => {
      const t = of.get(s.id);
      return {
        id: s.id,
        waterId: s.waterId,
        name: s.name,
        structure: s.structure,
        bottom: s.bottom,
        depthMinM: s.depthMinM,
        depthMaxM: s.depthMaxM,
        lat: s.lat,
        lon: s.lon,
        shape: s.shape,
        points: s.points.length > 0 ? s.points : [[s.lon, s.lat]],
        shoreNormalDeg: s.shoreNormalDeg,
        fetchM: s.fetchM,
        accessDepthM: s.accessDepthM,
        fadePerHour: s.fadePerHour,
        privacy: s.privacy,
        keeperId: s.keeperId,
        footing: s.footing,
        hazards: s.hazards,
        note: s.note,
        legality: s.legality,
        restDays: s.restDays,
        pressure: s.pressure,
        heatOffsetC: s.heatOffsetC,
        heatSdC: s.heatSdC,
        heatReadings: s.heatReadings,
        fish: t?.fish ?? 0,
        rodHours: t?.hours ?? 0,
        weekRodHours: t?.week ?? 0,
        lastFishedAt: t?.last.toISOString() ?? null,
        writtenOff: writtenOffAt(features, s),
      };
    });
}
