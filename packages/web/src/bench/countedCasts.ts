// Casts of a bare bomb as the address holds them, the soundings they give and their picture.
import { countDown, type CountedCast } from '@bluffwind/core/tackle/countDown';
import { inRange } from '@bluffwind/core/units/inRange';
import { amount } from '../data/units';
import type { Plot } from './sum';

const MOST_CASTS = 200;
/** Farther than any cast, m; longer than any count, s. */
const FARTHEST_M = 300;
const LONGEST_S = 120;
/** How much wider than its farthest cast the picture is: the depth beside that has room on a phone too. */
const ROOM = 1.5;

/** Reads casts as they were written down, "bearing~distance~seconds" each. */
export const castsRead = (text: string): CountedCast[] =>
  text
    .split(';')
    .slice(0, MOST_CASTS)
    .map((row) => {
      const [bearingDeg = 0, distanceM = 0, seconds = 0] = row.split('~').map((v) => Number(v) || 0);
      return { bearingDeg, distanceM, seconds };
    });

/** Writes casts down. */
export const castsWritten = (casts: readonly CountedCast[]): string =>
  casts.map((c) => `${c.bearingDeg}~${c.distanceM}~${c.seconds}`).join(';');

/** A sounding of each cast, or what is wrong with one of them. */
export function soundingsOf(bombMps: number, place: { lat: number; lon: number }, casts: readonly CountedCast[]) {
  try {
    casts.forEach((c, i) => {
      inRange(`cast ${i + 1}: distance`, c.distanceM, 1, FARTHEST_M, 'm');
      inRange(`cast ${i + 1}: count`, c.seconds, 0.2, LONGEST_S, 's');
    });
    return countDown({ bombMps }, place, casts);
  } catch (e) {
    if (e instanceof RangeError) return e.message;
    throw e;
  }
}

/** The casts from above, round whoever stands there. */
export function plotOf(casts: readonly CountedCast[], depths: readonly number[]): Plot {
  const far = Math.max(10, ...casts.map((c) => c.distanceM)) * ROOM;
  const at = (c: CountedCast): readonly [number, number] => [
    far + c.distanceM * Math.sin((c.bearingDeg * Math.PI) / 180),
    far - c.distanceM * Math.cos((c.bearingDeg * Math.PI) / 180),
  ];
  return {
    kind: 'top',
    widthM: far * 2,
    heightM: far * 2,
    paths: casts.map((c) => ({ points: [[far, far] as const, at(c)], look: 'dashed' as const })),
    marks: [
      { x: far, y: far, text: 'you', look: 'boat', side: 'below' },
      ...casts.map((c, i) => ({
        x: at(c)[0],
        y: at(c)[1],
        text: depths[i] === undefined ? '' : amount(depths[i], 'depth', 1),
        look: 'weight' as const,
        side: 'right' as const,
      })),
    ],
    handles: [],
  };
}
