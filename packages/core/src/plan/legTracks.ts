// Which stops of a plan are fished under way rather than lying, and how.
import { rigFamily } from '../tackle/rigFamilies';
import { trackKindOf, trackLeg, trackWords } from '../tackle/trackLeg';
import type { PlanLeg } from './plannedDay';
import type { PlanInputs } from './planInputs';
import { type Ranking, STEP_MS } from './rankTrip';

/** For each leg how its line is fished, in words, drifts without a sea anchor (the rig card chooses one); null where the boat lies. */
export function legTracks(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly Pick<PlanLeg, 'spotId' | 'presentationId' | 'startMs' | 'departMs'>[],
): ({ readonly text: string; readonly mind: string | null } | null)[] {
  return legs.map((leg) => {
    const s = inputs.spots.findIndex((x) => x.id === leg.spotId);
    const spot = inputs.spots[s];
    const bait = inputs.presentations.find((p) => p.id === leg.presentationId);
    const { drift, draughtM, afloat } = inputs.boat;
    if (!spot?.track || !bait || !drift || afloat === false) return null;
    const kind = trackKindOf(rigFamily(bait.family, bait.zone).layout);
    if (kind === null) return null;
    const c = ranking.conditionsAt(s, Math.max(0, Math.floor(((leg.startMs + leg.departMs) / 2 - inputs.startsAt) / STEP_MS)));
    const { windMps, windFromDeg, currentMps, currentToDeg, stillWater } = c;
    const tideM = c.depthM - (spot.depthMinM + spot.depthMaxM) / 2;
    const track = trackLeg(
      kind,
      spot.track,
      { windMps, windFromDeg, currentMps, currentToDeg, stillWater, tideM },
      { ...drift, draughtM, anchorM: 0 },
    );
    return track && trackWords(track);
  });
}
