import { type HangingLine, type LineInCurrent, plumbLine } from './plumbLine';

/** What a box of weights does in a current: the lightest that holds, and how it and the next lighter one hang. */
export interface Held {
  readonly sinkerG: number;
  readonly hangs: HangingLine;
  /** The next lighter of the box; null for the lightest. */
  readonly lighter: { readonly sinkerG: number; readonly hangs: HangingLine | null } | null;
}

/**
 * The lightest weight of a box that keeps the line within an angle of plumb; null when none does.
 * @param boxG - Weights, g, in any order. @param withinDeg - Greatest angle at the surface from the vertical, 1 to 85 degrees.
 * @throws RangeError as of {@link plumbLine}, and for an empty box.
 */
export function weightToHold(water: Omit<LineInCurrent, 'sinkerG'>, boxG: readonly number[], withinDeg: number): Held | null {
  if (boxG.length === 0) throw new RangeError('boxG: expected at least one weight, got none');
  const box = [...new Set(boxG)].sort((a, b) => a - b);
  let lighter: Held['lighter'] = null;
  for (const sinkerG of box) {
    const hangs = hangsOrNot({ ...water, sinkerG });
    if (hangs && hangs.angleDeg <= withinDeg) return { sinkerG, hangs, lighter };
    lighter = { sinkerG, hangs };
  }
  return null;
}

/** How a line hangs; null where the current carries it off. */
export function hangsOrNot(line: LineInCurrent): HangingLine | null {
  try {
    return plumbLine(line);
  } catch (e) {
    if (e instanceof RangeError && e.message.startsWith('sinkerG: expected a weight that reaches')) return null;
    throw e;
  }
}
