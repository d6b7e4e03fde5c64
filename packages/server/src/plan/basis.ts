// What a plan was made from, kept with it: "why did we go there?" is answered by this a month later, when the log has moved on.
import type { SavedPlan } from '@bluffwind/contract/plan';
import { likeWater } from '@bluffwind/core/catchrate/likeWater';
import { rateRange } from '@bluffwind/core/catchrate/rangeOf';
import type { PlanLeg } from '@bluffwind/core/plan/plannedDay';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { rateConditions, type Ranking, STEP_MS } from '@bluffwind/core/plan/rankTrip';
import { reasonsOf } from '@bluffwind/core/plan/reasons';

const STOPS_KEPT = 12;

/** The evidence of each leg at its middle. */
export function basisOf(inputs: PlanInputs, ranking: Ranking, legs: readonly PlanLeg[]): SavedPlan['basis'] {
  return legs.map((leg) => {
    const s = inputs.spots.findIndex((x) => x.id === leg.spotId);
    const at = (leg.startMs + leg.departMs) / 2;
    const conditions = ranking.conditionsAt(s, Math.floor((at - inputs.startsAt) / STEP_MS));
    const query = { at: conditions.at, spot: leg.spotId, presentation: leg.presentationId, conditions: rateConditions(conditions) };
    const rate = ranking.model.rate(query);
    const factors = ranking.model.factors(query);
    const like = likeWater(inputs.sets, query, inputs.now);
    return {
      spotId: leg.spotId,
      spotName: inputs.spots[s]?.name ?? '',
      presentation: inputs.presentations.find((p) => p.id === leg.presentationId)?.name ?? '',
      ratePerRodHour: rate,
      ...rateRange(ranking.model, query, rate),
      likeRodHours: like.rodHours,
      likeFish: like.fish,
      reasons: [...reasonsOf(factors, query.conditions)],
      factors: factors.map(({ name, multiplier, fish, expected }) => ({ name, multiplier, fish, expected })),
      stopIds: [...new Set(like.sets.slice(0, STOPS_KEPT).flatMap((x) => (x.set.stopId ? [x.set.stopId] : [])))],
      conditions: {
        windMps: conditions.windMps,
        windFromDeg: conditions.windFromDeg,
        waterTempC: conditions.waterTempC,
        tideHeightM: conditions.tideHeightM,
        clarityM: conditions.clarityM,
      },
    };
  });
}
