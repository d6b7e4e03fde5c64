// A plan in three sentences, made from its own numbers: where it starts, where its best hours are, and what ends or turns it.
import { waterStateOf } from '../conditions/waterRecord';
import { compassPoint, turnDeg } from '../units/angle';
import { HOUR, MINUTE } from '../units/time';
import { sampleWind } from '../weather/wind';
import type { DayPlan, PlanLeg } from './plannedDay';
import type { PlanInputs } from './planInputs';
import { shutBy, shutReason } from './openSteps';
import { type Ranking, STEP_MS } from './rankTrip';
import { said, saidTime } from '../units/measure';

const SHARES: readonly (readonly [number, string])[] = [
  [0.85, 'nearly all'],
  [0.62, 'two thirds'],
  [0.45, 'half'],
  [0.29, 'a third'],
  [0.2, 'a quarter'],
];
/** A wind that goes round by this much, or gets up by that much, is spoken of (common practice). */
const ROUND_DEG = 50;
const UP_MPS = 3;
/** A turn is told to the half hour. */
const TURN_MS = HOUR / 2;
/** A day that is over so long before the boat must be back is explained. */
const EARLY_MS = 45 * MINUTE;
const COMPASS: Record<string, string> = {
  N: 'north',
  NE: 'north-east',
  E: 'east',
  SE: 'south-east',
  S: 'south',
  SW: 'south-west',
  W: 'west',
  NW: 'north-west',
};

/** Fish as a guide says them: whole from ten on, halves below. */
export function aboutFish(value: number): string {
  if (value >= 9.75) return value.toFixed(0);
  return value >= 0.75 ? String(Math.round(value * 2) / 2) : 'less than one';
}

/** Three sentences, or none for a plan without stops. */
export function daySentences(inputs: PlanInputs, ranking: Ranking, plan: Pick<DayPlan, 'legs' | 'expected' | 'lo80' | 'hi80'>): string[] {
  const first = plan.legs[0];
  const last = plan.legs.at(-1);
  if (!first || !last) return [];
  const clock = (ms: number) => saidTime(ms, inputs.zone);
  const name = (l: PlanLeg) => inputs.spots.find((s) => s.id === l.spotId)?.name ?? 'a kept spot';
  const bait = (l: PlanLeg) => inputs.presentations.find((p) => p.id === l.presentationId)?.name.split(',')[0] ?? 'what is aboard';
  const best = plan.legs.reduce((a, b) => (b.expected > a.expected ? b : a));
  const share = plan.expected > 0 ? best.expected / plan.expected : 0;
  const part = SHARES.find(([from]) => share >= from)?.[1] ?? 'the most';
  const whole = `about ${aboutFish(plan.expected)} fish (${plan.lo80} to ${plan.hi80})`;
  const stage = stageWords(inputs, ranking, best);
  const out = [`Start at ${name(first)} with ${bait(first)}, lines in at ${clock(first.startMs)}.`];
  out.push(
    plan.legs.length === 1
      ? `The whole day is there: ${whole}${stage === '' ? '' : `, ${stage}`}.`
      : `From ${clock(best.startMs)} ${stage === '' ? '' : `${stage} `}${best === first ? 'it' : name(best)} gives ${part} of the day’s fish; in all ${whole}.`,
  );
  const early = earlyWords(inputs, ranking, last);
  const turn = windTurn(inputs);
  const next = turn === null ? undefined : plan.legs.find((l) => l.departMs > turn.atMs);
  const before = turn === null ? undefined : plan.legs.filter((l) => l.departMs <= turn.atMs).at(-1);
  // The boat goes on as it turns: not where it lay there long before.
  if (turn && next && before && next.startMs >= turn.atMs - TURN_MS)
    out.push(`When the wind ${turn.words} about ${clock(turn.atMs)}, go to ${name(next)}; lines up at ${clock(last.departMs)}${early}.`);
  else if (turn)
    out.push(`The wind ${turn.words} about ${clock(turn.atMs)}; lines up at ${clock(last.departMs)} at ${name(last)}${early}.`);
  else out.push(`Lines up at ${clock(last.departMs)} at ${name(last)}${early}${early === '' ? ', with much the same wind all day' : ''}.`);
  return out;
}

/** Why a day ends long before the trip does; empty when it does not. */
function earlyWords(inputs: PlanInputs, ranking: Ranking, last: PlanLeg): string {
  const s = inputs.spots.findIndex((x) => x.id === last.spotId);
  if (inputs.endsAt - last.departMs - (inputs.dockTravelMin[s] ?? 0) * MINUTE < EARLY_MS) return '';
  const step = Math.ceil((last.departMs + EARLY_MS / 2 - inputs.startsAt) / STEP_MS);
  const shut = inputs.spots.map((spot, i) =>
    inputs.dockTravelMin[i] === null ? null : (shutBy(inputs, spot, ranking.conditionsAt(i, step)) ?? 'open'),
  );
  const found = shut.flatMap((x) => (x === null || x === 'open' ? [] : [shutReason(x)]));
  if (shut.includes('open') || found.length === 0) return '; no other spot is worth the run after that';
  const most = [...new Set(found)].sort((a, b) => found.filter((x) => x === b).length - found.filter((x) => x === a).length)[0];
  return `; after that no spot is within this party’s limits: ${most}`;
}

function stageWords(inputs: PlanInputs, ranking: Ranking, leg: PlanLeg): string {
  const s = inputs.spots.findIndex((x) => x.id === leg.spotId);
  const middle = Math.floor(((leg.startMs + leg.departMs) / 2 - inputs.startsAt) / STEP_MS);
  const c = s < 0 ? null : ranking.conditionsAt(s, middle);
  if (!c || c.tideStage === null) return '';
  const run = c.tideStage < 0.5 ? 'run-in' : 'run-out';
  if ((c.tidePush ?? 0) >= 0.75) return `with the ${run} at its strongest`;
  return (c.sinceTurnH ?? 9) < 1 ? `with the first of the ${run}` : `on the ${run}`;
}

/** When the wind of a trip goes round or gets up, to the half hour, and how; null when it stays as it is or is not known. */
function windTurn(inputs: PlanInputs): { atMs: number; words: string } | null {
  const { wind } = waterStateOf({ ...inputs.water, tide: null, currents: [] });
  const [a, b] = [sampleWind(wind, inputs.startsAt), sampleWind(wind, inputs.endsAt)];
  if (!a || !b) return null;
  const round = Math.abs(turnDeg(a.fromDeg, b.fromDeg)) >= ROUND_DEG && b.mps >= 2;
  if (!round && b.mps - a.mps < UP_MPS) return null;
  for (let t = inputs.startsAt; t <= inputs.endsAt; t += TURN_MS) {
    const w = sampleWind(wind, t);
    if (!w) continue;
    const half = round ? Math.abs(turnDeg(w.fromDeg, b.fromDeg)) < Math.abs(turnDeg(w.fromDeg, a.fromDeg)) : w.mps >= (a.mps + b.mps) / 2;
    if (half)
      return {
        atMs: t,
        words: round ? `goes round to the ${COMPASS[compassPoint(b.fromDeg)]}` : `gets up to ${said(b.mps, 'wind', 0)}`,
      };
  }
  return null;
}
