// Amounts beside each other, where people compare them: bars, and points for what they are held against. Loaded when one is looked at.
import type { ReactNode } from 'react';
import { AsTable } from './AsTable';
import { useApex } from './useApex';

interface Amounts {
  readonly name: string;
  readonly values: readonly number[];
  readonly look: 'bars' | 'points';
}

interface AmountChartProps {
  /** What is seen, in a sentence. */
  readonly said: ReactNode;
  readonly categories: readonly string[];
  readonly series: readonly Amounts[];
  readonly xTitle: string;
  /** With its unit. */
  readonly yTitle: string;
  readonly height?: number;
  readonly width?: number;
  /** A figure as the table shows it. */
  readonly show: (value: number) => string;
  /** More columns of the table. */
  readonly also?: readonly { readonly name: string; readonly values: readonly string[] }[];
}

const NONE: NonNullable<AmountChartProps['also']> = [];

/** Bars and points over named places of an axis, with the same as a table. */
export function AmountChart({ said, categories, series, xTitle, yTitle, height = 240, width = 520, show, also = NONE }: AmountChartProps) {
  const box = useApex(JSON.stringify([categories, series, xTitle, yTitle, height, width]), (colour, widthPx) => ({
    chart: {
      type: 'line',
      height,
      width: Math.min(width, widthPx || width),
      toolbar: { show: false },
      animations: { enabled: false },
      foreColor: colour('--ink'),
      fontFamily: 'inherit',
      zoom: { enabled: false },
    },
    series: series.map((s) => ({
      name: s.name,
      type: s.look === 'bars' ? 'column' : 'line',
      data: s.values.map((v) => Number(v.toFixed(3))),
    })),
    colors: series.map((s, i) => colour(s.look === 'points' ? '--ink' : i === 0 ? '--sand-2' : '--kelp')),
    stroke: { width: series.map(() => 0) },
    markers: { size: series.map((s) => (s.look === 'points' ? 6 : 0)) },
    plotOptions: { bar: { columnWidth: '60%' } },
    dataLabels: { enabled: false },
    legend: { show: series.length > 1, position: 'top', horizontalAlign: 'left' },
    xaxis: {
      categories: [...categories],
      title: { text: xTitle },
      labels: { rotate: 0, hideOverlappingLabels: categories.length > 12, style: { fontSize: '11px' } },
    },
    yaxis: { title: { text: yTitle }, min: 0, labels: { formatter: (v: number) => show(v) } },
    tooltip: { enabled: false },
  }));
  return (
    <figure className="mt-4">
      <figcaption>{said}</figcaption>
      {/* Room is kept for it, so that nothing jumps when it comes. */}
      <div ref={box} aria-hidden="true" style={{ minHeight: height + 15 }} />
      <AsTable
        heads={[xTitle, ...series.map((s) => s.name), ...also.map((s) => s.name)]}
        rows={categories.map((c, i) => ({
          key: c,
          of: c,
          cells: [...series.map((s) => show(s.values[i] ?? 0)), ...also.map((s) => s.values[i])],
        }))}
      />
    </figure>
  );
}
