import { Search } from 'lucide-react';
import { Link, NavLink } from 'react-router';
import type { Here } from '../data/feature';
import { FEATURES } from './features';

/** The screens at the left edge of the desk. */
export function Rail({ here, waiting, onPalette }: { here: Here; waiting: number; onPalette: () => void }) {
  const places = FEATURES.flatMap(({ place }) => {
    const to = place?.to(here);
    return place && to ? [{ place, to }] : [];
  });
  return (
    <nav
      aria-label="Screens"
      className="no-print flex w-[72px] shrink-0 flex-col items-stretch overflow-y-auto border-r border-line [scrollbar-width:none]"
    >
      <Link to="/" className="flex h-[54px] shrink-0 items-center justify-center" aria-label="Bluffwind, to the Board">
        <img src="/icon.svg" alt="" className="h-8 w-8" />
      </Link>
      {waiting > 0 && (
        <p role="status" data-waiting={waiting} className="bg-rust-pale px-1 py-1 text-center text-[0.78rem] text-rust">
          {waiting} to send
        </p>
      )}
      {places.map(({ place, to }) => {
        return (
          <NavLink
            key={place.name}
            to={to}
            // A place below another's address is its own.
            end={to === '/' || places.some((p) => p.to.startsWith(`${to}/`))}
            className={({ isActive }) =>
              `flex flex-col items-center gap-0.5 border-l-4 py-1.5 pr-1 text-[0.78rem] no-underline ${isActive ? 'border-kelp bg-paper font-bold text-ink' : 'border-transparent text-ink-2 hover:text-ink'}`
            }
          >
            <place.icon size={19} strokeWidth={1.7} aria-hidden="true" />
            {place.name}
          </NavLink>
        );
      })}
      <button
        type="button"
        onClick={onPalette}
        className="mt-auto flex cursor-pointer flex-col items-center gap-0.5 py-3 text-[0.78rem] text-ink-2"
        aria-label="^K, any command"
      >
        <Search size={19} strokeWidth={1.7} aria-hidden="true" />
        <kbd className="num rounded border border-line px-1">^K</kbd>
      </button>
    </nav>
  );
}
