import { type PointerEvent, useRef } from 'react';
import { amount } from '../data/units';
import { ticksOf } from '../ui/ticksOf';
import { usePocket } from '../ui/usePocket';
import type { Plot, PlotMark, PlotPath } from './sum';

/** Width of the drawing at the desk and in the pocket, so that its words keep their size. */
const WIDTHS = { desk: 680, pocket: 390 } as const;
const MOST_HEIGHT = 460;

interface PlotViewProps {
  readonly plot: Plot;
  readonly label: string;
  /** A handle was dragged to a value. */
  readonly onDrag: (field: string, value: number) => void;
}

/** A side view of the water or a view from above, at one scale in both directions; its handles are dragged. */
export function PlotView({ plot, label, onDrag }: PlotViewProps) {
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<{ field: string; scale: number } | null>(null);
  const WIDTH = WIDTHS[usePocket() ? 'pocket' : 'desk'];
  const scale = Math.min(WIDTH / plot.widthM, MOST_HEIGHT / plot.heightM);
  const height = plot.heightM * scale;
  const left = (WIDTH - plot.widthM * scale) / 2;
  const px = ([x, y]: readonly [number, number]) => [left + x * scale, y * scale] as const;
  const move = (e: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    const handle = plot.handles.find((h) => h.field === held.current?.field);
    if (!box || !handle) return;
    const per = WIDTH / box.width;
    const metres = handle.along === 'x' ? ((e.clientX - box.left) * per - left) / scale : ((e.clientY - box.top) * per) / scale;
    onDrag(handle.field, handle.value(metres));
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full touch-none select-none"
      role="img"
      aria-label={label}
      data-plot
      onPointerMove={(e) => held.current && move(e)}
      onPointerUp={() => {
        held.current = null;
      }}
    >
      <rect
        x={0}
        y={0}
        width={WIDTH}
        height={height}
        fill={plot.kind === 'top' ? 'var(--water)' : 'var(--paper)'}
        opacity={plot.kind === 'top' ? 0.45 : 1}
      />
      {plot.kind === 'side' && plot.surfaceM !== undefined && plot.bottomM !== undefined && (
        <>
          <rect
            x={0}
            y={plot.surfaceM * scale}
            width={WIDTH}
            height={(plot.bottomM - plot.surfaceM) * scale}
            fill="var(--water)"
            opacity={0.55}
          />
          <rect x={0} y={plot.bottomM * scale} width={WIDTH} height={Math.max(0, height - plot.bottomM * scale)} fill="var(--sand)" />
          <line x1={0} x2={WIDTH} y1={plot.surfaceM * scale} y2={plot.surfaceM * scale} stroke="var(--ink-3)" />
          {ticksOf(0, plot.bottomM - plot.surfaceM, 4)
            .slice(1)
            .map((m) => (
              <text
                key={m}
                x={WIDTH - 6}
                y={((plot.surfaceM ?? 0) + m) * scale + 4}
                textAnchor="end"
                fontSize={12}
                className="num"
                fill="var(--ink-2)"
              >
                {amount(m, 'depth', m < 1 ? 1 : 0)}
              </text>
            ))}
        </>
      )}
      {plot.kind === 'top' && <ScaleBar metres={plot.widthM} scale={scale} y={height - 14} />}
      {plot.paths.map((p) => (
        <Path key={`${p.look} ${p.points.join(' ')}`} path={p} at={px} />
      ))}
      {plot.marks.map((m) => (
        <Mark key={`${m.text} ${m.x} ${m.y}`} mark={m} at={px} width={WIDTH} />
      ))}
      {plot.handles.map((h) => {
        const [x, y] = px([h.x, h.y]);
        return (
          <circle
            key={h.field}
            cx={x}
            cy={y}
            r={11}
            fill="var(--paper)"
            stroke="var(--kelp)"
            strokeWidth={3}
            className={h.along === 'x' ? 'cursor-ew-resize' : 'cursor-ns-resize'}
            data-handle={h.field}
            onPointerDown={(e) => {
              (e.target as Element).setPointerCapture(e.pointerId);
              held.current = { field: h.field, scale };
            }}
          />
        );
      })}
    </svg>
  );
}

function ScaleBar({ metres, scale, y }: { metres: number; scale: number; y: number }) {
  // A round length of at most a third of the picture; half of that where the next rounder one is too long.
  const of = ticksOf(0, metres / 3, 2)[1] ?? ticksOf(0, metres / 3, 4)[1] ?? metres / 3;
  return (
    <g>
      <path d={`M 14 ${y - 5} v 5 h ${of * scale} v -5`} stroke="var(--ink-2)" fill="none" />
      <text x={20 + of * scale} y={y} fontSize={12} className="num" fill="var(--ink-2)">
        {amount(of, 'near', 0)}
      </text>
    </g>
  );
}

type At = (p: readonly [number, number]) => readonly [number, number];

function Path({ path, at }: { path: PlotPath; at: At }) {
  const points = path.points
    .map((p) =>
      at(p)
        .map((v) => v.toFixed(1))
        .join(),
    )
    .join(' ');
  if (path.look === 'area') return <polygon points={points} fill="var(--kelp-pale)" stroke="var(--kelp)" strokeDasharray="4 3" />;
  const stroke = path.look === 'choice' ? 'var(--kelp)' : path.look === 'caution' ? 'var(--rust)' : 'var(--ink)';
  return (
    <polyline
      points={points}
      fill="none"
      stroke={stroke}
      strokeWidth={path.look === 'choice' ? 3 : 1.6}
      strokeDasharray={path.look === 'dashed' ? '5 5' : undefined}
    />
  );
}

const PLACES = {
  left: { dx: -12, dy: 4, anchor: 'end' },
  right: { dx: 14, dy: 4, anchor: 'start' },
  above: { dx: 0, dy: -14, anchor: 'middle' },
  below: { dx: 0, dy: 26, anchor: 'middle' },
} as const;

function Mark({ mark, at, width }: { mark: PlotMark; at: At; width: number }) {
  const [x, y] = at([mark.x, mark.y]);
  const place = PLACES[mark.side ?? 'right'];
  const half = place.anchor === 'middle' ? mark.text.length * 3.6 : 0;
  return (
    <g>
      {mark.look === 'weight' && <path d={`M ${x - 6} ${y - 15} h 12 l 3 13 q -9 6 -18 0 z`} fill="var(--ink)" />}
      {mark.look === 'lure' && <path d={`M ${x - 14} ${y} q 14 -9 28 0 q -14 9 -28 0`} fill="var(--kelp)" stroke="var(--ink)" />}
      {mark.look === 'feed' && <circle cx={x} cy={y} r={3.5} fill="var(--rust)" />}
      {mark.look === 'boat' && <path d={`M ${x} ${y - 9} l 6 16 h -12 z`} fill="var(--ink)" />}
      <text
        x={Math.min(width - 4 - half, Math.max(4 + half, x + place.dx))}
        y={y + place.dy}
        textAnchor={place.anchor}
        fontSize={14}
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {mark.text}
      </text>
    </g>
  );
}
