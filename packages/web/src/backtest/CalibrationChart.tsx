import type { BacktestSummary } from '@bluffwind/core/catchrate/backtest';
import { AmountChart } from '../ui/AmountChart';
import { rate } from '../ui/format';

/** Expected against happened, by fifths of what was expected. */
export function CalibrationChart({ calibration }: { calibration: BacktestSummary['calibration'] }) {
  const last = calibration.at(-1);
  return (
    <AmountChart
      said={
        <>
          <b>Does it come as foretold?</b>{' '}
          {last && `Where most was expected, ${rate(last.expected)} a rod-hour, ${rate(last.happened)} came.`}
        </>
      }
      categories={['least', 'little', 'middle', 'much', 'most'].slice(0, calibration.length)}
      series={[
        { name: 'expected', look: 'bars', values: calibration.map((b) => b.expected) },
        { name: 'happened', look: 'points', values: calibration.map((b) => b.happened) },
      ]}
      xTitle="what was expected of the hour"
      yTitle="fish per rod-hour"
      show={rate}
    />
  );
}
