// Lines over a scale, where something is read off as it changes. Loaded when one is looked at.
import { AsTable } from './AsTable';
import { useApex } from './useApex';

export interface CurveLine {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
}

interface CurveChartProps {
  /** What is seen, in a sentence. */
  readonly said: string;
  readonly xTitle: string;
  readonly yTitle: string;
  readonly lines: readonly CurveLine[];
  /** A figure of each axis as it is written. */
  readonly showX: (x: number) => string;
  readonly showY: (y: number) => string;
  readonly height?: number;
}

/** Rows of the table that stands behind a chart. */
const MOST_ROWS = 13;

/** Curves with their axes, and the same as a table on request. */
export function CurveChart({ said, xTitle, yTitle, lines, showX, showY, height = 260 }: CurveChartProps) {
  const box = useApex(JSON.stringify([lines, xTitle, yTitle, height]), (colour) => ({
    chart: {
      type: 'line',
      height,
      width: '100%',
      toolbar: { show: false },
      animations: { enabled: false },
      zoom: { enabled: false },
      foreColor: colour('--ink'),
      fontFamily: 'inherit',
    },
    series: lines.map((l) => ({ name: l.name, data: l.points.map(([x, y]) => ({ x, y: Number(y.toFixed(3)) })) })),
    colors: [colour('--kelp'), colour('--ink-2'), colour('--rust')],
    stroke: { width: 3, curve: 'straight', dashArray: lines.map((_, i) => i * 5) },
    legend: { show: lines.length > 1, position: 'top', horizontalAlign: 'left' },
    xaxis: { type: 'numeric', title: { text: xTitle }, tickAmount: 5, labels: { formatter: (v: string) => showX(Number(v)) } },
    yaxis: { title: { text: yTitle }, min: 0, tickAmount: 4, labels: { formatter: (v: number) => showY(v) } },
    grid: { borderColor: colour('--line') },
    tooltip: { enabled: false },
  }));
  const first = lines[0]?.points ?? [];
  const every = Math.max(1, Math.ceil(first.length / MOST_ROWS));
  return (
    <figure className="mt-3">
      <figcaption className="text-[0.93rem]">{said}</figcaption>
      {/* Room is kept for it, so that nothing jumps when it comes. */}
      <div ref={box} aria-hidden="true" style={{ minHeight: height + 15 }} />
      <AsTable
        heads={[xTitle, ...lines.map((l) => (lines.length > 1 ? `${yTitle}, ${l.name}` : yTitle))]}
        rows={first
          .filter((_, i) => i % every === 0)
          .map(([x]) => ({
            key: String(x),
            of: showX(x),
            cells: lines.map((l) => {
              const at = l.points.find((p) => p[0] === x);
              return at ? showY(at[1]) : '';
            }),
          }))}
      />
    </figure>
  );
}
