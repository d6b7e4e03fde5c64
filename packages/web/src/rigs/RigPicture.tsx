// A rig in its water, drawn to one scale in both directions from the card's own numbers.
import type { RigCard } from '@bluffwind/core/tackle/rigQuestion';
import { inMine, myUnit, amount, words } from '../data/units';
import { ticksOf } from '../ui/ticksOf';
import { labelRows } from './labelRows';
import type { Point } from './point';
import { RigGlyph } from './RigGlyph';

const SKY = 74;
const WATER = 300;
const LEFT = 52;
/** Width of the drawing and where its words stand, at the desk and in the pocket. */
const ROOM = { wide: { width: 640, words: 424 }, narrow: { width: 390, words: 206 } } as const;
/** A hook nearer to the bottom than this is drawn once more, larger, px. */
const SMALL = 16;

interface RigPictureProps {
  readonly card: RigCard;
  /** Where and when, for who hears it. */
  readonly place: string;
  readonly room: keyof typeof ROOM;
}

/** The drawing of a card. */
export function RigPicture({ card, place, room }: RigPictureProps) {
  const { width: WIDTH, words: WORDS } = ROOM[room];
  const d = card.drawing;
  const along = Math.max(0, ...d.line.map((p) => p.alongM));
  // One scale: the depth fits the height, and the line the width left of the words.
  const rodX = LEFT + (room === 'wide' ? 110 : 62);
  const scale = Math.min(WATER / d.depthM, (WORDS - rodX - 46) / Math.max(0.5, along));
  const water = d.depthM * scale;
  const bottom = SKY + water;
  const end = d.line.at(-1) ?? { upM: d.depthM, alongM: 0 };
  const weight = { x: rodX + end.alongM * scale, y: bottom - d.weightUpM * scale };
  const points = d.line.map((p) => `${(weight.x - p.alongM * scale).toFixed(1)},${(weight.y - p.upM * scale).toFixed(1)}`);
  const hook = hookOf(card, weight, bottom, scale);
  const height = bottom + 44;
  const rows = labelRows(labelsOf(card, weight, hook, bottom, scale), 18, SKY + 6, bottom + 30);
  const small = (bottom - hook.y < SMALL && d.hookUpM > 0.02) || scale < 14;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`${card.name} to scale, ${place}. ${heard(card)}`}
      data-rig-picture
    >
      <defs>
        <linearGradient id="rig-water" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="var(--water)" stopOpacity={0.35} />
          <stop offset="1" stopColor="var(--water)" />
        </linearGradient>
      </defs>
      <rect x={0} y={SKY} width={WIDTH} height={water} fill="url(#rig-water)" />
      <rect x={0} y={bottom} width={WIDTH} height={44} fill="var(--sand)" />
      <line x1={0} x2={WIDTH} y1={SKY} y2={SKY} stroke="var(--ink-3)" strokeWidth={1.5} />
      {ticksOf(0, inMine(d.depthM, 'depth'), 5)
        .slice(1)
        .map((t) => {
          const y = SKY + (t / inMine(1, 'depth')) * scale;
          return (
            <g key={t} className="num" fontSize={12} fill="var(--ink-2)">
              <line x1={0} x2={7} y1={y} y2={y} stroke="var(--ink-3)" />
              <text x={11} y={y + 4}>
                {t} {myUnit('depth')}
              </text>
            </g>
          );
        })}
      {d.currentMps !== null && d.currentMps >= 0.02 && (
        <g stroke="var(--ink)" fill="none" strokeWidth={1.5}>
          <path d={`M 12 ${SKY + 34} h 40 m -8 -5 l 8 5 l -8 5`} />
          <text x={10} y={SKY + 24} fontSize={13} fill="var(--ink)" stroke="none">
            {amount(d.currentMps, 'current', 1)}
          </text>
        </g>
      )}
      {card.layout !== 'feeder' && card.layout !== 'float' ? (
        <path d={`M ${rodX - 96} ${SKY - 14} h 84 l -10 18 h -62 z`} fill="var(--ink)" />
      ) : (
        <path d={`M 0 ${SKY - 8} h ${rodX - 60} l 14 ${water * 0.5 + 8} h -${rodX - 46} z`} fill="var(--sand-2)" />
      )}
      <path d={`M ${rodX - 44} ${SKY - 14} L ${rodX} ${SKY - 52}`} stroke="var(--ink)" strokeWidth={3} />
      <path d={`M ${rodX} ${SKY - 52} L ${points.at(-1)}`} stroke="var(--ink)" strokeWidth={1.2} fill="none" />
      <polyline points={points.join(' ')} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
      {d.markedUpM !== null && <Fish x={weight.x - 92} y={bottom - Math.min(d.markedUpM, d.depthM - 0.1) * scale} />}
      <RigGlyph card={card} weight={weight} hook={hook} bottom={bottom} surface={SKY} />
      {rows.map((l) => (
        <g key={l.part}>
          <path d={`M ${l.x} ${l.y} L ${WORDS - 12} ${l.row} H ${WORDS - 4}`} stroke="var(--ink-3)" strokeDasharray="3 3" fill="none" />
          <text x={WORDS} y={l.row + 4} fontSize={14} fill={l.strong ? 'var(--rust)' : 'var(--ink)'}>
            {l.text}
          </text>
        </g>
      ))}
      {small && <LastMetre card={card} bottom={bottom} />}
    </svg>
  );
}

