import type { Board, BoardUnder } from '@bluffwind/core/tackle/boardSpread';
import { amount, myUnit, words } from '../data/units';
import { Button } from '../ui/parts';
import { FigureCell } from './FigureCell';

/** Boards that a boat can tow at once. */
export const MOST_BOARDS = 8;

interface BoardListProps {
  readonly boards: readonly Board[];
  /** What each has under it; empty while that cannot be worked out. */
  readonly under: readonly BoardUnder[];
  readonly onChange: (boards: readonly Board[]) => void;
}

/** The boards that are out, each with its figures and what it has under it. */
export function BoardList({ boards, under, onChange }: BoardListProps) {
  const change = (i: number, more: Partial<Board>) => onChange(boards.map((b, k) => (k === i ? { ...b, ...more } : b)));
  return (
    <>
      <ol className="border-t-2 border-ink">
        {boards.map((b, i) => {
          const u = under[i];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: boards have no other name, and none is moved
            <li key={i} className="border-b border-line py-2" data-board={i + 1}>
              <p className="flex items-baseline gap-2">
                <b className="flex-1">
                  Board {i + 1}, {b.side}
                </b>
                {u && (
                  <span className="num" data-bait>
                    {amount(u.depthM, 'depth', 1)}
                  </span>
                )}
              </p>
              <div className="mt-1 flex gap-1.5">
                {(
                  [
                    ['leaderM', 'Leader', 'depth'],
                    ['outM', 'Let out', 'depth'],
                    ['weightG', 'Weight', 'lead'],
                    ['reachM', 'Aside', 'near'],
                  ] as const
                ).map(([k, name, measure]) => {
                  const label = `${name}, ${myUnit(measure)}`;
                  return (
                    // biome-ignore lint/a11y/noLabelWithoutControl: the figure is inside it
                    <label key={k} className="min-w-0 flex-1 text-[0.8rem] text-ink-2">
                      {label}
                      <FigureCell
                        label={`${label} of board ${i + 1}`}
                        value={b[k] ?? 0}
                        measure={measure}
                        onChange={(v) => change(i, { [k]: v })}
                      />
                    </label>
                  );
                })}
              </div>
              {u && (
                <p className="text-[0.87rem] text-ink-2">
                  {u.leastUnderM === null
                    ? 'No soundings under it.'
                    : `${amount(u.leastUnderM, 'depth', 1)} at the least under it, ${amount(u.medianUnderM ?? 0, 'depth', 1)} mostly; put out as number ${u.order}.`}
                </p>
              )}
              {u?.warnings.map((w) => (
                <p key={w} className="text-[0.87rem] text-rust">
                  {words(w)}
                </p>
              ))}
            </li>
          );
        })}
      </ol>
      <p className="mt-2 flex gap-2">
        {boards.length < MOST_BOARDS && (
          <Button
            onClick={() =>
              onChange([...boards, { side: boards.length % 2 ? 'starboard' : 'port', leaderM: 1.2, outM: 1.8, weightG: 0, reachM: 40 }])
            }
          >
            Another board
          </Button>
        )}
        {boards.length > 1 && <Button onClick={() => onChange(boards.slice(0, -1))}>Take the last off</Button>}
      </p>
    </>
  );
}
