// Ranks and lays a trip's day off the main thread, with the same core code as the server.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { fishedSets } from '@bluffwind/core/plan/fishedSets';
import { type DayPlan, layDay, type Pin, scoreDay } from '@bluffwind/core/plan/layDay';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { type Call, type Ranking, rankTrip, type ShutSpot } from '@bluffwind/core/plan/rankTrip';
import { expose } from 'comlink';

let inputs: PlanInputs | null = null;
let ranking: Ranking | null = null;

const SOLVER_MS = 3000;

const desk = {
  /** Takes a trip's desk and ranks it. */
  open(from: PlanDesk): { calls: readonly Call[]; shut: readonly ShutSpot[]; sets: number; ms: number } {
    const start = performance.now();
    inputs = {
      ...from,
      sets: fishedSets(
        from.evidence,
        from.spots.map((s) => s.id),
        from.presentations.map((p) => p.id),
      ),
    };
    ranking = rankTrip(inputs);
    return { calls: ranking.calls, shut: ranking.shut, sets: ranking.model.sets, ms: performance.now() - start };
  },
  /** The best day under pins and bans. */
  lay(pins: readonly Pin[], bans: readonly string[]): { plan: DayPlan; ms: number } | { refused: string } {
    if (!inputs || !ranking) return { refused: 'The trip is not open yet.' };
    const start = performance.now();
    try {
      const plan = layDay(inputs, ranking, { pins, bans, stop: () => performance.now() - start > SOLVER_MS });
      return { plan, ms: performance.now() - start };
    } catch (error) {
      if (error instanceof RangeError) return { refused: error.message };
      throw error;
    }
  },
  /** What legs as they stand are worth. */
  score(legs: readonly Pin[]): DayPlan | null {
    if (!inputs || !ranking) return null;
    try {
      return scoreDay(inputs, ranking, legs);
    } catch {
      return null;
    }
  },
};
export type PlanWorker = typeof desk;

expose(desk);
