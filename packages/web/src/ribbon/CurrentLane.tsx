import type { CurrentModel, CurrentStation } from '@bluffwind/core/tide/currentModel';
import { AxisValues } from './AxisValues';
import { compassPoint } from '@bluffwind/core/units/angle';
import { figure } from '@bluffwind/core/units/measure';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { myUnit, myUnits } from '../data/units';
import { clock } from '../ui/format';
import { bandOf, instants, LaneLabel } from './lane';
import type { LaneProps } from './laneProps';

/** Tidal current of one place: flood above the line, ebb below it, slack water with its time. */
export function CurrentLane({
  x,
  from,
  to,
  height,
  zone,
  at,
  station,
}: LaneProps & { station: { readonly station: CurrentStation; readonly model: CurrentModel } }) {
  const { model } = station;
  const points = useMemo(() => instants(from, to).map((t) => [t, model.at(t).signedMps] as const), [model, from, to]);
  const slacks = useMemo(
    () => (to - from < 1.5 * 86_400_000 ? model.turns(from, to).filter((t) => t.kind === 'slack') : []),
    [model, from, to],
  );
  const most = Math.max(0.2, ...points.map(([, v]) => Math.abs(v)));
  const y = scaleLinear([-most, most], [height - 4, 4]);
  const zero = points.map(([t]) => [x(t), y(0)] as const);
  const here = model.at(at);
  const part = (sign: 1 | -1) =>
    bandOf(
      points.map(([t, v]) => [x(t), y(sign * v > 0 ? v : 0)]),
      zero,
    );
  return (
    <g>
      <path d={part(1)} fill="var(--water)" />
      <path d={part(-1)} fill="var(--sand-2)" opacity={0.7} />
      <line x1={x(from)} x2={x(to)} y1={y(0)} y2={y(0)} stroke="var(--ink-3)" strokeWidth={0.8} />
      {slacks.map((s) => (
        <text
          key={s.atMs}
          x={Math.min(x(to) - 34, Math.max(x(from) + 34, x(s.atMs)))}
          y={y(0) - 4}
          textAnchor="middle"
          className="num"
          fontSize={10.5}
          fill="var(--ink)"
        >
          slack {clock(s.atMs, zone)}
        </text>
      ))}
      <AxisValues
        left={x(from)}
        height={height}
        at={[most, -most].map((v) => ({ y: y(v), text: `${figure(Math.abs(v), 'current', myUnits(), 1).text}${v > 0 ? ' in' : ' out'}` }))}
      />
      <LaneLabel
        name={`Current, ${station.station.name}`}
        value={figure(here.mps, 'current', myUnits(), 1).text}
        unit={`${myUnit('current')} ${here.mps < 0.06 ? 'slack' : `${here.signedMps > 0 ? 'flood' : 'ebb'} to ${compassPoint(here.toDeg)}`}`}
      />
    </g>
  );
}
