import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { matchPath, Navigate, Outlet, useLocation } from 'react-router';
import { Toaster } from 'sonner';
import { ApiProblem, isAway, watchAway } from '../data/api';
import { meQuery } from '../data/queries';
import { CursorProvider } from '../data/time';
import { useChanges } from '../data/useChanges';
import { forgetRead } from '../offline/answers';
import { belongsTo } from '../offline/store';
import { useTakeAlong } from '../offline/useTakeAlong';
import { useWaiting } from '../offline/useWaiting';
import { Waiting } from '../ui/parts';
import { usePocket } from '../ui/usePocket';
import { FEATURES } from './features';
import { useHere } from './here';
import { KeyList } from './KeyList';
import { Overdue } from './Overdue';
import { Palette } from './Palette';
import { PocketBar } from './PocketBar';
import { Rail } from './Rail';
import { useGoKeys } from './useGoKeys';
import { useNewVersion } from './useNewVersion';

export function Shell() {
  const me = useQuery(meQuery);
  const { pathname, search } = useLocation();
  const keepsOn = FEATURES.some((f) => f.keepsOn && matchPath(f.path, pathname));
  const over = me.error instanceof ApiProblem && me.error.body.status === 401;
  const queries = useQueryClient();
  useEffect(() => {
    if (over) void forgetRead(queries).catch(() => undefined);
  }, [over, queries]);
  if (me.isPending && !keepsOn) return <Waiting what="Opening" />;
  if (over && !keepsOn) return <Navigate to="/sign-in" state={{ from: `${pathname}${search}` }} replace />;
  return (
    <CursorProvider>
      <Frame />
      <Toaster position="bottom-left" theme={document.documentElement.dataset.theme === 'night' ? 'dark' : 'light'} />
    </CursorProvider>
  );
}

/** The screen in its frame: the rail of the desk or the bar of the pocket. */
function Frame() {
  const { data: me } = useQuery(meQuery);
  const here = useHere();
  const pocket = usePocket();
  const waiting = useWaiting();
  const away = useSyncExternalStore(watchAway, isAway);
  useTakeAlong(here, FEATURES, pocket);
  const [palette, setPalette] = useState(false);
  const [keys, setKeys] = useState(false);
  useChanges();
  useNewVersion();
  useEffect(() => {
    if (me) void belongsTo(me.id).catch(() => undefined);
  }, [me]);
  useGoKeys(here, { onPalette: () => setPalette((p) => !p), onKeys: () => setKeys(true) });
  return (
    <div className="flex h-dvh flex-col overflow-hidden md:flex-row">
      <a
        href="#screen"
        className="absolute left-2 z-50 -translate-y-full rounded border border-ink bg-paper px-3 py-1 focus:top-2 focus:translate-y-0"
      >
        To the screen
      </a>
      {!pocket && <Rail here={here} waiting={waiting} onPalette={() => setPalette(true)} />}
      {away && (
        <p
          role="status"
          data-away
          className="no-print bg-rust-pale px-3 py-1 text-[0.9rem] text-rust md:absolute md:right-0 md:bottom-0 md:z-40"
        >
          No answer from the server: you see what was last read here.
        </p>
      )}
      <main id="screen" tabIndex={-1} className="flex min-h-0 min-w-0 flex-1 flex-col outline-none">
        <Overdue />
        <Outlet />
      </main>
      {pocket && <PocketBar here={here} waiting={waiting} name={me?.name ?? ''} onPalette={() => setPalette(true)} />}
      <Palette open={palette} onOpen={setPalette} here={here} name={me?.name ?? ''} demo={me?.demo ?? false} onKeys={() => setKeys(true)} />
      <KeyList open={keys} onClose={() => setKeys(false)} />
    </div>
  );
}
