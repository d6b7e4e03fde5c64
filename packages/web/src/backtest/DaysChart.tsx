import type { Foretold } from '@bluffwind/core/catchrate/backtest';
import { localDate } from '@bluffwind/core/units/time';
import { AmountChart } from '../ui/AmountChart';
import { dateName, fish } from '../ui/format';

/** Fish of each day that was foretold: expected as bars, what came as points. */
export function DaysChart({ rows, zone }: { rows: readonly Foretold[]; zone: string }) {
  const days = new Map<string, { expected: number; came: number }>();
  for (const r of rows) {
    const date = localDate(r.at, zone);
    const day = days.get(date) ?? { expected: 0, came: 0 };
    days.set(date, { expected: day.expected + r.model, came: day.came + r.fish });
  }
  const all = [...days].sort(([a], [b]) => a.localeCompare(b));
  const near = all.filter(([, d]) => d.came >= d.expected / 1.5 && d.came <= d.expected * 1.5).length;
  return (
    <AmountChart
      said={
        <>
          <b>Day by day.</b> {near} of {all.length} days gave between two thirds and one and a half times of what was expected.
        </>
      }
      categories={all.map(([date]) => dateName(date).replace(/^\w+ /, ''))}
      series={[
        { name: 'expected', look: 'bars', values: all.map(([, d]) => d.expected) },
        { name: 'came', look: 'points', values: all.map(([, d]) => d.came) },
      ]}
      xTitle="day"
      yTitle="fish of all entries"
      width={900}
      show={fish}
    />
  );
}
