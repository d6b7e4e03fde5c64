// One day (or several) as a band with one time cursor. Measured is solid, forecast dashed with its spread, carried
// forward dotted.
import type { WaterStateView } from '@bluffwind/contract/water';
import { seriesOf, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { DAY, HOUR, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { isVariable } from '@bluffwind/core/weather/variables';
import { scaleLinear } from 'd3-scale';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type PointerEvent, type ReactNode, useEffect, useId, useMemo, useRef, useState } from 'react';
import { useCursor } from '../data/time';
import { clock, dayName } from '../ui/format';
import { usePocket } from '../ui/usePocket';
import { LaneInPocket } from './lane';
import type { LaneName, LaneProps, LaneSpec, OwnLane } from './laneProps';
import { LightLane, lightSpans } from './LightLane';
import { CurrentLane } from './CurrentLane';
import { PressureLane, ScalarLane } from './ScalarLane';
import { TideLane } from './TideLane';
import { WindLane } from './WindLane';

interface RibbonProps {
  readonly from: number;
  readonly to: number;
  readonly now: number;
  readonly zone: string;
  readonly state: Pick<WaterStateView, 'record'> & Partial<WaterStateView>;
  readonly lanes: readonly LaneSpec[];
  /** Where the cursor goes first; now, when left out. */
  readonly startAt?: number;
  /** A boat's own wind limit, drawn across the wind. */
  readonly limit?: { readonly mps: number; readonly name: string };
  /** True where the lanes are what the screen is for: in the pocket they stand below each other, elsewhere one is shown at a time. */
  readonly all?: boolean;
  /** A last lane of the screen's own, such as legs. */
  readonly extra?: { readonly label: ReactNode; readonly height: number; readonly render: (lane: LaneProps) => ReactNode };
}

/** Names and values stand at the left of the lanes; in the pocket each has a row of its own above its lane. */
const LABELS = 146;
const POCKET_LEFT = 8;
const POCKET_ROW = 34;
const TOP = 24;

export function Ribbon({ from, to, now, zone, state, lanes, startAt, limit, extra, all = false }: RibbonProps) {
  const pocket = usePocket();
  const [chosen, setChosen] = useState(0);
  const left = pocket ? POCKET_LEFT : LABELS;
  const row = pocket ? POCKET_ROW : 0;
  const clip = useId();
  const cursor = useCursor();
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(900);
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    const observer = new ResizeObserver(() => setWidth(el.clientWidth));
    observer.observe(el);
    return () => observer.disconnect();
  }, []);
  const { setSpan } = cursor;
  useEffect(() => {
    setSpan([from, to], startAt);
    return () => setSpan(null);
  }, [from, to, startAt, setSpan]);

  const water = useMemo(() => waterStateOf(state.record), [state.record]);
  const turns = useMemo(() => (water.tide ? tideTurns(water.tide, from, to) : []), [water, from, to]);
  const nights = useMemo(() => lightSpans(from, to, water.lat, water.lon), [from, to, water]);
  const x = useMemo(() => scaleLinear([from, to], [left, width - 12]), [from, to, width, left]);
  const every = lanes.map((l): { key: string; name: LaneName | null; height: number; own: OwnLane | null } =>
    'render' in l ? { key: l.key, name: null, height: l.height, own: l } : { key: l[0], name: l[0], height: l[1], own: null },
  );
  const turning = pocket && !all;
  const inTurn = every.filter((l) => l.name !== 'light');
  // The screen's own lane comes first.
  const lanesInTurn = inTurn.length + (extra ? 1 : 0);
  const shownAt = (chosen % Math.max(1, lanesInTurn)) - (extra ? 1 : 0);
  const shown = inTurn[shownAt];
  const own = turning && shownAt >= 0 ? undefined : extra;
  const specs = turning ? every.filter((l) => l.name === 'light' || l === shown) : every;
  const rowOf = (l: { name: LaneName | null }) => (l.name === 'light' ? 0 : row);
  const extraHeight = own ? own.height + row : 0;
  const total = TOP + specs.reduce((sum, l) => sum + l.height + rowOf(l), 0) + extraHeight;
  const at = cursor.at;
  const tag = clock(at, zone).length * 8 + 16;
  const several = to - from > 1.5 * DAY;
  const hours = several ? [] : ticks(from, to, zone, width < 500 ? 4 : width < 800 ? 3 : 2);
  const days = several ? dayStarts(from, to, zone) : [];

  const fromEvent = (e: PointerEvent) => {
    const edge = box.current?.getBoundingClientRect().left ?? 0;
    cursor.set(Math.round(x.invert(e.clientX - edge) / (5 * 60_000)) * 5 * 60_000);
  };
  let y = TOP;
  const place = (h: number) => {
    const top = y;
    y += h;
    return top;
  };
  const segments = pocket ? besideNames(specs, rowOf, total, row) : [[18, total] as const];
  return (
    <div ref={box} className="relative shrink-0 select-none border-t border-ink bg-chalk" style={{ height: total }}>
      <LaneInPocket.Provider value={pocket}>
        <svg width={width} height={total} className="block">
          <clipPath id={clip}>
            <rect x={left} y={0} width={Math.max(0, width - left - 12)} height={total} />
          </clipPath>
          <g aria-hidden="true">
            {nights.map(([a, b]) => (
              <rect key={a} x={x(a)} width={x(b) - x(a)} y={TOP} height={total - TOP} fill="var(--ink)" opacity={0.07} />
            ))}
            {hours.map((t) => (
              <g key={t}>
                <line x1={x(t)} x2={x(t)} y1={TOP} y2={total} stroke="var(--line)" opacity={0.6} />
                <text x={x(t)} y={15} textAnchor="middle" className="num" fontSize={11.5} fill="var(--ink-2)">
                  {clock(t, zone)}
                </text>
              </g>
            ))}
            {days.map((t) => (
              <g key={t}>
                <line x1={x(t)} x2={x(t)} y1={TOP} y2={total} stroke="var(--line)" />
                <text x={Math.max(left, x(t)) + 8} y={16} fontSize={13} fontWeight={700} fill="var(--ink)">
                  {dayName(t, zone)}
                </text>
              </g>
            ))}
            {specs.map(({ key, name, height, own }) => {
              const top = place(height + rowOf({ name })) + rowOf({ name });
              const lane: LaneProps = { x, from, to, now, height, zone, at, clip, pocket };
              return (
                <g key={key} transform={`translate(0 ${top})`}>
                  {name !== 'light' && <line x1={0} x2={width} y1={height - 0.5} y2={height - 0.5} stroke="var(--line)" />}
                  {own?.render(lane)}
                  {name === 'light' && <LightLane {...lane} lat={water.lat} lon={water.lon} />}
                  {name === 'tide' && (
                    <TideLane {...lane} model={water.tide} turns={turns} measured={water.levelM} levelAt={water.levelAt} />
                  )}
                  {name === 'current' && water.currents[0] && <CurrentLane {...lane} station={water.currents[0]} />}
                  {name === 'wind' && <WindLane {...lane} wind={water.wind} spread={state.windSpread ?? null} limit={limit} />}
                  {name === 'pressureHpa' ? (
                    <PressureLane {...lane} series={seriesOf(water, name)} spread={state.spreads?.[name] ?? null} />
                  ) : (
                    name !== null &&
                    isVariable(name) && (
                      <ScalarLane {...lane} variable={name} series={seriesOf(water, name)} spread={state.spreads?.[name] ?? null} />
                    )
                  )}
                </g>
              );
            })}
          </g>
          {own && (
            <g transform={`translate(0 ${y + row})`}>{own.render({ x, from, to, now, height: own.height, zone, at, clip, pocket })}</g>
          )}
          <g aria-hidden="true">
            {now > from && now < to && (
              <g>
                <line x1={x(now)} x2={x(now)} y1={TOP} y2={total} stroke="var(--ink-2)" strokeDasharray="1 3" />
                {Math.abs(x(now) - x(at)) > 60 && (
                  <text x={x(now)} y={TOP - 10} textAnchor="middle" fontSize={11.5} fill="var(--ink-2)">
                    now
                  </text>
                )}
              </g>
            )}
            {segments.map(([from, to]) => (
              <line key={from} x1={x(at)} x2={x(at)} y1={from} y2={to} stroke="var(--ink)" strokeWidth={1.6} />
            ))}
            <rect x={x(at) - tag / 2} y={2} width={tag} height={18} rx={2} fill="var(--ink)" />
            <text x={x(at)} y={15.5} textAnchor="middle" className="num" fontSize={12.5} fontWeight={700} fill="var(--chalk)">
              {clock(at, zone)}
            </text>
          </g>
        </svg>
      </LaneInPocket.Provider>
      {own && (
        <div
          className="pointer-events-none absolute left-3 flex items-baseline gap-x-2 md:left-[18px] md:block"
          style={pocket ? { top: total - extraHeight + 4 } : { top: total - own.height + 6, width: LABELS - 24 }}
        >
          {own.label}
        </div>
      )}
      <div
        role="slider"
        tabIndex={0}
        aria-label="Time"
        aria-valuemin={from}
        aria-valuemax={to}
        aria-valuenow={at}
        aria-valuetext={`${dayName(at, zone)} ${clock(at, zone)}`}
        className="absolute top-0 cursor-ew-resize touch-none"
        style={{ left: pocket ? 0 : LABELS, right: 0, height: total - extraHeight }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowLeft') cursor.move(-15);
          if (e.key === 'ArrowRight') cursor.move(15);
          if (e.key === 'PageDown') cursor.move(-60);
          if (e.key === 'PageUp') cursor.move(60);
        }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          fromEvent(e);
        }}
        onPointerMove={(e) => {
          if (e.buttons === 1) fromEvent(e);
        }}
      />
      {turning && lanesInTurn > 1 && (
        <div className="absolute right-1 flex" style={{ top: TOP + 4 }}>
          <LaneButton label="Lane before" onPress={() => setChosen((c) => (c + lanesInTurn - 1) % lanesInTurn)}>
            <ChevronLeft size={20} aria-hidden="true" />
          </LaneButton>
          <LaneButton label="Next lane" onPress={() => setChosen((c) => (c + 1) % lanesInTurn)}>
            <ChevronRight size={20} aria-hidden="true" />
          </LaneButton>
        </div>
      )}
    </div>
  );
}

