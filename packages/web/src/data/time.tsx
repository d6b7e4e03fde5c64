// The one time cursor of the desk.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { serverNow } from './clock';

interface Cursor {
  readonly at: number;
  /** Moves the cursor, kept inside the span that the screen shows. */
  readonly set: (atMs: number) => void;
  readonly move: (minutes: number) => void;
  readonly span: readonly [number, number] | null;
  readonly setSpan: (span: readonly [number, number] | null, startAt?: number) => void;
}

const CursorContext = createContext<Cursor | null>(null);
const QUARTER = 15 * 60_000;

export function CursorProvider({ children }: { children: ReactNode }) {
  const [at, setAt] = useState(() => Math.round(serverNow() / QUARTER) * QUARTER);
  const [span, keepSpan] = useState<readonly [number, number] | null>(null);
  const set = useCallback((to: number) => setAt(span ? Math.min(span[1], Math.max(span[0], to)) : to), [span]);
  const move = useCallback(
    (minutes: number) =>
      setAt((t) => {
        const to = Math.round((t + minutes * 60_000) / QUARTER) * QUARTER;
        return span ? Math.min(span[1], Math.max(span[0], to)) : to;
      }),
    [span],
  );
  const setSpan = useCallback((next: readonly [number, number] | null, startAt?: number) => {
    keepSpan(next);
    setAt((t) => {
      const wanted = startAt ?? t;
      return next ? Math.min(next[1], Math.max(next[0], wanted)) : wanted;
    });
  }, []);
  useEffect(() => {
    const step = (e: KeyboardEvent) => {
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      const minutes = { ',': -15, '.': 15, '<': -60, '>': 60 }[e.key];
      if (minutes !== undefined) {
        e.preventDefault();
        move(minutes);
      }
    };
    window.addEventListener('keydown', step);
    return () => window.removeEventListener('keydown', step);
  }, [move]);
  const value = useMemo(() => ({ at, set, move, span, setSpan }), [at, set, move, span, setSpan]);
  return <CursorContext.Provider value={value}>{children}</CursorContext.Provider>;
}

/** The time cursor that every desk screen follows. */
export function useCursor(): Cursor {
  const cursor = useContext(CursorContext);
  if (!cursor) throw new Error('useCursor outside CursorProvider');
  return cursor;
}

/** True when a key belongs to a field that is being typed in. */
export function isTyping(e: KeyboardEvent): boolean {
  return e.target instanceof Element && e.target.closest('input:not([type=checkbox]), textarea, select, [contenteditable=true]') !== null;
}
