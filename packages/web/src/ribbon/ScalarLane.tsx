import type { Spread } from '@bluffwind/contract/water';
import { AxisValues } from './AxisValues';
import { HOUR } from '@bluffwind/core/units/time';
import { changeOver, type Series, sampleSeries } from '@bluffwind/core/weather/series';
import { figure } from '@bluffwind/core/units/measure';
import { type Variable, type VariableName, VARIABLES } from '@bluffwind/core/weather/variables';
import { scaleLinear } from 'd3-scale';
import { myUnits } from '../data/units';
import { bandOf, LaneLabel, pathOf } from './lane';
import type { LaneProps } from './laneProps';

interface ScalarProps extends LaneProps {
  readonly variable: VariableName;
  readonly series: Series | null;
  readonly spread: Spread | null;
  /** Said after the unit. */
  readonly note?: string;
}

/** One variable: measured solid, forecast dashed with its spread, carried forward dotted. */
export function ScalarLane({ x, from, to, now, height, at, clip: clipId, variable, series, spread, note = '' }: ScalarProps) {
  const { measure, digits, words, lane }: Variable = VARIABLES[variable];
  const { name, carryH, dots = false } = lane ?? { name: words, carryH: 0 };
  const shown = (v: number) => figure(v, measure, myUnits(), digits);
  const all = series ? series.atMs.map((t, i) => ({ t, v: series.value[i] as number, ahead: i >= series.forecastFrom })) : [];
  const seen = all.filter((p) => p.t >= from - 2 * HOUR && p.t <= to + 2 * HOUR);
  const last = all.filter((p) => p.t <= to).at(-1);
  const carried = last && !last.ahead && last.t < to ? last : null;
  const values = seen.map((p) => p.v);
  if (carried) values.push(carried.v);
  const sample = sampleSeries(series, at, dots ? { maxGapMs: 72 * HOUR, carryMs: carryH * HOUR } : { carryMs: carryH * HOUR });
  const middle = values.length > 0 ? (Math.min(...values) + Math.max(...values)) / 2 : 0;
  const reach = values.length > 0 ? Math.max((Math.max(...values) - Math.min(...values)) / 2, 0.5) * 1.25 : 1;
  const y = scaleLinear([middle - reach, middle + reach], [height - 6, 6]);
  const clip = (t: number) => Math.min(x(to), Math.max(x(from), x(t)));
  const line = (list: typeof seen) => pathOf(list.map((p) => [x(p.t), y(p.v)]));
  const measured = seen.filter((p) => !p.ahead);
  const ahead = seen.filter((p) => p.ahead);
  const joined = measured.length > 0 && ahead.length > 0 ? [measured.at(-1) as (typeof seen)[number], ...ahead] : ahead;
  const inside = spread ? spread.atMs.map((t, i) => ({ t, i })).filter(({ t }) => t >= Math.max(from, now) && t <= to) : [];
  return (
    <g>
      {spread && (
        <path
          d={bandOf(
            inside.map(({ t, i }) => [x(t), y(spread.high[i] as number)]),
            inside.map(({ t, i }) => [x(t), y(spread.low[i] as number)]),
          )}
          fill="var(--water)"
          opacity={0.6}
        />
      )}
      {dots ? (
        measured
          .filter((p) => p.t >= from)
          .map((p) => <circle key={p.t} cx={x(p.t)} cy={y(p.v)} r={4} fill="var(--chalk)" stroke="var(--ink)" strokeWidth={1.5} />)
      ) : (
        <path d={line(measured)} clipPath={`url(#${clipId})`} fill="none" stroke="var(--deep)" strokeWidth={1.6} />
      )}
      <path d={line(joined)} clipPath={`url(#${clipId})`} fill="none" stroke="var(--deep)" strokeWidth={1.6} strokeDasharray="5 3" />
      {carried && carried.t < to && (
        <g>
          <path
            d={`M${clip(carried.t)} ${y(carried.v)}H${x(Math.min(to, carried.t + carryH * HOUR))}`}
            stroke="var(--ink-2)"
            strokeDasharray="1.5 4"
            fill="none"
          />
          <text x={Math.min(x(to) - 130, clip(Math.max(carried.t, now)) + 10)} y={y(carried.v) - 6} fontSize={11.5} fill="var(--ink-2)">
            carried forward
          </text>
        </g>
      )}
      {values.length > 1 && (
        <AxisValues
          left={x(from)}
          height={height}
          at={[...new Set([Math.max(...values), Math.min(...values)])].map((v) => ({ y: y(v), text: shown(v).text }))}
        />
      )}
      <LaneLabel
        name={name}
        value={sample ? shown(sample.value).text : 'not known'}
        unit={sample ? `${shown(sample.value).unit}${note || (sample.trust === 'carried' ? ', carried' : '')}` : ''}
      />
    </g>
  );
}

/** Pressure with its change over six hours. */
export function PressureLane(props: LaneProps & { series: Series | null; spread: Spread | null }) {
  const change = changeOver(props.series, props.at, 6);
  const note =
    change === null
      ? ''
      : Math.abs(change) < 0.5
        ? ', steady'
        : `, ${change > 0 ? '+' : '−'}${figure(Math.abs(change), 'pressure', myUnits(), 0).text} in 6 h`;
  return <ScalarLane {...props} variable="pressureHpa" note={note} />;
}
