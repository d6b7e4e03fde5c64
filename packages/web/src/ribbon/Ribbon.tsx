// One day (or several) as a band with one time cursor. Measured is solid, forecast dashed with its spread, carried
// forward dotted.
import type { WaterStateView } from '@bluffwind/contract/water';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { scaleLinear } from 'd3-scale';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type ReactNode, type RefObject, useEffect, useId, useMemo, useRef, useState } from 'react';
import { useCursor } from '../data/time';
import { usePocket } from '../ui/usePocket';
import { LaneInPocket } from './lane';
import { LaneButton } from './LaneButton';
import type { LaneProps, LaneSpec } from './laneProps';
import { LABELS, layRibbon, TOP } from './layRibbon';
import { lightSpans } from './LightLane';
import { OneLane } from './OneLane';
import { RibbonCursor } from './RibbonCursor';
import { RibbonHours } from './RibbonHours';
import { TimeSlider } from './TimeSlider';

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

const POCKET_LEFT = 8;
/** The cursor stops at whole steps of so long. */
const STEP_MS = 5 * 60_000;

export function Ribbon({ from, to, now, zone, state, lanes, startAt, limit, extra, all = false }: RibbonProps) {
  const pocket = usePocket();
  const [turn, setTurn] = useState(0);
  const clip = useId();
  const cursor = useCursor();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const { setSpan } = cursor;
  useEffect(() => {
    setSpan([from, to], startAt);
    return () => setSpan(null);
  }, [from, to, startAt, setSpan]);

  const water = useMemo(() => waterStateOf(state.record), [state.record]);
  const turns = useMemo(() => (water.tide ? tideTurns(water.tide, from, to) : []), [water, from, to]);
  const nights = useMemo(() => lightSpans(from, to, water.lat, water.lon), [from, to, water]);
  const left = pocket ? POCKET_LEFT : LABELS;
  const x = useMemo(() => scaleLinear([from, to], [left, width - 12]), [from, to, width, left]);
  const laid = layRibbon({ specs: lanes, ownHeight: extra?.height ?? null, pocket, all, turn });
  const { total, row, inTurn } = laid;
  const own = laid.ownShown ? extra : undefined;
  const ownTop = total - (own?.height ?? 0);
  const at = cursor.at;
  const lane = (height: number): LaneProps => ({ x, from, to, now, height, zone, at, clip, pocket });
  return (
    <div ref={box} className="relative shrink-0 select-none border-t border-ink bg-chalk" style={{ height: total }}>
      <LaneInPocket.Provider value={pocket}>
        <svg width={width} height={total} className="block">
          <clipPath id={clip}>
            <rect x={left} y={0} width={Math.max(0, width - left - 12)} height={total} />
          </clipPath>
          <g aria-hidden="true">
            <RibbonHours {...{ x, from, to, zone, nights, width, left, total }} />
            {laid.lanes.map(({ key, name, own, top, height }) => (
              <g key={key} transform={`translate(0 ${top})`}>
                {name !== 'light' && <line x1={0} x2={width} y1={height - 0.5} y2={height - 0.5} stroke="var(--line)" />}
                {own?.render(lane(height))}
                {name !== null && <OneLane {...lane(height)} {...{ name, water, turns, state, limit }} />}
              </g>
            ))}
          </g>
          {own && <g transform={`translate(0 ${ownTop})`}>{own.render(lane(own.height))}</g>}
          <RibbonCursor {...{ x, at, now, from, to, zone, total }} segments={laid.segments} />
        </svg>
      </LaneInPocket.Provider>
      {own && (
        <div
          className="pointer-events-none absolute left-3 flex items-baseline gap-x-2 md:left-[18px] md:block"
          style={pocket ? { top: ownTop - row + 4 } : { top: ownTop + 6, width: LABELS - 24 }}
        >
          {own.label}
        </div>
      )}
      <TimeSlider
        {...{ from, to, zone }}
        left={pocket ? 0 : LABELS}
        height={own ? ownTop - row : total}
        onPlace={(px) => cursor.set(Math.round(x.invert(px) / STEP_MS) * STEP_MS)}
      />
      {inTurn > 1 && (
        <div className="absolute right-1 flex" style={{ top: TOP + 4 }}>
          <LaneButton label="Lane before" onPress={() => setTurn((c) => (c + inTurn - 1) % inTurn)}>
            <ChevronLeft size={20} aria-hidden="true" />
          </LaneButton>
          <LaneButton label="Next lane" onPress={() => setTurn((c) => (c + 1) % inTurn)}>
            <ChevronRight size={20} aria-hidden="true" />
          </LaneButton>
        </div>
      )}
    </div>
  );
}

/** The width of what a ref holds, as it changes. */
function useWidth(box: RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(900);
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    const observer = new ResizeObserver(() => setWidth(el.clientWidth));
    observer.observe(el);
    return () => observer.disconnect();
  }, [box]);
  return width;
}
