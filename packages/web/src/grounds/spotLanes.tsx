// The ribbon's lanes for one spot's day: water over it, wind on its bank, wave, temperature, light.
import type { SpotConditions, SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { scaleLinear } from 'd3-scale';
import { bandOf, instants, LaneLabel, pathOf } from '../ribbon/lane';
import type { LaneProps, OwnLane } from '../ribbon/laneProps';
import { figure, type Measure } from '@bluffwind/core/units/measure';
import { myUnit, myUnits } from '../data/units';

type At = (spot: SpotGround, atMs: number) => SpotConditions;

interface Line {
  readonly key: string;
  readonly name: string;
  readonly measure: Measure;
  /** Said in place of the unit. */
  readonly unit?: string;
  readonly digits: number;
  readonly height: number;
  readonly value: (c: SpotConditions) => number | null;
  readonly spread?: (c: SpotConditions) => number | null;
  readonly zero?: boolean;
  readonly word?: (c: SpotConditions) => string;
}

const LINES: readonly Line[] = [
  { key: 'depth', name: 'Over it', measure: 'depth', digits: 1, height: 46, value: (c) => c.depthM, zero: true },
  {
    key: 'onshore',
    name: 'On the bank',
    measure: 'wind',
    digits: 0,
    height: 42,
    value: (c) => (c.windMps === null || c.onshore === null ? null : c.windMps * c.onshore),
    zero: true,
    word: (c) => (c.onshore === null ? 'open' : c.onshore > 0 ? `${myUnit('wind')} onto it` : `${myUnit('wind')} off it`),
  },
  { key: 'wave', name: 'Wave', measure: 'height', digits: 1, height: 42, value: (c) => c.waveM, zero: true },
  { key: 'temp', name: 'Water here', measure: 'temp', digits: 1, height: 44, value: (c) => c.waterTempC, spread: (c) => c.waterTempSdC },
  {
    key: 'light',
    name: 'Light',
    measure: 'share',
    unit: '% at fish depth',
    digits: 0,
    height: 42,
    value: (c) => (c.lightFraction === null || c.sunHeightDeg < -6 ? null : c.lightFraction),
    zero: true,
  },
];

/** Lanes of a spot; what is not known of it is left out. */
export function spotLanes(spot: SpotGround, at: At, probeMs: number): OwnLane[] {
  return LINES.filter((l) => l.value(at(spot, probeMs)) !== null || l.key === 'light').map((line) => ({
    key: line.key,
    height: line.height,
    render: (lane) => <SpotLane {...lane} spot={spot} conditions={at} line={line} />,
  }));
}

function SpotLane({ x, from, to, height, at, spot, conditions, line }: LaneProps & { spot: SpotGround; conditions: At; line: Line }) {
  // Quarter-hours, so that the conditions are shared with the list and the chart.
  const points = instants(from, to)
    .filter((_, i) => i % 2 === 0)
    .map((t) => {
      const c = conditions(spot, Math.round(t / 900_000) * 900_000);
      return { t, v: line.value(c), sd: line.spread?.(c) ?? null };
    });
  const values = points.flatMap((p) => (p.v === null ? [] : [p.v - (p.sd ?? 0), p.v + (p.sd ?? 0)]));
  const [low, high] = [Math.min(...values, ...(line.zero ? [0] : [])), Math.max(...values, ...(line.zero ? [0.1] : []))];
  const y = scaleLinear([low, high === low ? low + 1 : high], [height - 5, 5]);
  const here = conditions(spot, at);
  const value = line.value(here);
  const band = points.filter((p) => p.v !== null && p.sd !== null);
  return (
    <g>
      {band.length > 1 && (
        <path
          d={bandOf(
            band.map((p) => [x(p.t), y((p.v as number) + (p.sd as number))]),
            band.map((p) => [x(p.t), y((p.v as number) - (p.sd as number))]),
          )}
          fill="var(--water)"
          opacity={0.5}
        />
      )}
      {line.zero && <line x1={x(from)} x2={x(to)} y1={y(0)} y2={y(0)} stroke="var(--ink-3)" strokeWidth={0.7} />}
      <path d={pathOf(points.map((p) => [x(p.t), p.v === null ? null : y(p.v)]))} fill="none" stroke="var(--deep)" strokeWidth={1.6} />
      <LaneLabel
        name={line.name}
        value={value === null ? 'not known' : figure(Math.abs(value), line.measure, myUnits(), line.digits).text}
        unit={line.word?.(here) ?? line.unit ?? myUnit(line.measure)}
      />
    </g>
  );
}
