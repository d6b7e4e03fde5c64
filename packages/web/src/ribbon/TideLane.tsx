import type { TideModel } from '@bluffwind/core/tide/tideModel';
import type { TideTurn } from '@bluffwind/core/tide/tideTurns';
import type { Series } from '@bluffwind/core/weather/series';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { clock } from '../ui/format';
import { instants, LaneLabel, pathOf } from './lane';
import type { LaneProps } from './laneProps';
import { figure } from '@bluffwind/core/units/measure';
import { myUnit, myUnits } from '../data/units';

/** Height of the tide with its turns; the measured level dotted beside it. */
export function TideLane({
  x,
  from,
  to,
  height,
  zone,
  at,
  model,
  turns,
  measured,
  levelAt,
  now,
}: LaneProps & {
  model: TideModel | null;
  turns: readonly TideTurn[];
  measured: Series | null;
  levelAt: ((at: number) => number) | null;
}) {
  const curve = useMemo(() => (model ? instants(from, to).map((t) => [t, model.heightAt(t)] as const) : []), [model, from, to]);
  if (!model) return <LaneLabel name="Tide" value="none" unit="lake" />;
  const heights = curve.map(([, h]) => h);
  const [low, high] = [Math.min(...heights, 0), Math.max(...heights)];
  const y = scaleLinear([low - (low < 0.6 ? 0.34 : 0.2) * (high - low), high], [height - 4, 18]);
  const line = curve.map(([t, h]) => [x(t), y(h)] as const);
  // What the gauge is off, carried forward until it has faded to a centimetre.
  const carried =
    levelAt && measured ? instants(Math.max(from, now), to).filter((t) => Math.abs(levelAt(t) - model.heightAt(t)) > 0.01) : [];
  const several = to - from > 1.5 * 86_400_000;
  // Two turns of one kind are half a day and a little apart.
  const roomForLows = x(from + 12.4 * 3_600_000) - x(from) > (myUnits().clock === '12' ? 84 : 60);
  const rate = model.rateAt(at);
  const move = Math.abs(rate) < 0.06 ? 'slack' : rate > 0 ? 'rising' : 'falling';
  return (
    <g>
      <path d={`${pathOf(line)}L${x(to)} ${height}L${x(from)} ${height}Z`} fill="var(--water)" opacity={0.9} />
      <path d={pathOf(line)} fill="none" stroke="var(--deep)" strokeWidth={1.6} />
      {measured && (
        <path
          d={pathOf(measured.atMs.flatMap((t, i) => (t >= from && t <= to ? [[x(t), y(measured.value[i] as number)] as const] : [])))}
          fill="none"
          stroke="var(--rust)"
          strokeWidth={1.3}
          strokeDasharray="1.5 2.5"
        />
      )}
      {levelAt && carried.length > 1 && (
        <path
          d={pathOf(carried.map((t) => [x(t), y(levelAt(t))]))}
          fill="none"
          stroke="var(--rust)"
          strokeWidth={1.1}
          strokeDasharray="1.5 4"
        />
      )}
      {!several &&
        turns
          .filter((t) => t.minor)
          .map((t) => (
            <text key={t.atMs} x={x(t.atMs)} y={y(t.heightM) - 4} textAnchor="middle" fontSize={10.5} fill="var(--ink-3)">
              minor
            </text>
          ))}
      {turns
        .filter((t) => !t.minor && (!several || t.kind === 'high' || (height > 70 && roomForLows)))
        .map((t) => {
          const px = Math.min(x(to) - 44, Math.max(x(from) + 44, x(t.atMs)));
          const text = several ? clock(t.atMs, zone) : `${clock(t.atMs, zone)} ${t.kind} ${figure(t.heightM, 'height', myUnits(), 1).text}`;
          return (
            <text
              key={t.atMs}
              x={px}
              y={t.kind === 'high' ? y(t.heightM) - 5 : height - 4}
              textAnchor="middle"
              className="num"
              fontSize={11.5}
              fill="var(--ink)"
            >
              {text}
            </text>
          );
        })}
      <LaneLabel
        name="Tide"
        value={figure((levelAt ?? model.heightAt)(at), 'height', myUnits(), 2).text}
        unit={`${myUnit('height')} ${move}`}
      />
    </g>
  );
}
