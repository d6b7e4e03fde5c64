import { skyDay } from '@bluffwind/core/sky/skyDay';
import { sunPosition } from '@bluffwind/core/sky/sunPosition';
import { DAY } from '@bluffwind/core/units/time';
import { useMemo } from 'react';
import type { LaneProps } from './laneProps';

const STOPS = [
  [-12, '#3a525c'],
  [-6, '#5d7680'],
  [0, '#e9c79b'],
  [6, '#f3e3bd'],
  [25, '#f8f0d8'],
] as const;

/** Light as a strip: night, twilight, height of the sun. */
export function LightLane({ x, from, to, height, lat, lon }: LaneProps & { lat: number; lon: number }) {
  const cells = useMemo(() => {
    const step = (to - from) / 120;
    return Array.from({ length: 120 }, (_, i) => {
      const at = from + i * step;
      return { at, end: at + step, fill: colour(sunPosition(at + step / 2, lat, lon).heightDeg) };
    });
  }, [from, to, lat, lon]);
  return (
    <g>
      {cells.map((c) => (
        <rect key={c.at} x={x(c.at)} width={x(c.end) - x(c.at) + 0.6} y={0} height={height - 2} fill={c.fill} />
      ))}
    </g>
  );
}

function colour(sun: number): string {
  let fill: string = STOPS[0][1];
  for (const [from, tint] of STOPS) if (sun >= from) fill = tint;
  return fill;
}

/** Spans between sunset and sunrise. */
export function lightSpans(from: number, to: number, lat: number, lon: number): [number, number][] {
  const nights: [number, number][] = [];
  for (let t = from - DAY; t < to + DAY; t += DAY) {
    const sunset = skyDay(t, lat, lon).sunset;
    if (sunset === null) continue;
    const sunrise = skyDay(sunset, lat, lon).sunrise;
    if (sunrise === null) continue;
    const [a, b] = [Math.max(from, sunset), Math.min(to, sunrise)];
    if (b > a && !nights.some((n) => Math.abs(n[0] - a) < 60_000)) nights.push([a, b]);
  }
  return nights;
}
