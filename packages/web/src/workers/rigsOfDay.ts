// The rigs of a kept plan and the list of the night before, from a trip's desk and what the crew has in its boxes.
import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripRigs } from '@bluffwind/contract/rigs';
import { apparentWindMps, heatIndexC, humidityOf, windChillC } from '@bluffwind/core/exposure/feels';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { type Ranking, STEP_MS } from '@bluffwind/core/plan/rankTrip';
import { type NightList, nightList } from '@bluffwind/core/tackle/nightList';
import { rigDay, type StopRigs } from '@bluffwind/core/tackle/rigDay';
import type { ByHand, RigBox } from '@bluffwind/core/tackle/rigQuestion';

export interface DayRigs {
  readonly stops: readonly StopRigs[];
  readonly night: NightList;
}

export function rigsOfDay(desk: PlanDesk, inputs: PlanInputs, ranking: Ranking, extra: TripRigs): DayRigs {
  const ms = (iso: string) => Date.parse(iso);
  const legs = (desk.saved?.legs ?? []).map((l) => ({
    ...l,
    startMs: ms(l.startAt),
    departMs: ms(l.departAt),
    parts: l.parts.map((p) => ({ presentationId: p.presentationId, fromMs: ms(p.fromAt), toMs: ms(p.toAt) })),
  }));
  const stops = rigDay(inputs, ranking, legs, {
    box: boxOf(extra),
    boat: extra.boat,
    species: [...desk.species].sort((a, b) => b.weight - a.weight).map((s) => s.name),
    byHand: (spotId, presentationId): ByHand =>
      Object.fromEntries(
        extra.choices.filter((c) => c.spotId === spotId && c.presentationId === presentationId).map((c) => [c.part, c.value]),
      ),
    markedUpM: (spotId) => extra.marks.find((m) => m.spotId === spotId)?.upM ?? null,
  });
  const feels = feltOver(inputs, ranking, stops);
  return {
    stops,
    night: nightList({
      stops,
      departsMs: desk.startsAt,
      zone: desk.zone,
      rods: desk.rods,
      keeps: desk.counting === 'keepable',
      children: desk.party.children,
      nonSwimmers: desk.party.nonSwimmers,
      guests: desk.guests.length,
      access: extra.boat.accessNote,
      afloat: desk.boat.afloat,
      ...feels,
      losses: {},
      baits: extra.baits,
    }),
  };
}

function boxOf(extra: TripRigs): RigBox {
  const { weightsG, headsG, anchorsM, usual } = extra.box;
  return {
    weightsG,
    headsG,
    anchorsM,
    usual: usual.weights && usual.heads,
    timed: Object.fromEntries(
      extra.trials.flatMap((t) =>
        t.depthM === null || t.seconds === null ? [] : [[t.presentationId, { depthM: t.depthM, seconds: t.seconds }]],
      ),
    ),
    dives: Object.fromEntries(extra.trials.flatMap((t) => (t.divesM === null ? [] : [[t.presentationId, t.divesM]]))),
    leaders: Object.fromEntries(extra.leaders.map((l) => [l.familyId, l.counts])),
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
