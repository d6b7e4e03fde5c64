import { conditionsOver, type SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { type WaterRecord, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import type { Series } from '@bluffwind/core/weather/series';
import type { EntityManager } from 'typeorm';
import { SpotEntity, type SpotRow } from '../db/entities/grounds';
import { loadWaterState } from '../water/waterState';

interface StopToSee {
  readonly id: string;
  readonly water_id: string;
  readonly middle: Date;
  readonly spot_id: string;
}

const SPAN = 20 * DAY;

/**
 * Works out the conditions of finished stops from the readings on file and stores them with the stops.
 * @param only - These stops; null for every finished stop that has none yet.
 * @returns Stops written.
 */
export async function storeStopConditions(entities: EntityManager, only: readonly string[] | null, nowMs: number): Promise<number> {
  const stops: StopToSee[] = await entities.query(
    `select st.id, sp.water_id, st.spot_id, st.started_at + (st.ended_at - st.started_at) / 2 as middle
     from stop st join spot sp on sp.id = st.spot_id
     where st.ended_at is not null and (st.id = any($1) or ($1::uuid[] is null and st.conditions is null))
     order by sp.water_id, st.started_at`,
    [only],
  );
  if (stops.length === 0) return 0;
  // One object a spot, so that its temperature is worked out once a chunk. What the crew's later readings say of a spot is
  // taken for all its past: it is the spot that they describe.
  const spots = new Map((await entities.find(SpotEntity)).map((s) => [s.id, s]));
  let from = 0;
  while (from < stops.length) {
    const first = stops[from] as StopToSee;
    let to = from;
    while (
      to < stops.length &&
      stops[to]?.water_id === first.water_id &&
      (stops[to] as StopToSee).middle.getTime() - first.middle.getTime() < SPAN
    )
      to++;
    const chunk = stops.slice(from, to);
    const last = chunk.at(-1) as StopToSee;
    const [start, end] = [first.middle.getTime() - 3 * HOUR, last.middle.getTime() + 3 * HOUR];
    // What was measured counts, however late it came in; forecasts do not.
    const { record } = await loadWaterState(entities, first.water_id, start, end, Math.max(nowMs, end));
    const measured = onlyMeasured(record);
    const at = conditionsOver(waterStateOf(measured), start, end);
    const seen = chunk.map((s): SpotConditions => at(spots.get(s.spot_id) as SpotRow, Math.round(s.middle.getTime() / 60_000) * 60_000));
    await entities.query(
      `update stop set conditions = x.conditions from unnest($1::uuid[], $2::jsonb[]) as x (id, conditions) where stop.id = x.id`,
      [chunk.map((s) => s.id), seen.map((c) => JSON.stringify(c))],
    );
    from = to;
  }
  return stops.length;
}

/**
 * A record without what was only foretold. It goes through every field by what it is, a series or a set of series, so that a new
 * variable is cut as the others are.
 */
export function onlyMeasured(record: WaterRecord): WaterRecord {
  const cut = (s: Series): Series => ({ ...s, atMs: s.atMs.slice(0, s.forecastFrom), value: s.value.slice(0, s.forecastFrom) });
  const walk = <T>(value: T): T => {
    if (isSeries(value)) return cut(value) as T;
    if (value === null || typeof value !== 'object' || Array.isArray(value)) return value as T;
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v)])) as T;
  };
  return walk(record);
}

function isSeries(value: unknown): value is Series {
  return typeof value === 'object' && value !== null && 'atMs' in value && 'value' in value && 'forecastFrom' in value;
}
