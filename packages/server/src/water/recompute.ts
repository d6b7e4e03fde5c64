// What follows from readings: the spots' own temperatures, and the conditions of stops already fished.
import { conditionsOver, type SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { heatOffset } from '@bluffwind/core/heat/calibrate';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { And, Any, type EntityManager, In, IsNull, LessThan, LessThanOrEqual, MoreThan, MoreThanOrEqual, Not } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { StopEntity } from '../db/entities/log';
import { ReadingEntity } from '../db/entities/water';
import { storeStopConditions } from '../deck/stopConditions';
import { loadWaterState } from './waterState';

/** Readings of a spot older than this say nothing of it now. */
const CALIBRATION = 60 * DAY;
const SLICE = 20 * DAY;

/** Works out anew what the crew's readings say of each spot's own temperature; all spots with readings when none are named. */
export async function calibrateSpots(
  entities: EntityManager,
  waterId: string,
  nowMs: number,
  spotIds?: readonly string[],
): Promise<number> {
  const readings = await entities.find(ReadingEntity, {
    where: {
      waterId,
      variable: 'waterTempC',
      spotId: spotIds ? In([...spotIds]) : Not(IsNull()),
      supersededBy: IsNull(),
      withdrawnAt: IsNull(),
      flag: LessThan(3),
      at: And(MoreThan(new Date(nowMs - CALIBRATION)), LessThanOrEqual(new Date(nowMs))),
    },
    order: { at: 'ASC' },
  });
  const errors = new Map<string, number[]>();
  const wanted = spotIds ?? [...new Set(readings.flatMap((r) => r.spotId ?? []))];
  for (const id of wanted) errors.set(id, []);
  const spots = await entities.findBy(SpotEntity, { id: In([...wanted]), retiredAt: IsNull() });
  let from = 0;
  while (from < readings.length) {
    const start = (readings[from] as { at: Date }).at.getTime();
    let to = from;
    while (to < readings.length && (readings[to] as { at: Date }).at.getTime() - start < SLICE) to++;
    const chunk = readings.slice(from, to);
    const end = (chunk.at(-1) as { at: Date }).at.getTime();
    const { record } = await loadWaterState(entities, waterId, start, end + 3 * HOUR, Math.max(nowMs, end));
    const at = conditionsOver(waterStateOf(record), start, end + HOUR);
    // Without what was learned before: each calibration starts from the model alone.
    const bare = new Map(spots.map((s): [string, SpotGround] => [s.id, { ...s, heatOffsetC: 0 }]));
    for (const r of chunk) {
      const spot = bare.get(r.spotId ?? '');
      const model = spot ? at(spot, r.at.getTime()).waterTempC : null;
      if (model !== null) errors.get(r.spotId ?? '')?.push(r.value - model);
    }
    from = to;
  }
  for (const [spotId, list] of errors) {
    const o = heatOffset(list);
    await entities.update(SpotEntity, { id: spotId }, { heatOffsetC: o.offsetC, heatSdC: o.sdC, heatReadings: o.readings });
  }
  return errors.size;
}

/** Stops of a span get their conditions anew; call it when readings of that span came, changed or went. */
export async function refreshStops(entities: EntityManager, waterId: string, fromMs: number, toMs: number, nowMs: number): Promise<number> {
  const spots = await entities.find(SpotEntity, { select: { id: true }, where: { waterId } });
  const stops = await entities.find(StopEntity, {
    select: { id: true },
    where: {
      spotId: Any(spots.map((s) => s.id)),
      endedAt: MoreThanOrEqual(new Date(fromMs - 3 * HOUR)),
      startedAt: LessThanOrEqual(new Date(toMs + 3 * HOUR)),
    },
  });
  return stops.length === 0
    ? 0
    : storeStopConditions(
        entities,
        stops.map((s) => s.id),
        nowMs,
      );
}
