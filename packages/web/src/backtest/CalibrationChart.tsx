import type { BacktestSummary } from '@bluffwind/core/catchrate/backtest';
import { useEffect, useRef } from 'react';
import { rate } from '../ui/format';

/** Expected against happened, by fifths of what was expected. */
export function CalibrationChart({ calibration }: { calibration: BacktestSummary['calibration'] }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    let gone = false;
    let chart: { destroy: () => void } | null = null;
    void import('apexcharts').then(({ default: ApexCharts }) => {
      if (gone) return;
      const css = getComputedStyle(document.documentElement);
      const ink = css.getPropertyValue('--ink').trim();
      const drawn = new ApexCharts(el, {
        chart: {
          type: 'line',
          height: 240,
          width: 520,
          toolbar: { show: false },
          animations: { enabled: false },
          foreColor: ink,
          fontFamily: 'inherit',
          zoom: { enabled: false },
        },
        series: [
          { name: 'expected', type: 'column', data: calibration.map((b) => Number(b.expected.toFixed(3))) },
          { name: 'happened', type: 'line', data: calibration.map((b) => Number(b.happened.toFixed(3))) },
        ],
        colors: [css.getPropertyValue('--sand-2').trim(), ink],
        stroke: { width: [0, 0] },
        markers: { size: [0, 6] },
        plotOptions: { bar: { columnWidth: '60%' } },
        dataLabels: { enabled: false },
        legend: { show: true, position: 'top', horizontalAlign: 'left' },
        xaxis: {
          categories: ['least', 'little', 'middle', 'much', 'most'].slice(0, calibration.length),
          title: { text: 'what was expected of the hour' },
        },
        yaxis: { title: { text: 'fish per rod-hour' }, min: 0, decimalsInFloat: 2 },
        tooltip: { enabled: false },
      });
      void drawn.render();
      chart = drawn;
    });
    return () => {
      gone = true;
      chart?.destroy();
    };
  }, [calibration]);
  const last = calibration.at(-1);
  return (
    <figure className="mt-4">
      <figcaption>
        <b>Does it come as foretold?</b>{' '}
        {last && `Where most was expected, ${rate(last.expected)} a rod-hour, ${rate(last.happened)} came.`}
      </figcaption>
      <div ref={box} aria-hidden="true" />
      <details>
        <summary className="cursor-pointer text-[0.9rem] underline underline-offset-2">As a table</summary>
        <table className="[&_td]:pr-6 [&_th]:pr-6">
          <thead>
            <tr>
              {['expected, per rod-hour', 'happened', 'rod-hours'].map((h) => (
                <th key={h} scope="col" className="text-left font-normal text-ink-2">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="num">
            {calibration.map((b) => (
              <tr key={b.expected}>
                <td>{rate(b.expected)}</td>
                <td>{rate(b.happened)}</td>
                <td>{b.rodHours.toFixed(0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}
