import type { RigCard } from '@bluffwind/core/tackle/rigQuestion';
import type { Point } from './point';

interface GlyphProps {
  readonly card: RigCard;
  readonly weight: Point;
  readonly hook: Point;
  readonly bottom: number;
  readonly surface: number;
}

/** What hangs at the end of the line, by how the rig is built. */
export function RigGlyph({ card, weight, hook, bottom, surface }: GlyphProps) {
  switch (card.layout) {
    case 'drop':
      return (
        <>
          <Lead {...weight} />
          <Leader from={{ x: weight.x, y: hook.y }} to={hook} />
          <Hook {...hook} />
        </>
      );
    case 'two-bait':
      return (
        <>
          <Lure x={weight.x} y={weight.y - 4} />
          <Leader from={{ x: weight.x, y: hook.y }} to={hook} />
          <Hook {...hook} />
        </>
      );
    case 'bottom':
    case 'feeder':
      return (
        <>
          {card.layout === 'feeder' ? <Feeder {...weight} /> : <Lead {...weight} />}
          <Leader from={weight} to={hook} />
          <Hook {...hook} />
        </>
      );
    case 'vertical':
      return <path d={`M ${weight.x} ${weight.y - 9} l 5 9 l -5 9 l -5 -9 z`} fill="var(--kelp)" />;
    case 'jig':
      return (
        <g>
          <circle cx={weight.x} cy={Math.min(weight.y, bottom - 4)} r={4.5} fill="var(--ink)" />
          <path d={`M ${weight.x + 4} ${Math.min(weight.y, bottom - 4)} q 10 -5 20 1 q -10 3 -20 1`} fill="var(--kelp)" />
        </g>
      );
    case 'float':
      return (
        <>
          <ellipse cx={weight.x} cy={surface} rx={5} ry={8} fill="var(--rust)" stroke="var(--ink)" />
          <Leader from={{ x: weight.x, y: surface }} to={hook} />
          <Hook {...hook} />
        </>
      );
    case 'boards':
      return (
        <>
          <path d={`M ${weight.x - 12} ${surface - 4} h 24 l -5 9 h -19 z`} fill="var(--rust)" stroke="var(--ink)" />
          <Leader from={{ x: weight.x, y: surface }} to={weight} />
          <Hook {...weight} />
        </>
      );
    case 'lipped':
    case 'lure':
    case 'free':
    case 'troll':
      return <Lure {...weight} lip={card.layout === 'lipped'} />;
  }
}

function Lead({ x, y }: Point) {
  return <path d={`M ${x - 5} ${y - 14} h 10 l 3 11 q -8 6 -16 0 z`} fill="var(--ink)" />;
}

function Feeder({ x, y }: Point) {
  return <path d={`M ${x - 6} ${y - 15} h 12 v 14 h -12 z m 3 0 v 14 m 3 -14 v 14 m 3 -14 v 14`} fill="var(--paper)" stroke="var(--ink)" />;
}

function Leader({ from, to }: { from: Point; to: Point }) {
  return <path d={`M ${from.x} ${from.y} L ${to.x} ${to.y}`} stroke="var(--kelp)" strokeWidth={1.6} fill="none" />;
}

function Hook({ x, y }: Point) {
  return <path d={`M ${x} ${y} h 3 v 6 q 0 5 -5 5 q -5 0 -5 -4`} stroke="var(--rust)" strokeWidth={1.8} fill="none" />;
}

function Lure({ x, y, lip = false }: Point & { lip?: boolean }) {
  return (
    <g>
      <path d={`M ${x - 2} ${y} q 12 -9 26 0 q -14 9 -26 0`} fill="var(--kelp)" stroke="var(--ink)" />
      {lip && <path d={`M ${x} ${y + 1} l -8 8`} stroke="var(--ink)" strokeWidth={2} />}
    </g>
  );
}
