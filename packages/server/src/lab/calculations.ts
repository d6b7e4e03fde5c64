// The calculations that can be run from the command line: a schema for the input and the core's answer.
import { labFleet, labItinerary, labJudge, labRank, labSky, labStay, labTide, labTideFit, labVerdict } from '@bluffwind/contract/lab';
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import { likeWater } from '@bluffwind/core/catchrate/likeWater';
import { rateRange } from '@bluffwind/core/catchrate/rangeOf';
import type { FleetProblem } from '@bluffwind/core/fleet/fleetProblem';
import { solveFleet } from '@bluffwind/core/fleet/solveFleet';
import { solveItinerary } from '@bluffwind/core/itinerary/solveItinerary';
import { judge } from '@bluffwind/core/risk/judge';
import { type Rule, verdict } from '@bluffwind/core/rules/verdict';
import { skyDay } from '@bluffwind/core/sky/skyDay';
import { decideStay } from '@bluffwind/core/stay/decideStay';
import { fitTide } from '@bluffwind/core/tide/fitTide';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { DAY, MINUTE } from '@bluffwind/core/units/time';
import type { z } from 'zod';
import type { Calculation } from './calculation';
import { TACKLE_CALCULATIONS } from './tackleCalculations';

const iso = (ms: number | null) => (ms === null ? null : new Date(Math.round(ms / 1000) * 1000).toISOString().replace('.000Z', 'Z'));

function span(from: string, to: string, longestDays: number): [number, number] {
  const [a, b] = [Date.parse(from), Date.parse(to)];
  if (b <= a) throw new RangeError(`to: expected after ${from}, got ${to}`);
  if (b - a > longestDays * DAY) throw new RangeError(`to: at most ${longestDays} days after from`);
  return [a, b];
}

function tide(q: z.infer<typeof labTide>) {
  const [from, to] = span(q.from, q.to, 4000);
  const model = tideModel(q.constituents, q.z0M);
  const turns = tideTurns(model, from, to).map((t) => ({ at: iso(t.atMs), heightM: round(t.heightM, 4), kind: t.kind, minor: t.minor }));
  if (q.stepMin === undefined) return { turns };
  const heights: { at: string | null; heightM: number }[] = [];
  for (let t = from; t <= to; t += q.stepMin * MINUTE) heights.push({ at: iso(t), heightM: round(model.heightAt(t), 4) });
  return { turns, heights };
}

function tideFit({ heights = [], turns = [], lat }: z.infer<typeof labTideFit>) {
  const at = <T extends { at: string }>({ at: when, ...rest }: T) => ({ ...rest, atMs: Date.parse(when) });
  const inOrder = <T extends { atMs: number }>(list: T[]) => list.sort((a, b) => a.atMs - b.atMs);
  const fit = fitTide({ heights: inOrder(heights.map(at)), turns: inOrder(turns.map(at)), ...(lat === undefined ? {} : { latDeg: lat }) });
  return {
    constituents: fit.constants.map((c) => ({
      name: c.name,
      amplitudeM: round(c.amplitudeM, 5),
      phaseDeg: round(c.phaseDeg, 2),
      errorM: round(c.errorM, 5),
    })),
    z0M: round(fit.z0M, 4),
    rmsM: round(fit.rmsM, 4),
  };
}

function sky(q: z.infer<typeof labSky>) {
  const [from, to] = span(q.from, q.to, 1000);
  const days: unknown[] = [];
  for (let day = Math.floor(from / DAY) * DAY; day < to; day += DAY) {
    const s = skyDay(day, q.lat, q.lon);
    days.push({
      date: new Date(day).toISOString().slice(0, 10),
      sunrise: iso(s.sunrise),
      sunset: iso(s.sunset),
      civilDawn: iso(s.civilDawn),
      civilDusk: iso(s.civilDusk),
      moonrise: iso(s.moonrise),
      moonset: iso(s.moonset),
      moonTransit: iso(s.moonTransit),
      moonIllumination: round(s.moonIllumination, 4),
    });
  }
  return { days };
}

function itinerary({ timeLimitMs, ...problem }: z.infer<typeof labItinerary>) {
  const start = performance.now();
  const stop = timeLimitMs === undefined ? () => false : () => performance.now() - start > timeLimitMs;
  const solved = solveItinerary(problem, { stop });
  return { value: solved.value, bound: solved.bound, proved: solved.proved, ms: round(performance.now() - start, 1), legs: solved.legs };
}

