import { type StayAdvice, type StayQuestion, stayOrMove } from './stayOrMove';
import { type StayTable, stayTable, TABLE_STEP_MIN } from './stayTable';
import { num } from '../units/indexed';

export interface StayDecision extends StayAdvice {
  /** Fish in the next minutes that would change an advice to move, or null when none would. */
  readonly fishToStay: number | null;
}

/**
 * The table decides, the rule gives the figures of the sentence.
 * @param table - Of this stay, made on arrival for as many minutes as were left then; made anew when absent.
 */
export function decideStay(q: StayQuestion, table?: StayTable): StayDecision {
  const rule = stayOrMove(q);
  const made = table ?? stayTable(q.belief, q.fadePerHour, q.minutesFished + q.minutesLeft, q.alternatives, q.ahead);
  const last = made.leastToStay.length - 1;
  const at = Math.min(last, Math.round(q.minutesFished / TABLE_STEP_MIN));
  const needed = (t: number) => num(made.leastToStay, Math.min(last, t));
  const wanted = made.to[at] ?? null;
  // What the table had in mind may be shut by now: then the rule's best is gone to.
  const to = wanted !== null && q.alternatives.some((x) => x.id === wanted) ? wanted : rule.to;
  const move = to !== null && q.fish < needed(at);
  let reconsiderInMin: number | null = null;
  if (!move) {
    let t = at + 1;
    while (t < last && q.fish >= needed(t)) t++;
    reconsiderInMin = Math.max(TABLE_STEP_MIN, Math.min(60, (t - at) * TABLE_STEP_MIN));
  }
  const soon = needed(at + 2) - q.fish;
  return {
    move,
    to: move ? to : rule.to,
    rateNowPerHour: rule.rateNowPerHour,
    bestAlternativePerHour: rule.bestAlternativePerHour,
    reconsiderInMin,
    fishToStay: move && soon > 0 && soon <= 3 ? soon : null,
  };
}
