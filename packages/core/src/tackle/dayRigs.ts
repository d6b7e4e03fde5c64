// The rigs of a kept plan and the list of the night before, from a trip's inputs and what the crew has in its boxes.
import { apparentWindMps, heatIndexC, humidityOf, windChillC } from '../exposure/feels';
import type { PlanLeg } from '../plan/plannedDay';
import type { PlanInputs } from '../plan/planInputs';
import { type Ranking, STEP_MS } from '../plan/rankTrip';
import type { StrengthCount } from './leaderChoice';
import type { Losses } from './lossRate';
import { type NightList, nightList } from './nightList';
import { rigDay, type StopRigs } from './rigDay';
import type { HandPart } from './handLimits';
import type { ByHand, RigBox } from './rigQuestion';

export interface DayRigs {
  readonly stops: readonly StopRigs[];
  readonly night: NightList;
}

/** What the crew has, has timed and has set by hand. */
export interface CrewsRigs {
  readonly choices: readonly {
    readonly spotId: string;
    readonly presentationId: string;
    readonly part: HandPart;
    readonly value: number;
  }[];
  readonly box: {
    readonly weightsG: readonly number[];
    readonly headsG: readonly number[];
    readonly anchorsM: readonly number[];
  };
  readonly losses: readonly ({ readonly presentationId: string } & Losses)[];
  readonly boat: { readonly windageM2: number; readonly hullM2: number; readonly accessNote: string };
  readonly trials: readonly {
    readonly presentationId: string;
    readonly depthM: number | null;
    readonly seconds: number | null;
    readonly divesM: number | null;
  }[];
  readonly leaders: readonly { readonly familyId: string; readonly counts: readonly StrengthCount[] }[];
  readonly marks: readonly { readonly spotId: string; readonly upM: number }[];
  readonly baits: readonly { readonly presentationId: string; readonly forage: readonly string[]; readonly costPerHour: number }[];
}

/** What the list needs of a trip beside its inputs. */
export interface RigsParty {
  /** What the party is after; the weightiest first counts most. */
  readonly species: readonly { readonly name: string; readonly weight: number }[];
  readonly guests: number;
  readonly children: number;
  readonly nonSwimmers: number;
}

/** Makes both. @param legs - Of the kept plan. */
export function dayRigs(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly Pick<PlanLeg, 'spotId' | 'presentationId' | 'parts' | 'startMs' | 'departMs'>[],
  crew: CrewsRigs,
  party: RigsParty,
): DayRigs {
  const stops = rigDay(inputs, ranking, legs, {
    box: boxOf(crew),
    boat: crew.boat,
    species: [...party.species].sort((a, b) => b.weight - a.weight).map((s) => s.name),
    byHand: (spotId, presentationId): ByHand =>
      Object.fromEntries(
        crew.choices.filter((c) => c.spotId === spotId && c.presentationId === presentationId).map((c) => [c.part, c.value]),
      ),
    markedUpM: (spotId) => crew.marks.find((m) => m.spotId === spotId)?.upM ?? null,
  });
  const night = nightList({
    stops,
    departsMs: inputs.startsAt,
    zone: inputs.zone,
    rods: inputs.rods,
    keeps: inputs.counting === 'keepable',
    children: party.children,
    nonSwimmers: party.nonSwimmers,
    guests: party.guests,
    access: crew.boat.accessNote,
    afloat: inputs.boat.afloat !== false,
    ...feltOver(inputs, ranking, stops),
    losses: Object.fromEntries(crew.losses.map(({ presentationId, lost, rodHours }) => [presentationId, { lost, rodHours }])),
    baits: crew.baits,
  });
  return { stops, night };
}

function boxOf({ box, trials, leaders }: CrewsRigs): RigBox {
  const { weightsG, headsG, anchorsM } = box;
  return {
    weightsG,
    headsG,
    anchorsM,
    timed: Object.fromEntries(
      trials.flatMap((t) =>
        t.depthM === null || t.seconds === null ? [] : [[t.presentationId, { depthM: t.depthM, seconds: t.seconds }]],
      ),
    ),
    dives: Object.fromEntries(trials.flatMap((t) => (t.divesM === null ? [] : [[t.presentationId, t.divesM]]))),
    leaders: Object.fromEntries(leaders.map((l) => [l.familyId, l.counts])),
  };
}

/** How cold it feels under way and how hot at the stops, at the worst of them. */
function feltOver(inputs: PlanInputs, ranking: Ranking, stops: readonly StopRigs[]): { coldC: number | null; hotC: number | null } {
  let coldC: number | null = null;
  let hotC: number | null = null;
  for (const stop of stops) {
    const s = inputs.spots.findIndex((x) => x.id === stop.spotId);
    for (const at of [stop.startMs, stop.departMs]) {
      const c = ranking.conditionsAt(s, Math.max(0, Math.floor((at - inputs.startsAt) / STEP_MS)));
      if (c.airTempC === null) continue;
      const wind = apparentWindMps(c.windMps ?? 0, c.windFromDeg ?? 0, inputs.boat.speedMps, null);
      const cold = windChillC(c.airTempC, wind);
      const hot = c.dewPointC === null ? c.airTempC : heatIndexC(c.airTempC, humidityOf(c.airTempC, c.dewPointC));
      coldC = coldC === null ? cold : Math.min(coldC, cold);
      hotC = hotC === null ? hot : Math.max(hotC, hot);
    }
  }
  return { coldC, hotC };
}
