// Who is aboard and how the plan fits them, in a sentence.
import { expectedWithin } from '../catchrate/expectedWithin';
import type { DayPlan } from './plannedDay';
import { patienceOf } from './itineraryProblem';
import type { PlanInputs } from './planInputs';
import { type Ranking, stepAt, stepsOf } from './rankTrip';
import { saidTime } from '../units/measure';
import { nth } from '../units/indexed';

/** A guest as planning sees one. */
export interface Guest {
  readonly name: string;
  /** 1 first time to 3 knows his way. */
  readonly experience: number;
  readonly child: boolean;
  readonly hand: 'left' | 'right' | null;
}

/** A rod and whose it is first. */
export interface RodRole {
  readonly rod: number;
  readonly guest: string;
  readonly role: string;
  /** Left-hand crank wanted. */
  readonly leftHanded: boolean;
}

/** Longest wait between fish that a child stands, minutes; a first-timer's and a practised angler's. */
const PATIENCE_MIN = { child: 25, first: 40, practised: 90 } as const;

/** Patience of a party when nobody has said it, minutes; null when there are no guests. */
export function usualPatience(guests: readonly Pick<Guest, 'experience' | 'child'>[], goal: string): number | null {
  if (guests.length === 0 || goal === 'size') return null;
  if (guests.some((g) => g.child)) return PATIENCE_MIN.child;
  return guests.some((g) => g.experience === 1) ? PATIENCE_MIN.first : PATIENCE_MIN.practised;
}

/** Rods in turn: children and first-timers first, the most practised try the second bait. */
export function rodRoles(guests: readonly Guest[], rods: number): RodRole[] {
  const order = [...guests].sort((a, b) => Number(b.child) - Number(a.child) || a.experience - b.experience || (a.name < b.name ? -1 : 1));
  if (order.length === 0) return [];
  return Array.from({ length: rods }, (_, i) => {
    const g = nth(order, i % order.length);
    const last = i === rods - 1 && rods > 1;
    return { rod: i + 1, guest: g.name, role: last ? 'second bait' : 'first bait', leftHanded: g.hand === 'left' };
  });
}

/** Longest wait for a fish that a plan's rates let expect while fishing, minutes; null without legs. */
export function longestWaitMin(inputs: PlanInputs, ranking: Ranking, plan: Pick<DayPlan, 'legs'>): number | null {
  let least = Number.POSITIVE_INFINITY;
  const steps = stepsOf(inputs);
  for (const leg of plan.legs) {
    const s = inputs.spots.findIndex((x) => x.id === leg.spotId);
    const fade = inputs.spots[s]?.fadePerHour ?? 0;
    for (let t = 0; t < steps; t++) {
      const at = stepAt(inputs, t);
      if (at < leg.startMs || at >= leg.departMs) continue;
      const part = leg.parts.find((p) => at >= p.fromMs && at < p.toMs);
      const bait = ranking.baits.findIndex((b) => inputs.presentations[b]?.id === (part?.presentationId ?? leg.presentationId));
      const rate = (ranking.rates[s]?.[bait]?.[t] ?? 0) * inputs.rods * Math.exp((-fade * (at - leg.startMs)) / 3_600_000);
      if (rate > 0) least = Math.min(least, rate);
    }
  }
  return Number.isFinite(least) ? 60 / least : null;
}

/** The plan's fit to its party, in one sentence. */
export function fitSentence(
  inputs: PlanInputs,
  ranking: Ranking,
  plan: Pick<DayPlan, 'legs' | 'expected'>,
  guests: readonly Guest[],
): string {
  const children = guests.filter((g) => g.child).length;
  const firsts = guests.filter((g) => !g.child && g.experience === 1).length;
  const who = [
    children > 0 ? `${children} ${children === 1 ? 'child' : 'children'}` : '',
    firsts > 0 ? `${firsts} for the first time` : '',
    guests.some((g) => g.hand === 'left') ? 'a left hand' : '',
  ].filter((x) => x !== '');
  const wait = longestWaitMin(inputs, ranking, plan);
  const patience = patienceOf(inputs);
  const used = new Set(plan.legs.flatMap((l) => (l.parts.length > 0 ? l.parts.map((p) => p.presentationId) : [l.presentationId])));
  const hardest = Math.max(1, ...inputs.presentations.filter((p) => used.has(p.id)).map((p) => p.skill));
  const skill = nth(['anyone can fish its baits', 'its baits ask for some practice', 'its baits are for experts'], hardest - 1);
  const parts = [
    who.length > 0 ? `For ${who.join(', ')}: ` : '',
    wait === null ? '' : `${waitWords(wait, plan)}${patience === null ? '' : `, they stand ${patience} min`}; `,
    `${skill}.`,
    bagWords(inputs, ranking, plan),
  ];
  const text = parts.join('');
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** How long they wait at the slowest; longer than any stop is, is no wait but a stop without a fish. */
function waitWords(wait: number, plan: Pick<DayPlan, 'legs'>): string {
  const longest = Math.max(...plan.legs.map((l) => (l.departMs - l.startMs) / 60_000));
  if (wait >= longest) return 'at its slowest a whole stop may go by without a fish';
  return `a fish is to be expected every ${Math.round(wait)} min at the slowest`;
}

/** What of a day's fish the bag lets the party keep, and when it is likely full; empty when nothing limits it. */
function bagWords(inputs: PlanInputs, ranking: Ranking, plan: Pick<DayPlan, 'legs' | 'expected'>): string {
  if (inputs.bag === null) return '';
  const kept = expectedWithin(plan.expected, ranking.model.dispersion * Math.max(1, plan.legs.length), inputs.bag);
  let sum = 0;
  const full = plan.legs.find((l) => {
    sum += l.expected;
    return sum >= (inputs.bag ?? 0);
  });
  const when = full ? `, likely full by ${saidTime(full.departMs, inputs.zone)}; what comes then goes back` : '';
  return ` To be kept: ${kept.toFixed(1)} of the ${plan.expected.toFixed(1)} fish, within the bag of ${inputs.bag} by the crew's copy of the rules${when}.`;
}
