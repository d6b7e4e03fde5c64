// Where the water warms first: each spot's own temperature through a day (common practice: half a degree matters).
import { MINUTE } from '../units/time';
import type { SpotConditions, SpotGround } from './spotConditions';

/** How one spot warms over a span. */
export interface Warming<S> {
  readonly spot: S;
  /** Lowest temperature and when, then the highest after it, C. */
  readonly lowC: number;
  readonly lowAtMs: number;
  readonly highC: number;
  readonly highAtMs: number;
  readonly gainC: number;
  /** Standard deviation of the highest, C. */
  readonly sdC: number;
  /** When it is half a degree over its lowest; null when it never is. */
  readonly warmAtMs: number | null;
}

const STEP = 15 * MINUTE;
const WARM_C = 0.5;

/** Spots in the order in which they warm: the first to be half a degree over the night's lowest comes first. */
export function warmingOrder<S extends SpotGround>(
  at: (spot: SpotGround, atMs: number) => SpotConditions,
  spots: readonly S[],
  fromMs: number,
  toMs: number,
): Warming<S>[] {
  const out: Warming<S>[] = [];
  for (const spot of spots) {
    const track: { t: number; c: number; sd: number }[] = [];
    for (let t = fromMs; t <= toMs; t += STEP) {
      const c = at(spot, t);
      if (c.waterTempC !== null) track.push({ t, c: c.waterTempC, sd: c.waterTempSdC ?? 0 });
    }
    if (track.length < 2) continue;
    // The lowest that still has some of the span after it to warm in.
    const morning = track.slice(0, Math.max(1, Math.floor(track.length * 0.75)));
    const low = morning.reduce((a, b) => (b.c < a.c ? b : a));
    const after = track.filter((p) => p.t >= low.t);
    const high = after.reduce((a, b) => (b.c > a.c ? b : a));
    out.push({
      spot,
      lowC: low.c,
      lowAtMs: low.t,
      highC: high.c,
      highAtMs: high.t,
      gainC: high.c - low.c,
      sdC: high.sd,
      warmAtMs: after.find((p) => p.c >= low.c + WARM_C)?.t ?? null,
    });
  }
  const when = (w: Warming<S>) => w.warmAtMs ?? Number.POSITIVE_INFINITY;
  return out.sort((a, b) => (when(a) === when(b) ? b.gainC - a.gainC : when(a) - when(b)));
}
