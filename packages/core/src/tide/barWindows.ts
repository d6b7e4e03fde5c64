// Depth over a bar = charted depth + height of tide - draught - margin - half the wave height (common practice).

/** What stands between a boat's keel and the ground, m; negative means it cannot pass. */
export function clearanceM(
  chartedDepthM: number,
  tideHeightM: number,
  { draughtM, marginM = 0.5, waveM = 0 }: { draughtM: number; marginM?: number; waveM?: number },
): number {
  return chartedDepthM + tideHeightM - draughtM - marginM - waveM / 2;
}

/** Step ranges [from, to) in which a test holds, for steps 0 to count - 1. */
export function openRanges(count: number, holds: (step: number) => boolean): [number, number][] {
  const ranges: [number, number][] = [];
  let from = -1;
  for (let t = 0; t <= count; t++) {
    const open = t < count && holds(t);
    if (open && from < 0) from = t;
    if (!open && from >= 0) {
      ranges.push([from, t]);
      from = -1;
    }
  }
  return ranges;
}
