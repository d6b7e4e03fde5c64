import { type ReactNode, useEffect } from 'react';
import { clock } from '../ui/format';
import { amount } from '../data/units';

/** A deck button: a thumb's size, room for two lines. */
export const BIG = 'min-h-[58px] cursor-pointer rounded border px-2 font-semibold text-[1rem] leading-tight';

/** The phone's page: what it is about and the time above, the buttons below. */
export function Frame({ title, right, children }: { title: string; right: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Bluffwind`;
  }, [title]);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto flex min-h-full max-w-[480px] flex-col bg-chalk px-4 pb-4 text-[18px]">
        <div className="-mx-4 mb-3 flex items-center justify-between border-b border-line px-4 py-3 text-[0.9rem] text-ink-2">
          <span>{title}</span>
          <span className="num">{right}</span>
        </div>
        {children}
      </div>
    </div>
  );
}

interface RecentCatch {
  readonly id: string;
  readonly at: string;
  readonly speciesId: string | null;
  readonly lengthMm: number | null;
  readonly outcome: string;
  readonly kept: boolean;
}

/** The last entries, each with undo. */
export function Recent({
  catches,
  zone,
  nameOf,
  onUndo,
}: {
  catches: readonly RecentCatch[];
  zone: string;
  nameOf: (id: string | null) => string;
  onUndo: (id: string) => void;
}) {
  if (catches.length === 0)
    return <p className="mt-3 text-[0.87rem] text-ink-2">Nothing logged here yet. The empty time counts by itself.</p>;
  return (
    <ul className="mt-3" aria-label="Last entries">
      {catches.map((k) => (
        <li key={k.id} className="flex items-center justify-between border-t border-line text-[0.93rem]">
          <span>
            <span className="num text-ink-2">{clock(k.at, zone)}</span>{' '}
            {k.outcome === 'landed'
              ? `${short(nameOf(k.speciesId))}${k.lengthMm ? ` ${amount(k.lengthMm, 'fish', 0)}` : ''}, ${k.kept ? 'kept' : 'released'}`
              : k.outcome}
          </span>
          <button
            type="button"
            className="min-h-[44px] cursor-pointer px-3 underline underline-offset-4"
            aria-label={`Undo ${k.outcome} of ${clock(k.at, zone)}`}
            onClick={() => onUndo(k.id)}
          >
            undo
          </button>
        </li>
      ))}
    </ul>
  );
}

/** "European sea bass" is "Sea bass" on deck. */
export function short(name: string): string {
  const words = name
    .split(' ')
    .filter((w) => !['European', 'Atlantic', 'Northern', 'Common', 'Ballan', 'Black', 'Brown', 'Thornback'].includes(w));
  const s = words.join(' ');
  return s.charAt(0).toUpperCase() + s.slice(1);
}
