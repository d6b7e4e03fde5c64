// Ranks, lays and tries a trip's day off the main thread, with the same core code as the server.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { type BacktestSummary, type Foretold, foretellDay, summariseBacktest } from '@bluffwind/core/catchrate/backtest';
import { daySentences } from '@bluffwind/core/plan/daySentences';
import { type BigLureHours, bigLureHours } from '@bluffwind/core/plan/bigLureHours';
import type { DayPlan, LayOptions, TimedPin } from '@bluffwind/core/plan/plannedDay';
import { layDay, scoreDay } from '@bluffwind/core/plan/layDay';
import { legTracks } from '@bluffwind/core/plan/legTracks';
import { type DayRisk, notKnownOfTrip, riskOfLegs } from '@bluffwind/core/plan/legRisk';
import { type NaiveDay, naiveDay } from '@bluffwind/core/plan/naiveDay';
import { fitSentence, rodRoles, type RodRole } from '@bluffwind/core/plan/partyFit';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { type Call, type Ranking, rankTrip, type ShutSpot, worldOf } from '@bluffwind/core/plan/rankTrip';
import { type RestAsked, type RestOfDay, restOfDay } from '@bluffwind/core/plan/restOfDay';
import { scenariosOf } from '@bluffwind/core/plan/scenarios';
import { type Outcome, type Trigger, triggersOf, tryScenario } from '@bluffwind/core/plan/whatWouldChange';
import { whyNot } from '@bluffwind/core/plan/whyNot';
import type { Quantity } from '@bluffwind/core/risk/judge';
import { DAY } from '@bluffwind/core/units/time';
import type { TripRigs } from '@bluffwind/contract/rigs';
import { type DayRigs, dayRigs } from '@bluffwind/core/tackle/dayRigs';
import { expose } from 'comlink';
import { breathe } from './breathe';
import { deskInputs } from './deskInputs';
import { plannedSpots } from './plannedSpots';
import { keptLegs } from './keptLegs';

let desk: PlanDesk | null = null;
let inputs: PlanInputs | null = null;
let ranking: Ranking | null = null;
/** Raised by each new question about changes, so that an older one stops. */
let asked = 0;

const SOLVER_MS = 3000;

/** A plan, or why there is none. */
export type Laid = { readonly plan: DayPlan; readonly ms: number } | { readonly refused: string };

export interface ChangesSoFar {
  readonly triggers: readonly Trigger[];
  readonly done: number;
  readonly of: number;
}

function answer(work: (i: PlanInputs, r: Ranking) => DayPlan): Laid {
  if (!inputs || !ranking) return { refused: 'The trip is not open yet.' };
  const start = performance.now();
  try {
    return { plan: work(inputs, ranking), ms: performance.now() - start };
  } catch (error) {
    if (error instanceof RangeError) return { refused: error.message };
    throw error;
  }
}

