/** Widths of a step of lengths, mm, the finest first. */
import { nth } from '../units/indexed';
const WIDTHS = [10, 20, 50, 100, 200] as const;
const MOST_STEPS = 24;

/** Fish of each step of length, from the smallest to the largest, empty steps too. @param lengthsMm - Above 0. */
export function sizeSteps(lengthsMm: readonly number[]): { fromMm: number; toMm: number; fish: number }[] {
  if (lengthsMm.length === 0) return [];
  let [least, most] = [Number.POSITIVE_INFINITY, 0];
  for (const mm of lengthsMm) [least, most] = [Math.min(least, mm), Math.max(most, mm)];
  const width = WIDTHS.find((w) => Math.floor(most / w) - Math.floor(least / w) < MOST_STEPS) ?? 200;
  const first = Math.floor(least / width);
  const steps = Array.from({ length: Math.floor(most / width) - first + 1 }, (_, i) => ({
    fromMm: (first + i) * width,
    toMm: (first + i + 1) * width,
    fish: 0,
  }));
  for (const mm of lengthsMm) nth(steps, Math.floor(mm / width) - first).fish++;
  return steps;
}
