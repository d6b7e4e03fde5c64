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
    `select st.spot_id, sum(x.fish)::int as fish, sum(x.hours)::float8 as hours,
       coalesce(sum(x.hours) filter (where st.started_at > $2), 0)::float8 as week, max(coalesce(st.ended_at, st.started_at)) as last
     from stop st join spot sp on sp.id = st.spot_id and sp.water_id = $1 join (
       select s.stop_id, s.rods * extract(epoch from s.ended_at - s.started_at) / 3600 as hours,
         (select count(*) from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish
       from "set" s where s.ended_at is not null) x on x.stop_id = st.id
     where st.deleted_at is null group by st.spot_id`,
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
