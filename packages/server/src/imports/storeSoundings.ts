import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { toDatum } from '@bluffwind/core/ground/gridSoundings';
import { distanceM } from '@bluffwind/core/ground/seaBed';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import { SurveyEntity } from '../db/entities/grounds';
import { Problem } from '../errors';
import type { Who } from '../http/who';
import { gridded } from '../grounds/gridded';
import { loadWaterState } from '../water/waterState';

/** Soundings of a file as columns of one length, as sounded. */
export interface SoundingColumns {
  readonly transducerM: number;
  readonly lat: readonly number[];
  readonly lon: readonly number[];
  readonly soundedM: readonly number[];
  readonly atMs: readonly number[];
}

/** Longest span over which the height of tide is looked up, days. */
const LONGEST_DAYS = 120;
/** Farthest a sounding may lie from the middle of its water, km. */
const FARTHEST_KM = 60;

/** Corrects soundings to chart datum, grids them and stores both as a survey. */
export async function storeSurvey(
  entities: EntityManager,
  who: Who,
  water: { readonly id: string; readonly name: string; readonly lat: number; readonly lon: number },
  survey: { id: string; name: string; importId: string },
  s: SoundingColumns,
  nowMs: number,
): Promise<number> {
  onTheWater(water, s);
  const level = await levelOver(entities, water.id, s.atMs, nowMs);
  const depthM = s.soundedM.map((d, i) => {
    const at = s.atMs[i] as number;
    return Math.round(toDatum(d, s.transducerM, at > 0 && level ? level(at) : 0) * 100) / 100;
  });
  const grid = gridded({ lat: s.lat, lon: s.lon, depthM });
  await entities.insert(SurveyEntity, {
    id: survey.id,
    outfitId: who.outfitId,
    waterId: water.id,
    name: survey.name,
    source: 'file',
    importId: survey.importId,
    madeAt: new Date(nowMs),
    tideCorrected: level !== null && s.atMs.every((t) => t > 0),
    lat: [...s.lat],
    lon: [...s.lon],
    depthM,
    grid: grid as never,
  });
  return depthM.length;
}

/** Latitude and longitude exchanged, a sign lost or another water chosen shows in the distance. */
function onTheWater(water: { readonly name: string; readonly lat: number; readonly lon: number }, s: SoundingColumns): void {
  const far = s.lat.findIndex((lat, i) => distanceM(water, { lat, lon: s.lon[i] as number }) > FARTHEST_KM * 1000);
  if (far < 0) return;
  throw new Problem('invalid', `sounding ${far + 1} lies over ${FARTHEST_KM} km from ${water.name}`, [
    { field: `lat.${far}`, message: 'not on this water: check which column is the latitude and which the longitude, and their signs' },
  ]);
}

async function levelOver(
  entities: EntityManager,
  waterId: string,
  atMs: readonly number[],
  nowMs: number,
): Promise<((atMs: number) => number) | null> {
  const times = atMs.filter((t) => t > 0);
  if (times.length === 0) return null;
  const [first, last] = times.reduce(([a, b], t) => [Math.min(a, t), Math.max(b, t)], [times[0] as number, times[0] as number]);
  if (last > nowMs + HOUR)
    throw new Problem('invalid', `atMs: soundings of ${new Date(last).toISOString()} lie in the future`, [
      { field: 'atMs', message: 'in the future: check the zone chosen for the file' },
    ]);
  // Older surveys get the prediction alone over whatever span; the gauge is looked up for one that is not spread over years.
  const from = last - first > LONGEST_DAYS * DAY ? last - DAY : first;
  const { record } = await loadWaterState(entities, waterId, from - HOUR, last + HOUR, nowMs);
  return waterStateOf(record).levelAt;
}
