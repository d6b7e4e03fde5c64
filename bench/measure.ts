/** Prints a line. */
export const say = (text: string): void => {
  process.stdout.write(`${text}\n`);
};

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? Number.NaN;
}

/** Milliseconds of each of several runs. */
export function times(count: number, work: (i: number) => void): number[] {
  return Array.from({ length: count }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
}

/** The middle and the most of some times, in words. */
export const ms = (values: readonly number[]): string =>
  `median ${median(values).toFixed(1)} ms, most ${Math.max(...values).toFixed(1)} ms`;
