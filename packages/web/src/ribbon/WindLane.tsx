import type { Spread } from '@bluffwind/contract/water';
import { AxisValues } from './AxisValues';
import { sampleWind, type WindSeries } from '@bluffwind/core/weather/wind';
import { figure } from '@bluffwind/core/units/measure';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { fromMine, myUnit, myUnits } from '../data/units';
import { windFigure } from '../ui/format';
import { bandOf, instants, LaneLabel, pathOf } from './lane';
import type { LaneProps } from './laneProps';

/** Wind speed with gusts as sand above it, arrows along the top, the boat's own limit across. */
export function WindLane({
  x,
  from,
  to,
  now,
  height,
  at,
  wind,
  spread,
  limit,
}: LaneProps & { wind: WindSeries | null; spread: Spread | null; limit?: { mps: number; name: string } }) {
  const points = useMemo(() => instants(from, to).map((t) => ({ t, w: sampleWind(wind, t) })), [wind, from, to]);
  const here = sampleWind(wind, at);
  const tall = height > 80;
  const top = Math.max(8, limit?.mps ?? 0, ...points.map((p) => p.w?.gustMps ?? p.w?.mps ?? 0), ...(spread?.high ?? [])) * 1.05;
  const y = scaleLinear([0, top], [height - 4, tall ? 22 : 6]);
  const measured = points.filter((p) => p.w && p.w.trust !== 'forecast');
  const ahead = points.filter((p) => p.w && p.w.trust === 'forecast');
  const line = (list: typeof points) => pathOf(list.map((p) => [x(p.t), y(p.w?.mps ?? 0)]));
  const gusts = points.filter((p) => p.w?.gustMps != null);
  const inside = spread ? spread.atMs.map((t, i) => ({ t, i })).filter(({ t }) => t >= Math.max(from, now) && t <= to) : [];
  const every = tall ? (to - from) / 16 : (to - from) / 12;
  const arrows = tall ? Array.from({ length: 16 }, (_, i) => from + (i + 0.5) * every) : [];
  return (
    <g>
      <path
        d={bandOf(
          gusts.map((p) => [x(p.t), y(p.w?.gustMps ?? 0)]),
          gusts.map((p) => [x(p.t), y(p.w?.mps ?? 0)]),
        )}
        fill="var(--sand)"
        opacity={0.75}
      />
      {spread && (
        <path
          d={bandOf(
            inside.map(({ t, i }) => [x(t), y(spread.high[i] as number)]),
            inside.map(({ t, i }) => [x(t), y(spread.low[i] as number)]),
          )}
          fill="var(--sand-2)"
          opacity={0.45}
        />
      )}
      <path d={line(measured)} fill="none" stroke="var(--ink)" strokeWidth={1.7} />
      <path d={line(ahead)} fill="none" stroke="var(--ink)" strokeWidth={1.7} strokeDasharray="5 3" />
      {limit && (
        <g>
          <line x1={x(from)} x2={x(to)} y1={y(limit.mps)} y2={y(limit.mps)} stroke="var(--rust)" strokeDasharray="5 3" />
          <text x={x(to) - 4} y={y(limit.mps) + 12} textAnchor="end" fontSize={11.5} fill="var(--rust)">
            {limit.name} {figure(limit.mps, 'wind', myUnits(), Number.isInteger(limit.mps) ? 0 : 2).text}
          </text>
        </g>
      )}
      {arrows.map((t) => {
        const w = sampleWind(wind, t);
        return (
          w && (
            <g key={t} transform={`translate(${x(t)} 12) rotate(${w.fromDeg + 180})`} stroke="var(--ink)" strokeWidth={1.3} fill="none">
              <path d="M0 7V-7M-3.5 -2.5L0 -7L3.5 -2.5" />
            </g>
          )
        );
      })}
      {points.some((p) => p.w) && (
        <AxisValues
          left={x(from)}
          height={height}
          at={[0, 5, 10, 15, 20, 30, 40, 60]
            .map((v) => ({ v, mps: fromMine(v, 'wind') }))
            .filter(({ v, mps }) => mps < top && (v % 10 === 0 || (tall && top < fromMine(25, 'wind'))))
            .map(({ v, mps }) => ({ y: y(mps), text: `${v}` }))}
        />
      )}
      <LaneLabel name="Wind" value={here ? windFigure(here.mps, here.fromDeg) : 'not known'} unit={here ? myUnit('wind') : ''} />
    </g>
  );
}
