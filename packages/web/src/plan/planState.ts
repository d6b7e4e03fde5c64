// The plan on the screen with what was asked of it, and the steps by which it came there, for undo and redo.
import type { SavedPlan } from '@bluffwind/contract/plan';
import type { DayPlan, LegPart, Pin, PlanLeg } from '@bluffwind/core/plan/plannedDay';

/** A leg as the screen holds it. */
export type ShownLeg = PlanLeg;

/** A plan as it stands, saved or not. */
export interface Working extends DayPlan {
  readonly bans: readonly string[];
  /** Spots may be fished twice. */
  readonly again: boolean;
  /** Spots in the order asked for by hand, or null. */
  readonly order: readonly string[] | null;
  /** Version that it is kept as, or null. */
  readonly saved: number | null;
  /** Milliseconds that the solver took, or null. */
  readonly ms: number | null;
  /** What was done last, in words. */
  readonly by: string;
}

export interface History {
  readonly past: readonly Working[];
  readonly now: Working | null;
  readonly future: readonly Working[];
}

export type Move =
  | { readonly kind: 'show'; readonly to: Working }
  | { readonly kind: 'kept'; readonly to: Working }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' };

const MOST_STEPS = 60;

export const EMPTY: History = { past: [], now: null, future: [] };

/** Moves through the plan's history. Keeping a plan does not take the way back. */
export function move(h: History, m: Move): History {
  if (m.kind === 'show') return { past: h.now ? [...h.past, h.now].slice(-MOST_STEPS) : h.past, now: m.to, future: [] };
  if (m.kind === 'kept') return { ...h, now: m.to };
  if (m.kind === 'undo') {
    const to = h.past.at(-1);
    return to && h.now ? { past: h.past.slice(0, -1), now: to, future: [h.now, ...h.future] } : h;
  }
  const [to, ...rest] = h.future;
  return to && h.now ? { past: [...h.past, h.now], now: to, future: rest } : h;
}

/** A kept plan as the screen holds it. */
export function fromSaved(p: SavedPlan): Working {
  const parts = (l: SavedPlan['legs'][number]): LegPart[] =>
    l.parts.map((x) => ({ presentationId: x.presentationId, fromMs: Date.parse(x.fromAt), toMs: Date.parse(x.toAt) }));
  return {
    expected: p.expected,
    lo80: p.lo80,
    hi80: p.hi80,
    bound: p.bound,
    proved: p.proved,
    runMin: p.runMin,
    bans: p.bans,
    again: p.options.again,
    order: null,
    saved: p.version,
    ms: null,
    by: `plan ${p.version} as kept`,
    legs: p.legs.map((l) => ({
      spotId: l.spotId,
      presentationId: l.presentationId,
      expected: l.expected,
      lo80: l.lo80,
      hi80: l.hi80,
      pinned: l.pinned,
      parts: parts(l),
      arriveMs: Date.parse(l.arriveAt),
      startMs: Date.parse(l.startAt),
      departMs: Date.parse(l.departAt),
    })),
  };
}

/** Pins of a plan: by time, or, where an order was asked for, at any time. */
export function pinsOf(w: Pick<Working, 'legs' | 'order'> | null): Pin[] {
  if (!w) return [];
  if (w.order) return w.order.map((spotId) => ({ spotId }));
  return w.legs.filter((l) => l.pinned).map((l) => ({ spotId: l.spotId, startMs: l.startMs, departMs: l.departMs }));
}

/** Legs after one was dragged: moved in time where it still stands between the same neighbours, else put in its new order. */
export function afterDrag(
  legs: readonly ShownLeg[],
  index: number,
  byMs: number,
):
  | { readonly kind: 'time'; readonly startMs: number; readonly departMs: number }
  | { readonly kind: 'order'; readonly order: readonly string[] } {
  const leg = legs[index] as ShownLeg;
  const middle = (leg.startMs + leg.departMs) / 2 + byMs;
  const others = legs.filter((_, i) => i !== index);
  const place = others.filter((l) => (l.startMs + l.departMs) / 2 < middle).length;
  if (place === index) return { kind: 'time', startMs: leg.startMs + byMs, departMs: leg.departMs + byMs };
  const order = others.map((l) => l.spotId);
  order.splice(place, 0, leg.spotId);
  return { kind: 'order', order };
}

/** What is asked after a spot is banned, or allowed again: its leg gives way, and so does its place in an order by hand. */
export function afterBan(
  shown: Pick<Working, 'bans' | 'legs' | 'order'> | null,
  spotId: string,
): Pick<Working, 'bans' | 'legs' | 'order' | 'by'> {
  const was = shown?.bans ?? [];
  const banned = was.includes(spotId);
  return {
    bans: banned ? was.filter((b) => b !== spotId) : [...was, spotId],
    legs: (shown?.legs ?? []).map((l) => (l.spotId === spotId ? { ...l, pinned: false } : l)),
    order: shown?.order?.filter((id) => id !== spotId) ?? null,
    by: banned ? 'allowed again' : 'banned',
  };
}

/** The plan with a spot's leg held or let go; null where it has no such leg, and the day must be laid to hold one. */
export function afterPin(shown: Working | null, spotId: string): Working | null {
  if (!shown?.legs.some((l) => l.spotId === spotId)) return null;
  const legs = shown.legs.map((l) => (l.spotId === spotId ? { ...l, pinned: !l.pinned } : l));
  return { ...shown, order: null, saved: null, legs, by: 'pinned' };
}
