import { useRef } from 'react';
import { depth } from '../ui/format';
import { Button, Waiting } from '../ui/parts';
import type { Found } from './useGrounds';
import { amount, words } from '../data/units';
import { useKeys } from '../data/useKeys';
import { Term } from '../ui/Term';

interface Props {
  readonly found: readonly Found[] | null;
  readonly selected: string | null;
  readonly mayEdit: boolean;
  readonly onSelect: (key: string) => void;
  readonly onAccept: (place: Found) => void;
  readonly onDismiss: (place: Found) => void;
}

/** Edges, points, humps and holes that the sea bed shows: A makes a spot of the one in hand, X dismisses it for good. */
export function FoundList({ found, selected, mayEdit, onSelect, onAccept, onDismiss }: Props) {
  const list = useRef<HTMLUListElement>(null);
  const i = found?.findIndex((f) => f.key === selected) ?? -1;
  const here = found?.[i];
  const next = (step: number) => {
    const to = found?.[Math.min(found.length - 1, Math.max(0, i + step))];
    if (!to) return;
    onSelect(to.key);
    list.current?.querySelector(`[data-found="${CSS.escape(to.key)}"]`)?.scrollIntoView({ block: 'nearest' });
  };
  const [down, up] = [() => next(1), () => next(-1)];
  useKeys({
    ArrowDown: down,
    ArrowUp: up,
    a: here && mayEdit ? () => onAccept(here) : null,
    x:
      here && mayEdit
        ? () => {
            const after = found?.[i + 1] ?? found?.[i - 1];
            onDismiss(here);
            if (after) onSelect(after.key);
          }
        : null,
  });
  if (!found) return <Waiting what="Looking over the sea bed" />;
  return (
    <>
      <p className="px-3 py-2 text-[0.87rem] text-ink-2">
        {found.length === 0
          ? 'Nothing new stands out of this sea bed.'
          : `${found.length} places that the sea bed shows and no spot covers. Arrows choose, A makes a spot of it, X dismisses it.`}{' '}
        <Term name="found" />
      </p>
      <ul ref={list} className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label="Found by computation">
        {found.map((f) => {
          const open = f.key === selected;
          return (
            <li
              key={f.key}
              data-found={f.key}
              className={`border-t border-line border-l-4 ${open ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`}
            >
              <button
                type="button"
                aria-pressed={open}
                className="block w-full cursor-pointer px-3 py-1.5 text-left"
                onClick={() => onSelect(f.key)}
              >
                <span className="flex justify-between gap-2">
                  <b>{f.kind}</b>
                  <span className="num">{depth(f.depthM)}</span>
                </span>
                <span className="block text-[0.87rem] text-ink-2">
                  {words(f.reason)}
                  {f.toDeepM !== null && f.kind !== 'hole' && f.kind !== 'channel bend'
                    ? `, ${amount(Math.round(f.toDeepM / 10) * 10, 'near', 0)} from deep water`
                    : ''}
                </span>
              </button>
              {open && mayEdit && (
                <div className="flex gap-2 px-3 pb-2">
                  <Button hint="A" className="py-0.5" onClick={() => onAccept(f)}>
                    Make a spot
                  </Button>
                  <Button hint="X" className="py-0.5" onClick={() => onDismiss(f)}>
                    Dismiss
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
