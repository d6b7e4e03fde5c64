// Rates side by side, each as its range with the figure itself as a stroke; the effort stands with the name.
import type { LogRates } from '@bluffwind/contract/log';
import { rate } from '../ui/format';
import { AsTable } from '../ui/AsTable';
import { RangeBar } from '../ui/parts';
import { useApex } from '../ui/useApex';
import { usePocket } from '../ui/usePocket';

interface RateChartProps {
  /** What is seen, in a sentence. */
  readonly said: string;
  /** What the groups are of. */
  readonly title: string;
  readonly groups: LogRates['groups'];
}

const ROW_PX = 34;

/** At the desk a chart; in the pocket rows of two lines with the figure at the right. */
export function RateChart(props: RateChartProps) {
  return usePocket() ? <RateRows {...props} /> : <RateBars {...props} />;
}

const SAID = 'The stroke is what came; the bar is where 8 of 10 such logs would lie. Thin: under 10 rod-hours or 5 entries.';

function RateRows({ said, groups }: RateChartProps) {
  const max = Math.max(0.01, ...groups.map((g) => (g.thin ? g.rate : g.hi80)));
  return (
    <figure className="mt-3">
      <figcaption data-said>{said}</figcaption>
      <p className="text-[0.9rem] text-ink-2">{SAID}</p>
      <ul className="mt-1">
        {groups.map((g) => (
          <li key={g.name} data-group={g.name} className="grid grid-cols-[1fr_auto] items-center gap-x-2 border-t border-line py-1.5">
            <span className="min-w-0 font-semibold">{g.name}</span>
            <b className="num">{rate(g.rate)}</b>
            <span className="text-[0.87rem] text-ink-2">
              {g.fish} fish in {g.rodHours.toFixed(0)} rod-h{g.thin ? ', thin' : ''}
            </span>
            <RangeBar
              lo={g.lo80}
              mid={g.rate}
              hi={g.hi80}
              max={max}
              width={140}
              label={`${rate(g.rate)} fish a rod-hour, 8 of 10 such logs ${rate(g.lo80)} to ${rate(g.hi80)}`}
            />
          </li>
        ))}
      </ul>
    </figure>
  );
}

function RateBars({ said, title, groups }: RateChartProps) {
  const height = 90 + ROW_PX * groups.length;
  const name = (g: LogRates['groups'][number]) => `${g.name} · ${g.rodHours.toFixed(0)} rod-h${g.thin ? ', thin' : ''}`;
  const box = useApex(JSON.stringify([groups, title]), (colour) => ({
    chart: {
      type: 'rangeBar',
      height,
      width: '100%',
      toolbar: { show: false },
      animations: { enabled: false },
      zoom: { enabled: false },
      foreColor: colour('--ink'),
      fontFamily: 'inherit',
    },
    plotOptions: { bar: { horizontal: true, barHeight: '52%' } },
    series: [
      {
        name: 'fish a rod-hour',
        data: groups.map((g) => ({
          x: name(g),
          y: [Number(g.lo80.toFixed(3)), Number(Math.max(g.hi80, g.lo80 + 0.001).toFixed(3))],
          fillColor: colour(g.thin ? '--line' : '--sand-2'),
          goals: [{ name: 'so far', value: Number(g.rate.toFixed(3)), strokeColor: colour('--ink'), strokeWidth: 3, strokeHeight: 16 }],
        })),
      },
    ],
    xaxis: { min: 0, title: { text: 'fish a rod-hour' }, labels: { formatter: (v: string | number) => rate(Number(v)) } },
    yaxis: { labels: { maxWidth: 260, style: { fontSize: '13px' } } },
    grid: { borderColor: colour('--line'), xaxis: { lines: { show: true } }, yaxis: { lines: { show: false } } },
    legend: { show: false },
    dataLabels: { enabled: false },
    tooltip: { enabled: false },
  }));
  return (
    <figure className="mt-3 max-w-[980px]">
      <figcaption data-said>{said}</figcaption>
      <p className="text-[0.9rem] text-ink-2">{SAID}</p>
      {/* Room is kept for it, so that nothing jumps when it comes. */}
      <div ref={box} aria-hidden="true" style={{ minHeight: height + 15 }} />
      <AsTable
        heads={[title, 'fish a rod-hour', '8 of 10', 'fish', 'rod-hours', 'entries']}
        rows={groups.map((g) => ({
          key: g.name,
          of: g.name,
          cells: [rate(g.rate), `${rate(g.lo80)} to ${rate(g.hi80)}`, g.fish, g.rodHours.toFixed(1), `${g.sets}${g.thin ? ' (thin)' : ''}`],
        }))}
      />
    </figure>
  );
}
