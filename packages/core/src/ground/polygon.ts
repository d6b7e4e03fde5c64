// Plane geometry of rings in any unit (even-odd rule).
import { num, row } from '../units/indexed';

type XY = readonly [number, number];

/** Whether a point lies inside a ring (closed or not). */
export function insideRing(ring: readonly XY[], [x, y]: XY): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [xi, yi] = row(ring, i);
    const [xj, yj] = row(ring, j);
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

/** Middle of a ring's corners. */
export function middleOf(points: readonly XY[]): [number, number] {
  const distinct =
    points.length > 1 && points[0]?.[0] === points.at(-1)?.[0] && points[0]?.[1] === points.at(-1)?.[1] ? points.slice(1) : points;
  const n = Math.max(1, distinct.length);
  return [distinct.reduce((s, p) => s + p[0], 0) / n, distinct.reduce((s, p) => s + p[1], 0) / n];
}

/** Point of a line at half its length. */
export function midpointOf(line: readonly XY[]): [number, number] {
  const lengths = line.slice(1).map((p, i) => Math.hypot(p[0] - row(line, i)[0], p[1] - row(line, i)[1]));
  let left = lengths.reduce((a, b) => a + b, 0) / 2;
  for (let i = 0; i < lengths.length; i++) {
    const l = num(lengths, i);
    if (left <= l && l > 0) {
      const [a, b] = [row(line, i), row(line, i + 1)];
      return [a[0] + (left / l) * (b[0] - a[0]), a[1] + (left / l) * (b[1] - a[1])];
    }
    left -= l;
  }
  return [...row(line, 0)];
}
