import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { Link, NavLink } from 'react-router';
import type { Here } from '../data/feature';
import { Sheet } from '../ui/Sheet';
import { FEATURES } from './features';
import { useSignOut } from './leave';
import { setTheme, THEME_NAMES, THEMES } from '../data/themes';

const PLACES = FEATURES.flatMap(({ place }) => (place ? [place] : []));
const IN_BAR = PLACES.filter((p) => p.bar).sort((a, b) => (a.bar?.position ?? 0) - (b.bar?.position ?? 0));
const ITEM = 'flex min-w-0 flex-1 flex-col items-center justify-center gap-0.5 text-[0.8rem] no-underline';

/** The bar at the bottom of a phone: the places of the day, and More for everything else. */
export function PocketBar({ here, waiting, name, onPalette }: { here: Here; waiting: number; name: string; onPalette: () => void }) {
  const [more, setMore] = useState(false);
  const signOut = useSignOut();
  const close = () => setMore(false);
  return (
    <>
      {waiting > 0 && (
        <p role="status" data-waiting={waiting} className="no-print bg-rust-pale py-0.5 text-center text-[0.8rem] text-rust">
          {waiting} to send
        </p>
      )}
      <nav
        aria-label="Screens"
        className="no-print flex h-14 shrink-0 items-stretch border-t border-ink bg-chalk pb-[env(safe-area-inset-bottom)]"
      >
        {IN_BAR.map((place) => {
          const to = (place.bar?.to ?? place.to)(here);
          const inside = (
            <>
              <place.icon size={21} strokeWidth={1.7} aria-hidden="true" />
              {place.bar?.name}
            </>
          );
          return to === null ? (
            <span key={place.name} className={`${ITEM} text-ink-3`}>
              {inside}
            </span>
          ) : (
            <NavLink
              key={place.name}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `${ITEM} border-t-[3px] ${isActive ? 'border-kelp font-bold text-ink' : 'border-transparent text-ink-2'}`
              }
            >
              {inside}
            </NavLink>
          );
        })}
        <button
          type="button"
          className={`${ITEM} cursor-pointer border-t-[3px] border-transparent text-ink-2`}
          onClick={() => setMore(true)}
        >
          <Ellipsis size={21} strokeWidth={1.7} aria-hidden="true" />
          More
        </button>
      </nav>
      <Sheet open={more} title="More" note={name} onClose={close}>
        <ul className="grid grid-cols-2 gap-x-4">
          {PLACES.map((place) => {
            const to = place.to(here);
            return to === null || (place.bar && !place.bar.to) ? null : (
              <li key={place.name}>
                <Link to={to} onClick={close} className="flex min-h-12 items-center gap-3 text-ink no-underline">
                  <place.icon size={20} strokeWidth={1.7} aria-hidden="true" />
                  {place.name}
                </Link>
              </li>
            );
          })}
        </ul>
        <div className="mt-2 flex flex-wrap gap-2 border-t border-line pt-3">
          {THEMES.map((t) => (
            <button
              key={t}
              type="button"
              onClick={() => setTheme(t)}
              className="min-h-11 cursor-pointer rounded border border-ink px-3 text-[0.93rem]"
            >
              {THEME_NAMES[t]}
            </button>
          ))}
          <button
            type="button"
            className="min-h-11 cursor-pointer rounded border border-ink px-3 text-[0.93rem]"
            onClick={() => {
              close();
              onPalette();
            }}
          >
            Find anything
          </button>
          <button
            type="button"
            className="min-h-11 cursor-pointer rounded border border-ink px-3 text-[0.93rem]"
            onClick={() => void signOut()}
          >
            Sign out
          </button>
        </div>
      </Sheet>
    </>
  );
}