/** What stands close to the bottom, once more and larger. */
function LastMetre({ card, bottom }: { card: RigCard; bottom: number }) {
  const d = card.drawing;
  const size = 96;
  const metres = Math.min(d.depthM, Math.max(0.4, d.hookUpM * 1.8, (d.dropperM ?? 0) * 2.2));
  const scale = (size - 22) / metres;
  const [x, y] = [LEFT + 2, bottom - size - 12];
  const floor = y + size - 14;
  const weight = { x: x + 34, y: floor - d.weightUpM * scale };
  const hook = hookOf(card, weight, floor, scale);
  return (
    <g>
      <rect x={x} y={y} width={size + 46} height={size} fill="var(--paper)" stroke="var(--ink-3)" />
      <rect x={x} y={floor} width={size + 46} height={14} fill="var(--sand)" />
      <line x1={weight.x} x2={weight.x} y1={y} y2={weight.y} stroke="var(--ink)" strokeWidth={1.4} />
      <RigGlyph card={card} weight={weight} hook={hook} bottom={floor} surface={y} />
      <text x={x + 68} y={y + 16} fontSize={12} fill="var(--ink-2)">
        last {amount(metres, 'height', 1)}
      </text>
    </g>
  );
}

/** Where the hook hangs: over the weight, beside it, or on the lure itself. */
function hookOf(card: RigCard, weight: Point, bottom: number, scale: number): Point {
  const { hookUpM, dropperM, leaderM, layout } = card.drawing;
  const y = Math.min(bottom - 3, bottom - hookUpM * scale);
  if (layout === 'drop' || layout === 'two-bait') return { x: weight.x + Math.min(46, Math.max(18, (dropperM ?? 0.25) * scale)), y };
  if (layout === 'bottom' || layout === 'feeder') return { x: weight.x + Math.min(80, Math.max(20, leaderM * scale)), y };
  if (layout === 'float') return { x: weight.x, y };
  return { x: weight.x, y: weight.y };
}

function labelsOf(card: RigCard, weight: Point, hook: Point, bottom: number, scale: number) {
  const d = card.drawing;
  const of = (name: string) => card.parts.find((p) => p.name === name);
  const first = (text: string | undefined) => words(text ?? '').split(/[,;:]/)[0] ?? '';
  const middle = d.line[Math.floor(d.line.length / 2)] ?? { upM: d.depthM / 2, alongM: 0 };
  const onLine = { x: weight.x - middle.alongM * scale, y: weight.y - middle.upM * scale };
  const lean = d.angleDeg === null ? '' : `, ${Math.round(d.angleDeg)}° off plumb`;
  const out: { part: string; x: number; y: number; text: string; strong?: boolean }[] = [
    { part: 'line', ...onLine, text: `${first(of('line')?.what).replace(/ of .*/, '')}${lean}` },
  ];
  const leader = of('leader');
  if (leader) out.push({ part: 'leader', x: (weight.x + hook.x) / 2, y: (weight.y + hook.y) / 2, text: `leader ${first(leader.what)}` });
  const up = of('hook height') ?? of('dropper') ?? of('link');
  if (up) out.push({ part: up.name, ...hook, text: `${up.name === 'hook height' ? 'hook ' : ''}${first(up.what)}`, strong: true });
  const heavy = of('weight') ?? of('diver') ?? of('feeder');
  if (heavy)
    out.push({
      part: heavy.name,
      ...weight,
      text: `${heavy.name === 'diver' ? '' : heavy.name === 'weight' ? 'weight ' : ''}${first(heavy.what)}`,
      strong: true,
    });
  if (d.markedUpM !== null)
    out.push({
      part: 'marks',
      x: weight.x - 74,
      y: bottom - d.markedUpM * scale,
      text: `fish marked ${amount(d.markedUpM, 'height', 1)} up`,
    });
  return out.map((l) => ({ ...l, strong: l.strong ?? false }));
}

const heard = (card: RigCard): string =>
  card.parts
    .slice(0, 4)
    .map((p) => `${p.name}: ${words(p.what)}`)
    .join('; ');

function Fish({ x, y }: Point) {
  return (
    <g stroke="var(--ink-2)" fill="none" strokeWidth={1.6}>
      {[0, 1].map((i) => (
        <path key={i} d={`M ${x - i * 26} ${y - i * 8} q 14 -9 28 0 l 8 -5 v 10 l -8 -5 q -14 9 -28 0`} />
      ))}
    </g>
  );
}
