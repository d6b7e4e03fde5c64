import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { Link, NavLink, Navigate, Outlet, useLocation, useNavigate } from 'react-router';
import { toast, Toaster } from 'sonner';
import { addDays, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { sendWaiting } from '../offline/sender';
import { allWaiting, belongsTo, clearPhone, type StoredEntry } from '../offline/store';
import { useWaiting } from '../offline/useWaiting';
import { clock, dayName } from '../ui/format';
import { saveFile } from '../ui/saveFile';
import { Waiting } from '../ui/parts';
import { ApiProblem, post } from './api';
import { boardQuery, meQuery, outfitQuery } from './queries';
import { serverNow } from './clock';
import { CursorProvider, isTyping } from './time';
import { useChanges } from './useChanges';

const THEMES = ['chalk', 'night', 'glare'] as const;

/** Changes the look and remembers it on this device. */
function setTheme(theme: string): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem('theme', theme);
}

export function Shell() {
  const me = useQuery(meQuery);
  const location = useLocation();
  if (me.isPending) return <Waiting what="Opening" />;
  if (me.error instanceof ApiProblem && me.error.body.status === 401)
    return <Navigate to="/sign-in" state={{ from: location.pathname }} replace />;
  return (
    <CursorProvider>
      <Desk />
      <Toaster position="bottom-left" theme={document.documentElement.dataset.theme === 'night' ? 'dark' : 'light'} />
    </CursorProvider>
  );
}