function rank(q: z.infer<typeof labRank>) {
  const now = Date.parse(q.now);
  const all = [...q.stops, ...q.queries];
  const sets = q.stops.map((s) => {
    if (Date.parse(s.at) > now) throw new RangeError(`stops: a stop of ${s.at} is after now`);
    return { ...s, at: Date.parse(s.at) };
  });
  const world = {
    spots: [...new Set(all.map((s) => s.spot))].map((id) => ({ id })),
    presentations: [...new Set(all.map((s) => s.presentation))].map((id) => ({
      id,
      envelope: q.priors?.find((p) => p.presentation === id) ?? null,
    })),
    now,
  };
  const model = fitCatchRate(world, sets);
  return {
    model: { version: model.version, sets: model.sets, phi: round(model.phi, 4), dispersion: round(model.dispersion, 4) },
    results: q.queries.map((raw) => {
      const query = { ...raw, at: Date.parse(raw.at) };
      const like = likeWater(sets, query, now);
      return {
        ratePerHour: model.rate(query),
        ...rateRange(model, query),
        likeRodHours: like.rodHours,
        likeFish: like.fish,
        factors: model.factors(query).map(({ name, multiplier, fish, expected }) => ({ name, multiplier, fish, expected })),
      };
    }),
  };
}

function fleet(q: z.infer<typeof labFleet>) {
  const start = performance.now();
  const n = q.spots.length;
  const problem: FleetProblem = {
    marginSteps: q.marginSteps ?? 0,
    boats: q.boats.map((b) => {
      const steps = b.endStep - b.startStep;
      if (!(steps > 0)) throw new RangeError(`boats.${b.id}: endStep must be after startStep`);
      if (b.endStep > q.steps) throw new RangeError(`boats.${b.id}.endStep: expected at most ${q.steps}, got ${b.endStep}`);
      if (b.ratePerHour.length !== n) throw new RangeError(`boats.${b.id}.ratePerHour: expected ${n} rows, got ${b.ratePerHour.length}`);
      return {
        id: b.id,
        startStep: b.startStep,
        problem: {
          stepMin: q.stepMin,
          steps,
          minStaySteps: q.minStaySteps,
          dockTravelSteps: b.dockTravelSteps,
          travelSteps: b.travelSteps,
          spots: q.spots.map((s, i) => {
            const rates = b.ratePerHour[i] as number[];
            if (rates.length !== q.steps)
              throw new RangeError(`boats.${b.id}.ratePerHour.${i}: expected ${q.steps} values, got ${rates.length}`);
            return {
              ...s,
              ratePerHour: rates.slice(b.startStep, b.endStep),
              open: s.open
                ?.map(([from, to]) => [Math.max(0, from - b.startStep), Math.min(steps, to - b.startStep)] as const)
                .filter(([from, to]) => to > from),
            };
          }),
        },
      };
    }),
  };
  const limit = q.timeLimitMs ?? 3000;
  const plan = solveFleet(problem, { stop: () => performance.now() - start > limit });
  return {
    value: plan.value,
    bound: plan.bound,
    ms: round(performance.now() - start, 1),
    boats: plan.boats.map((b) => {
      const from = problem.boats.find((x) => x.id === b.id)?.startStep ?? 0;
      return {
        id: b.id,
        value: b.value,
        legs: b.legs.map((l) => ({
          spot: l.spot,
          arriveStep: l.arriveStep + from,
          startStep: l.startStep + from,
          departStep: l.departStep + from,
          expected: l.expected,
        })),
      };
    }),
  };
}

function stay(q: z.infer<typeof labStay>) {
  const d = decideStay(q);
  return {
    move: d.move,
    to: d.move ? d.to : null,
    rateNowPerHour: d.rateNowPerHour,
    bestAlternativePerHour: d.bestAlternativePerHour,
    reconsiderInMin: d.reconsiderInMin,
  };
}

function judged({ boat, party, conditions }: z.infer<typeof labJudge>) {
  const { gustMps, ...rest } = conditions;
  return judge(boat, party, { ...rest, windGustMps: gustMps ?? null });
}

export const CALCULATIONS: Record<string, Calculation> = {
  tide: { what: 'turns and heights of the tide from harmonic constants', schema: labTide, run: tide },
  'tide-fit': { what: 'harmonic constants from heights, or from high and low waters', schema: labTideFit, run: tideFit },
  sky: { what: 'sun, twilight and moon by UTC day', schema: labSky, run: sky },
  itinerary: { what: 'the best order of spots for one boat, with its bound', schema: labItinerary, run: itinerary },
  fleet: { what: 'all boats of a day together, with the bound', schema: labFleet, run: fleet },
  stay: { what: 'stay or move, from what has been caught so far', schema: labStay, run: stay },
  rank: { what: 'catch rates with their ranges and factors from a log', schema: labRank, run: rank },
  judge: { what: 'what speaks against a boat and its party at a place and instant', schema: labJudge, run: judged },
  verdict: {
    what: 'what a copy of the rules says of one fish',
    schema: labVerdict,
    run: (q: z.infer<typeof labVerdict>) => verdict({ ...q, rules: q.rules as Rule[] }),
  },
  ...TACKLE_CALCULATIONS,
};

function round(value: number, digits: number): number {
  return Math.round(value * 10 ** digits) / 10 ** digits;
}