/** Where the cursor is drawn in the pocket: over the lanes, leaving the rows of names and values alone. */
function besideNames<L extends { readonly height: number }>(lanes: readonly L[], rowOf: (lane: L) => number, total: number, row: number) {
  const segments: [number, number][] = [[18, TOP]];
  let down = TOP;
  for (const lane of lanes) {
    const top = down + rowOf(lane);
    down = top + lane.height;
    segments.push([top, down]);
  }
  if (down + row < total) segments.push([down + row, total]);
  return segments;
}

function LaneButton({ label, onPress, children }: { label: string; onPress: () => void; children: ReactNode }) {
  return (
    <button type="button" aria-label={label} onClick={onPress} className="flex h-11 w-11 cursor-pointer items-center justify-center">
      {children}
    </button>
  );
}

function ticks(from: number, to: number, zone: string, everyH: number): number[] {
  const start = startOfLocalDay(localDate(from, zone), zone);
  const out: number[] = [];
  for (let t = start; t < to; t += everyH * HOUR) if (t > from + HOUR / 2) out.push(t);
  return out;
}

function dayStarts(from: number, to: number, zone: string): number[] {
  const out: number[] = [];
  for (let t = startOfLocalDay(localDate(from, zone), zone); t < to; t = startOfLocalDay(localDate(t + 1.5 * DAY, zone), zone))
    out.push(Math.max(t, from));
  return out;
}
