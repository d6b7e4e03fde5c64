// How long a trip's boat or walkers take between its spots, at each height of tide, and over which sea.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { type WaterRecord, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { type WalkWays, walkWays } from '@bluffwind/core/ground/walkWays';
import { every } from '@bluffwind/core/risk/judgeSpans';
import { lastOf } from '@bluffwind/core/units/indexed';
import { HOUR } from '@bluffwind/core/units/time';
import type { FeatureRow, SpotRow } from '../db/entities/grounds';
import type { BoatRow } from '../db/entities/boats';
import type { TripRow } from '../db/entities/trip';
import type { WaterRow } from '../db/entities/water';
import { passagesOf, runAreas } from '../grounds/chartData';
import { type RunTimes, runTimes, tideLevels } from './runTimes';

interface Going {
  readonly trip: TripRow;
  readonly boat: BoatRow;
  readonly water: WaterRow;
  readonly spots: readonly SpotRow[];
  readonly features: readonly FeatureRow[];
  readonly bed: SeaBed;
  /** Of the bed: the same while nothing of it has changed. */
  readonly version: string;
  readonly record: WaterRecord;
}

/** The ways of a trip, as its desk holds them; those of the highest tide stand alone as well. */
export async function deskWays(going: Going): Promise<Pick<PlanDesk, 'dockTravelMin' | 'travelMin' | 'sea' | 'byTide'>> {
  const times = going.boat.craft === 'foot' ? walked(going) : await run(going);
  const copied = <T>(rows: readonly (readonly T[])[]) => rows.map((row) => [...row]);
  const byTide = times.byTide.map((w) => ({
    tideM: w.tideM,
    dockMin: [...w.dockMin],
    betweenMin: copied(w.betweenMin),
    dockSea: copied(w.dockSea),
    betweenSea: w.betweenSea.map(copied),
  }));
  const { dockMin, betweenMin, dockSea, betweenSea } = lastOf(byTide);
  return {
    dockTravelMin: dockMin,
    travelMin: betweenMin,
    sea: { places: times.places.map((p) => ({ ...p, fetchM: [...p.fetchM] })), dock: dockSea, between: betweenSea },
    byTide,
  };
}

function run({ trip, boat, water, spots, features, bed, version, record }: Going): Promise<RunTimes> {
  return runTimes(
    `${water.id} ${version} ${features.map((f) => `${f.id}${f.madeAt.getTime()}`)} ${boat.draughtM} ${boat.speedMps} ${boat.waveLimitM ?? 1}`,
    {
      chart: `${water.id} ${version}`,
      bed,
      dock: { lat: water.dockLat, lon: water.dockLon },
      spots,
      // A boat without a wave limit is not slowed by waves here.
      boat: { ...boat, waveLimitM: boat.waveLimitM ?? 1 },
      areas: runAreas(features),
      passages: passagesOf(features),
    },
    levelsOf(record, trip),
  );
}

/** Getting rods down and up again where one walks, minutes. */
const RODS_DOWN_MIN = 4;

function walked({ boat, water, spots, bed }: Going): RunTimes {
  return onFoot(walkWays(bed, { lat: water.dockLat, lon: water.dockLon }, spots, boat.speedMps, boat.castM ?? 60, RODS_DOWN_MIN));
}

/** Ways on foot are the same at every height of tide and cross no sea. */
function onFoot({ dockMin, betweenMin }: WalkWays): RunTimes {
  const none = dockMin.map((): number[] => []);
  return { places: [], byTide: [{ tideM: 0, dockMin, betweenMin, dockSea: none, betweenSea: dockMin.map(() => none) }] };
}

/** Heights of tide of a trip's hours, by which its ways are worked out; datum where no tide is known. */
function levelsOf(record: WaterRecord, trip: TripRow): number[] {
  const { levelAt } = waterStateOf(record);
  if (!levelAt) return [0];
  const heights = every(trip.startsAt.getTime(), trip.endsAt.getTime() + HOUR, HOUR / 4).map(levelAt);
  return tideLevels(Math.min(...heights), Math.max(...heights));
}
