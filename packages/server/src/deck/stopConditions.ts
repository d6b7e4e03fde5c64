import { conditionsOver, type SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { type WaterRecord, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { DAY, HOUR, MINUTE } from '@bluffwind/core/units/time';
import type { Series } from '@bluffwind/core/weather/series';
import { Any, type EntityManager, IsNull, Not } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { StopEntity } from '../db/entities/log';
import { loadWaterState } from '../water/waterState';

const SPAN = 20 * DAY;

/**
 * Works out the conditions of finished stops from the readings on file and stores them with the stops.
 * @param only - These stops; null for every finished stop that has none yet.
 * @returns Stops written.
 */
export async function storeStopConditions(entities: EntityManager, only: readonly string[] | null, nowMs: number): Promise<number> {
  const ended = await entities.findBy(StopEntity, {
    endedAt: Not(IsNull()),
    ...(only === null ? { conditions: IsNull() } : { id: Any(only) }),
  });
  if (ended.length === 0) return 0;
  // One object a spot, so that its temperature is worked out once a chunk. What the crew's later readings say of a spot is
  // taken for all its past: it is the spot that they describe.
  const spots = new Map((await entities.find(SpotEntity)).map((s) => [s.id, s]));
  const stops = ended
    .flatMap(({ id, spotId, startedAt, endedAt }) => {
      const spot = spots.get(spotId);
      return spot && endedAt ? [{ id, spot, middleMs: (startedAt.getTime() + endedAt.getTime()) / 2 }] : [];
    })
    .sort((a, b) => a.spot.waterId.localeCompare(b.spot.waterId) || a.middleMs - b.middleMs);
  let from = 0;
  for (;;) {
    const first = stops[from];
    if (!first) return stops.length;
    let to = from;
    while (stops[to]?.spot.waterId === first.spot.waterId && (stops[to]?.middleMs ?? 0) - first.middleMs < SPAN) to++;
    const chunk = stops.slice(from, to);
    const [start, end] = [first.middleMs - 3 * HOUR, (chunk.at(-1)?.middleMs ?? 0) + 3 * HOUR];
    // What was measured counts, however late it came in; forecasts do not.
    const { record } = await loadWaterState(entities, first.spot.waterId, start, end, Math.max(nowMs, end));
    const at = conditionsOver(waterStateOf(onlyMeasured(record)), start, end);
    const seen = chunk.map((s): SpotConditions => at(s.spot, Math.round(s.middleMs / MINUTE) * MINUTE));
    await entities.query(
      `update stop set conditions = x.conditions from unnest($1::uuid[], $2::jsonb[]) as x (id, conditions) where stop.id = x.id`,
      [chunk.map((s) => s.id), seen.map((c) => JSON.stringify(c))],
    );
    from = to;
  }
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