const worker = {
  /** Takes a trip's desk and ranks it. */
  open(from: PlanDesk): {
    calls: readonly Call[];
    shut: readonly ShutSpot[];
    notKnown: readonly Quantity[];
    sets: number;
    halfLifeDays: number;
    ms: number;
  } {
    const start = performance.now();
    desk = from;
    inputs = deskInputs(from);
    ranking = rankTrip(inputs, { aboard: from.aboard ?? undefined });
    const { model } = ranking;
    return {
      calls: ranking.calls,
      shut: ranking.shut,
      notKnown: notKnownOfTrip(inputs, ranking),
      sets: model.sets,
      halfLifeDays: model.driftHalfLifeDays,
      ms: performance.now() - start,
    };
  },
  /** The best day under pins, bans and order. */
  lay(options: Omit<LayOptions, 'stop'>): Laid {
    const start = performance.now();
    return answer((i, r) => layDay(i, r, { ...options, stop: () => performance.now() - start > SOLVER_MS }));
  },
  /** What legs as they stand are worth. */
  score(legs: readonly TimedPin[]): Laid {
    return answer((i, r) => scoreDay(i, r, legs));
  },
  /** The rest of a trip that is under way, beside what its plan's own stops still give. */
  rest(asked: RestAsked): RestOfDay | { readonly refused: string } {
    if (!inputs || !ranking) return { refused: 'The trip is not open yet.' };
    try {
      return restOfDay(inputs, ranking, asked);
    } catch (error) {
      if (error instanceof RangeError) return { refused: error.message };
      throw error;
    }
  },
  naive(plan: DayPlan | null): NaiveDay | null {
    return inputs && ranking ? naiveDay(inputs, ranking, plan) : null;
  },
  whyNot(spotId: string, legs: readonly { spotId: string }[]): string {
    return inputs && ranking ? whyNot(inputs, ranking, spotId, legs) : '';
  },
  fit(plan: DayPlan): { sentence: string; roles: readonly RodRole[] } {
    if (!inputs || !ranking || !desk) return { sentence: '', roles: [] };
    return { sentence: fitSentence(inputs, ranking, plan, desk.guests), roles: rodRoles(desk.guests, inputs.rods) };
  },
  /** The plan in three sentences, what speaks against its stops and ways, and how lines are fished under way. */
  told(plan: DayPlan): {
    sentences: readonly string[];
    risk: DayRisk | null;
    tracks: ReturnType<typeof legTracks>;
    bigLures: BigLureHours | null;
  } {
    if (!inputs || !ranking) return { sentences: [], risk: null, tracks: [], bigLures: null };
    return {
      sentences: daySentences(inputs, ranking, plan),
      risk: riskOfLegs(inputs, ranking, plan.legs),
      tracks: legTracks(inputs, ranking, plan.legs),
      bigLures: bigLureHours(inputs, ranking, plan.legs[0]?.spotId),
    };
  },
  /** What would change a plan, told as it becomes known. A newer question ends an older one. */
  async changes(plan: DayPlan, options: Omit<LayOptions, 'stop'>, told: (so: ChangesSoFar) => void): Promise<void> {
    const mine = ++asked;
    if (!inputs || !ranking || !desk) return;
    const scenarios = scenariosOf(inputs.water, desk.members, plannedSpots(desk, plan.legs));
    const outcomes: Outcome[] = [];
    for (const [k, scenario] of scenarios.entries()) {
      await breathe();
      if (mine !== asked) return;
      const outcome = tryScenario(inputs, ranking, plan, scenario, options);
      if (outcome) outcomes.push(outcome);
      if (k % 4 === 3 || k === scenarios.length - 1)
        told({ triggers: triggersOf(inputs, plan, outcomes), done: k + 1, of: scenarios.length });
    }
  },
  /** Every rig of the kept plan, and the list of the night before; null where no plan is kept. */
  rigs(extra: TripRigs): DayRigs | null {
    if (!inputs || !ranking || !desk?.saved) return null;
    const { children, nonSwimmers } = desk.party;
    // What a phone has kept from before losses were counted has none.
    return dayRigs(
      inputs,
      ranking,
      keptLegs(desk.saved),
      { ...extra, losses: extra.losses ?? [] },
      {
        species: desk.species,
        guests: desk.guests.length,
        children,
        nonSwimmers,
      },
    );
  },
  /** The last days foretold from what was known before each, told day by day. */
  async backtest(
    days: number,
    told: (so: { summary: BacktestSummary | null; rows: readonly Foretold[]; done: number; of: number }) => void,
  ): Promise<void> {
    if (!inputs) return;
    const world = worldOf(inputs);
    const rows: Foretold[] = [];
    const fished = [...new Set(inputs.sets.map((s) => Math.floor(s.at / DAY)))].sort((a, b) => a - b).slice(-days);
    for (const [k, day] of fished.entries()) {
      await breathe();
      rows.push(...foretellDay({ ...world, now: day * DAY }, inputs.sets, (day + 1) * DAY));
      told({ summary: summariseBacktest(rows), rows, done: k + 1, of: fished.length });
    }
  },
};
export type PlanWorker = typeof worker;

expose(worker);