function Desk() {
  const { data: me } = useQuery(meQuery);
  const { data: board } = useQuery(boardQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const waiting = useWaiting();
  useChanges();
  useEffect(() => {
    if (me) void belongsTo(me.id).catch(() => undefined);
  }, [me]);
  const [palette, setPalette] = useState(false);
  const [keys, setKeys] = useState(false);
  /** When g was pressed; kept over renders, which may come between the two keys. */
  const chord = useRef(0);
  const zone = me?.outfit.zone ?? 'UTC';
  const tomorrow = addDays(localDate(serverNow(), zone), 1);
  const trips = [...(board?.tomorrow ?? []), ...(board?.today ?? [])];
  const firstTrip = trips.find((t) => t.status !== 'done')?.id;
  const underWay =
    (board?.today ?? []).find((t) => t.status === 'under way') ??
    (board?.today ?? []).find((t) => t.status === 'planned') ??
    board?.tomorrow[0];
  const places: readonly (readonly [string, string, string])[] = [
    ['b', 'Board', '/'],
    ['w', 'Water', '/water'],
    ['g', 'Grounds', '/grounds'],
    ...(firstTrip ? [['p', 'Plan', `/trips/${firstTrip}`] as const] : []),
    ...(underWay ? [['d', 'Deck', `/deck/${underWay.id}`] as const] : []),
    ['f', 'Fleet', `/fleet/${tomorrow}`],
    ['t', 'Baits', '/baits'],
    ['r', 'Brief', `/brief/${tomorrow}`],
    ['l', 'Log', '/log'],
  ];

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        setPalette((p) => !p);
        return;
      }
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === '?') setKeys(true);
      else if (e.key === '/') {
        const field = document.querySelector<HTMLElement>('[data-search]');
        if (field) {
          e.preventDefault();
          field.focus();
        }
      } else if (Date.now() - chord.current < 2000) {
        const place = places.find(([k]) => k === e.key);
        chord.current = 0;
        if (place) navigate(place[2]);
      } else if (e.key === 'g') chord.current = Date.now();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const go = (to: string) => {
    setPalette(false);
    navigate(to);
  };
  async function setDemoClock(at: number) {
    setPalette(false);
    try {
      await post('/demo/clock', { now: new Date(at).toISOString() });
      await queries.invalidateQueries();
      toast(`The demo clock stands at ${dayName(at, zone)} ${clock(at, zone)}.`);
    } catch (error) {
      toast((error as Error).message);
    }
  }
  async function signOut() {
    await sendWaiting();
    const left = await allWaiting();
    if (left.length > 0) {
      toast(`${left.length} ${left.length === 1 ? 'entry is' : 'entries are'} on this phone only: sign out when there is a network.`, {
        duration: 20_000,
        action: { label: 'Hand over as a file', onClick: () => void leave(left) },
      });
      return;
    }
    await leave([]);
  }
  /** Signs out and takes the crew's data off this phone; entries that nobody has go into a file first. */
  async function leave(left: readonly StoredEntry[]) {
    try {
      if (left.length > 0)
        saveFile(
          'entries.json',
          JSON.stringify(
            left.map(({ tripId, entry }) => ({ tripId, entry })),
            null,
            1,
          ),
        );
      await post('/sign-out');
      await clearPhone();
      queries.clear();
      navigate('/sign-in');
    } catch (error) {
      toast((error as Error).message);
    }
  }

  return (
    <div className="flex h-dvh overflow-hidden">
      <nav aria-label="Screens" className="no-print flex w-[60px] shrink-0 flex-col items-stretch border-r border-line">
        <Link to="/" className="flex h-[54px] items-center justify-center" aria-label="Bluffwind, to the Board">
          <img src="/icon.svg" alt="" className="h-8 w-8" />
        </Link>
        {waiting > 0 && (
          <p role="status" data-waiting={waiting} className="bg-rust-pale px-1 py-1 text-center text-[0.78rem] text-rust">
            {waiting} to send
          </p>
        )}
        {places.map(([, name, to]) => (
          <NavLink
            key={name}
            to={to}
            end={to === '/'}
            className={({ isActive }) =>
              `border-l-4 py-2 text-center text-[0.78rem] no-underline ${isActive ? 'border-kelp bg-paper font-bold text-ink' : 'border-transparent text-ink-2 hover:text-ink'}`
            }
          >
            {name}
          </NavLink>
        ))}
        <button
          type="button"
          onClick={() => setPalette(true)}
          className="mt-auto cursor-pointer py-3 text-center text-[0.78rem] text-ink-2"
          aria-label="^K, any command"
        >
          <kbd className="num rounded border border-line px-1">^K</kbd>
        </button>
      </nav>
      <main className="flex min-w-0 flex-1 flex-col">
        <Outlet />
      </main>
      <Command.Dialog
        open={palette}
        onOpenChange={setPalette}
        label="Any command"
        className="fixed inset-0 z-50 flex items-start justify-center bg-ink/30 pt-[12vh]"
      >
        <div className="w-[520px] rounded border border-ink bg-paper shadow-lg">
          <Dialog.Title className="sr-only">Any command</Dialog.Title>
          <Dialog.Description className="sr-only">Type to find a screen, a trip or a command</Dialog.Description>
          <Command.Input
            placeholder="Screen, trip or command"
            className="w-full border-b border-line bg-transparent px-4 py-3 outline-none"
          />
          <Command.List className="max-h-[50vh] overflow-auto p-2 [&_[cmdk-item]]:cursor-pointer [&_[cmdk-item]]:rounded [&_[cmdk-item]]:px-3 [&_[cmdk-item]]:py-1.5 [&_[cmdk-item][data-selected=true]]:bg-kelp-pale">
            <Command.Empty className="px-3 py-2 text-ink-2">Nothing of that name.</Command.Empty>
            {places.map(([key, name, to]) => (
              <Command.Item key={name} onSelect={() => go(to)}>
                {name} <span className="num text-ink-2">g {key}</span>
              </Command.Item>
            ))}
            {trips.map((t) => (
              <Command.Item key={t.id} value={`plan ${t.boat.name} ${t.startsAt}`} onSelect={() => go(`/trips/${t.id}`)}>
                Plan {t.boat.name}, {dayName(t.startsAt, zone)} {clock(t.startsAt, zone)}
              </Command.Item>
            ))}
            {trips.map((t) => (
              <Command.Item key={`deck ${t.id}`} value={`deck ${t.boat.name} ${t.startsAt}`} onSelect={() => go(`/deck/${t.id}`)}>
                Deck of {t.boat.name}, {dayName(t.startsAt, zone)} {clock(t.startsAt, zone)}
              </Command.Item>
            ))}
            {trips.map((t) => (
              <Command.Item
                key={`foretold ${t.id}`}
                value={`foretold ${t.boat.name} ${t.startsAt}`}
                onSelect={() => go(`/trips/${t.id}/foretold`)}
              >
                Past days foretold, {t.water.name}, for {t.boat.name} {clock(t.startsAt, zone)}
              </Command.Item>
            ))}
            {outfit?.waters.map((w) => (
              <Command.Item key={w.id} value={`grounds ${w.name}`} onSelect={() => go(`/grounds?water=${w.id}`)}>
                Chart of {w.name}
              </Command.Item>
            ))}
            {THEMES.map((t) => (
              <Command.Item
                key={t}
                value={`theme ${t}`}
                onSelect={() => {
                  setTheme(t);
                  setPalette(false);
                }}
              >
                Theme: {t}
              </Command.Item>
            ))}
            {me?.demo && (
              <>
                <Command.Item onSelect={() => setDemoClock(serverNow() + 3_600_000)}>Demo clock: one hour on</Command.Item>
                <Command.Item onSelect={() => setDemoClock(startOfLocalDay(tomorrow, zone) + (6 * 60 + 20) * 60_000)}>
                  Demo clock: tomorrow morning, 06:20
                </Command.Item>
              </>
            )}
            <Command.Item
              onSelect={() => {
                setPalette(false);
                setKeys(true);
              }}
            >
              Keys
            </Command.Item>
            <Command.Item onSelect={signOut}>Sign out {me?.name}</Command.Item>
          </Command.List>
        </div>
      </Command.Dialog>
      <Dialog.Root open={keys} onOpenChange={setKeys}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
          <Dialog.Content className="fixed top-[14vh] left-1/2 z-50 w-[420px] -translate-x-1/2 rounded border border-ink bg-paper p-5">
            <Dialog.Title className="mb-2 font-bold">Keys</Dialog.Title>
            <Dialog.Description className="sr-only">Keys at the desk</Dialog.Description>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
              {[
                ['g then b w g p d f t r l', 'go to a screen'],
                ['/', 'search'],
                ['Ctrl K', 'any command'],
                [', .', 'a quarter of an hour back, on'],
                ['< >', 'an hour back, on'],
                ['p x', 'pin, ban the call or stop in hand'],
                ['s', 'lay the day'],
                ['z Z', 'undo, redo a step of the plan'],
                ['c', 'compare two plans'],
                ['← →', 'move the stop in hand, with Shift past its neighbour'],
                ['?', 'this list'],
              ].map(([k, what]) => (
                <div key={k} className="contents">
                  <dt className="num">{k}</dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </div>
  );
}
