// The one time cursor of the desk, and the server's clock.
import type { Me } from '@bluffwind/contract/auth';
import { useQuery } from '@tanstack/react-query';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { meQuery } from './queries';

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

let offset = 0;

/** Learns the server's clock; screens and the deck read serverNow(). */
export function learnClock(me: Pick<Me, 'now'>): void {
  offset = Date.parse(me.now) - Date.now();
  localStorage.setItem('clock-offset', String(offset));
}

/** The server's time, also offline (from the last time it was heard). */
export function serverNow(): number {
  if (offset === 0) offset = Number(localStorage.getItem('clock-offset') ?? 0);
  return Date.now() + offset;
}

export function CursorProvider({ children }: { children: ReactNode }) {
  const { data: me } = useQuery(meQuery);
  const [at, setAt] = useState(() => Math.round(serverNow() / QUARTER) * QUARTER);
  const [span, keepSpan] = useState<readonly [number, number] | null>(null);
  useEffect(() => {
    if (me) learnClock(me);
  }, [me]);
  const set = useCallback((to: number) => setAt(span ? Math.min(span[1], Math.max(span[0], to)) : to), [span]);
  const move = useCallback((minutes: number) => setAt((t) => {
    const to = Math.round((t + minutes * 60_000) / QUARTER) * QUARTER;
    return span ? Math.min(span[1], Math.max(span[0], to)) : to;
  }), [span]);
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
  const el = e.target as HTMLElement | null;
  return el?.closest('input:not([type=checkbox]), textarea, select, [contenteditable=true]') !== null && el !== null && el.closest !== undefined && !!el.closest('input:not([type=checkbox]), textarea, select, [contenteditable=true]');
}
