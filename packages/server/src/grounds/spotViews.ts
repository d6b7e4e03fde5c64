import type { SpotView } from '@bluffwind/contract/grounds';
import { DAY } from '@bluffwind/core/units/time';
import { type EntityManager, IsNull } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { featuresOf, writtenOffAt } from './chartData';
import { mayShow } from './mayShow';

interface Total {
  readonly spot_id: string;
  readonly fish: number;
  readonly hours: number;
  readonly week: number;
  readonly last: Date;
}

/** Spots of a water as a person may see them, with what the log says of each. */
export async function spotViews(entities: EntityManager, waterId: string, role: string, nowMs: number): Promise<SpotView[]> {
  const spots = await entities.find(SpotEntity, { where: { waterId, retiredAt: IsNull() }, order: { name: 'ASC' } });
  const features = await featuresOf(entities, waterId);
  const totals: Total[] = await entities.query(
    `select x.spot_id, sum(x.fish)::int as fish, sum(x.rod_hours)::float8 as hours,
       coalesce(sum(x.rod_hours) filter (where x.started_at > $2), 0)::float8 as week, max(x.ended_at) as last
     from (
       select s.spot_id, s.rod_hours, s.started_at, s.ended_at,
         (select count(*) from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish
       from fished_set s join spot sp on sp.id = s.spot_id and sp.water_id = $1) x
     group by x.spot_id`,
    [waterId, new Date(nowMs - 7 * DAY)],
  );
  const of = new Map(totals.map((t) => [t.spot_id, t]));
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
        lastFishedAt: t?.last?.toISOString() ?? null,
        writtenOff: writtenOffAt(features, s),
      };
    });
}
