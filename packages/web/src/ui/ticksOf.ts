/**
 * Round values of an axis: multiples of 1, 2 or 5 times a power of ten.
 * @param most - At most so many steps between from and to.
 */
export function ticksOf(from: number, to: number, most: number): number[] {
  if (!(to > from)) return [from];
  const rough = (to - from) / most;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((m) => m * power >= rough) ?? 10) * power;
  const out: number[] = [];
  for (let i = Math.ceil(from / step); i * step <= to + step * 1e-9; i++) out.push(Number((i * step).toPrecision(8)));
  return out;
}
