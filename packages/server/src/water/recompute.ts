// What follows from readings: the spots' own temperatures, and the conditions of stops already fished.
import { conditionsOver, type SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { heatOffset } from '@bluffwind/core/heat/calibrate';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
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
  const readings: { spot_id: string; at: Date; value: number }[] = await entities.query(
    `select spot_id, at, value from reading where water_id = $1 and variable = 'waterTempC' and spot_id is not null
       and superseded_by is null and withdrawn_at is null and flag < 3 and at > $2 and at <= $3
       and ($4::uuid[] is null or spot_id = any($4)) order by at`,
    [waterId, new Date(nowMs - CALIBRATION), new Date(nowMs), spotIds ?? null],
  );
  const errors = new Map<string, number[]>();
  const wanted = spotIds ?? [...new Set(readings.map((r) => r.spot_id))];
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
      const spot = bare.get(r.spot_id);
      const model = spot ? at(spot, r.at.getTime()).waterTempC : null;
      if (model !== null) errors.get(r.spot_id)?.push(r.value - model);
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
  const stops: { id: string }[] = await entities.query(
    `select st.id from stop st join spot sp on sp.id = st.spot_id where sp.water_id = $1
       and st.ended_at is not null and st.ended_at >= $2 and st.started_at <= $3`,
    [waterId, new Date(fromMs - 3 * HOUR), new Date(toMs + 3 * HOUR)],
  );
  return stops.length === 0
    ? 0
    : storeStopConditions(
        entities,
        stops.map((s) => s.id),
        nowMs,
      );
}
