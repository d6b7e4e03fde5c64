import { useEffect, useRef } from 'react';
import { isTyping } from '../data/time';
import { depth } from '../ui/format';
import { Button, Waiting } from '../ui/parts';
import type { Found } from './useGrounds';

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
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey || !found || document.querySelector('[role=dialog]')) return;
      const i = found.findIndex((f) => f.key === selected);
      const here = found[i];
      const next = (step: number) => {
        const to = found[Math.min(found.length - 1, Math.max(0, i + step))];
        if (!to) return;
        e.preventDefault();
        onSelect(to.key);
        list.current?.querySelector(`[data-found="${CSS.escape(to.key)}"]`)?.scrollIntoView({ block: 'nearest' });
      };
      if (e.key === 'ArrowDown') next(1);
      if (e.key === 'ArrowUp') next(-1);
      if (e.key === 'a' && here && mayEdit) {
        e.preventDefault();
        onAccept(here);
      }
      if (e.key === 'x' && here && mayEdit) {
        e.preventDefault();
        const after = found[i + 1] ?? found[i - 1];
        onDismiss(here);
        if (after) onSelect(after.key);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [found, selected, mayEdit, onSelect, onAccept, onDismiss]);
  if (!found) return <Waiting what="Looking over the sea bed" />;
  return (
    <>
      <p className="px-3 py-2 text-[0.87rem] text-ink-2">
        {found.length === 0
          ? 'Nothing new stands out of this sea bed.'
          : `${found.length} places that the sea bed shows and no spot covers. Arrows choose, A makes a spot of it, X dismisses it for good.`}
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
                  <span className="num">{depth(f.depthM)} m</span>
                </span>
                <span className="block text-[0.87rem] text-ink-2">
                  {f.reason}
                  {f.toDeepM !== null && f.kind !== 'hole' && f.kind !== 'channel bend'
                    ? `, ${Math.round(f.toDeepM / 10) * 10} m from deep water`
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
