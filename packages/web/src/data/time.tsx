// The one time cursor of the desk.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { serverNow } from './clock';
import { inAddress } from './useAddress';
import { useKeys } from './useKeys';

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
const IN_ADDRESS = 'at';
/** A cursor in motion is written down when it has come to rest. */
const WRITE_MS = 700;

function askedFor(): number | null {
  const at = Date.parse(`${inAddress(IN_ADDRESS)}Z`);
  return Number.isNaN(at) ? null : at;
}

export function CursorProvider({ children }: { children: ReactNode }) {
  const [at, setAt] = useState(() => Math.round(serverNow() / QUARTER) * QUARTER);
  const [span, keepSpan] = useState<readonly [number, number] | null>(null);
  /** Whether somebody has moved it on this screen. */
  const moved = useRef(false);
  const set = useCallback(
    (to: number) => {
      moved.current = true;
      setAt(span ? Math.min(span[1], Math.max(span[0], to)) : to);
    },
    [span],
  );
  const move = useCallback(
    (minutes: number) => {
      moved.current = true;
      setAt((t) => {
        const to = Math.round((t + minutes * 60_000) / QUARTER) * QUARTER;
        return span ? Math.min(span[1], Math.max(span[0], to)) : to;
      });
    },
    [span],
  );
  const setSpan = useCallback((next: readonly [number, number] | null, startAt?: number) => {
    keepSpan(next);
    setAt((t) => {
      const asked = askedFor();
      const wanted = asked !== null && next && asked >= next[0] && asked <= next[1] ? asked : (startAt ?? t);
      return next ? Math.min(next[1], Math.max(next[0], wanted)) : wanted;
    });
  }, []);
  // The address has where the cursor stands, so that a reload or a friend finds it there.
  const { pathname } = useLocation();
  const navigate = useNavigate();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another screen begins anew
  useEffect(() => {
    moved.current = false;
  }, [pathname]);
  useEffect(() => {
    if (!span || !moved.current) return;
    const timer = window.setTimeout(() => {
      // The next screen may be on its way already: the address is its own then.
      if (window.location.pathname !== pathname) return;
      const search = new URLSearchParams(window.location.search);
      search.set(IN_ADDRESS, new Date(at).toISOString().slice(0, 16));
      navigate({ pathname, search: search.toString() }, { replace: true, preventScrollReset: true });
    }, WRITE_MS);
    return () => window.clearTimeout(timer);
  }, [at, span, pathname, navigate]);
  useKeys({ ',': () => move(-15), '.': () => move(15), '<': () => move(-60), '>': () => move(60) });
  const value = useMemo(() => ({ at, set, move, span, setSpan }), [at, set, move, span, setSpan]);
  return <CursorContext.Provider value={value}>{children}</CursorContext.Provider>;
}

/** The time cursor that every desk screen follows. */
export function useCursor(): Cursor {
  const cursor = useContext(CursorContext);
  if (!cursor) throw new Error('useCursor outside CursorProvider');
  return cursor;
}
