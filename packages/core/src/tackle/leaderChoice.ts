// Which leader (or hook, or lure) lands most, from counts of its own: lighter gets more bites, too light loses more than it gains (P9). Bites
// come at a rate (Gamma), a bite is hooked and a hooked fish landed with a chance (Beta); the chance to be the best is counted over seeded
// draws of all three, so that thin counts stay open.
import { drawsFrom } from '../units/draws';
import { inRange, overNothing } from '../units/inRange';
import { seeded } from '../units/seeded';

/** What was counted of one strength. */
export interface StrengthCount {
  readonly kg: number;
  readonly rodHours: number;
  readonly bites: number;
  readonly hooked: number;
  readonly landed: number;
}

/** What is believed before anything is counted: so many events in so many hours, or so many of either outcome. */
export interface LeaderPriors {
  /** Bites, and rod-hours they took. */
  readonly bites?: { readonly a: number; readonly b: number };
  /** Bites that were hooked, and that were not. */
  readonly hook?: { readonly a: number; readonly b: number };
  /** Hooked fish that were landed, and that were lost. */
  readonly land?: { readonly a: number; readonly b: number };
}

export interface StrengthResult {
  readonly kg: number;
  readonly bitesPerHour: number;
  readonly chanceToHook: number;
  readonly chanceToLand: number;
  readonly landedPerHour: number;
  /** Chance that this one lands most of those compared, 0 to 1. */
  readonly chanceToBeBest: number;
}

const DRAWS = 40_000;
const PRIORS = { bites: { a: 1, b: 1 }, hook: { a: 1, b: 1 }, land: { a: 3, b: 1 } } as const;

/**
 * Compares strengths; `choice` is the kg of the one that lands most an hour as it is known now.
 * @throws RangeError for no strengths, negative counts, and more hooked than bit or landed than hooked.
 */
export function leaderChoice(
  strengths: readonly StrengthCount[],
  priors: LeaderPriors = {},
): { readonly strengths: readonly StrengthResult[]; readonly choice: number } {
  if (strengths.length === 0) throw new RangeError('strengths: expected at least one, got none');
  const { bites = PRIORS.bites, hook = PRIORS.hook, land = PRIORS.land } = priors;
  for (const [name, p] of Object.entries({ bites, hook, land })) {
    overNothing(`priors.${name}.a`, p.a);
    overNothing(`priors.${name}.b`, p.b);
  }
  strengths.forEach((s, i) => {
    overNothing(`strengths.${i}.kg`, s.kg, 'kg');
    inRange(`strengths.${i}.rodHours`, s.rodHours, 0, 1e6, 'h');
    inRange(`strengths.${i}.bites`, s.bites, 0, 1e6);
    inRange(`strengths.${i}.hooked`, s.hooked, 0, s.bites, 'bites');
    inRange(`strengths.${i}.landed`, s.landed, 0, s.hooked, 'hooked');
  });
  const known = strengths.map((s) => ({
    bites: { a: bites.a + s.bites, b: bites.b + s.rodHours },
    hook: { a: hook.a + s.hooked, b: hook.b + s.bites - s.hooked },
    land: { a: land.a + s.landed, b: land.b + s.hooked - s.landed },
  }));
  const share = (p: { a: number; b: number }) => p.a / (p.a + p.b);
  const best = bestOf(known);
  const results = strengths.map((s, i): StrengthResult => {
    const k = known[i] ?? { bites, hook, land };
    const bitesPerHour = k.bites.a / k.bites.b;
    const [chanceToHook, chanceToLand] = [share(k.hook), share(k.land)];
    const landedPerHour = bitesPerHour * chanceToHook * chanceToLand;
    return { kg: s.kg, bitesPerHour, chanceToHook, chanceToLand, landedPerHour, chanceToBeBest: best[i] ?? 0 };
  });
  const choice = results.reduce((a, b) => (b.landedPerHour > a.landedPerHour ? b : a)).kg;
  return { strengths: results, choice };
}

interface Known {
  readonly bites: { readonly a: number; readonly b: number };
  readonly hook: { readonly a: number; readonly b: number };
  readonly land: { readonly a: number; readonly b: number };
}

function bestOf(known: readonly Known[]): number[] {
  if (known.length === 1) return [1];
  const draws = drawsFrom(seeded(20_260_618));
  const won = known.map(() => 0);
  for (let n = 0; n < DRAWS; n++) {
    let best = 0;
    let most = Number.NEGATIVE_INFINITY;
    known.forEach((k, i) => {
      const landed = (draws.gamma(k.bites.a) / k.bites.b) * draws.beta(k.hook.a, k.hook.b) * draws.beta(k.land.a, k.land.b);
      if (landed > most) [best, most] = [i, landed];
    });
    won[best] = (won[best] ?? 0) + 1;
  }
  return won.map((w) => w / DRAWS);
}

/**
 * How many rod-hours more on each of two strengths would tell them apart nine times in ten, if what is known now were the truth; null when they
 * are alike or 500 hours would not do. Twice the normal 90 % point over the difference of the rates (counts fall at random).
 */
export function hoursToTell(a: StrengthResult, b: StrengthResult, fishedH: number): number | null {
  const apart = Math.abs(a.landedPerHour - b.landedPerHour);
  if (apart < 1e-9) return null;
  const needed = (1.2816 / apart) ** 2 * (a.landedPerHour + b.landedPerHour);
  const more = Math.max(0, needed - fishedH);
  return more > 500 ? null : more;
}
