import type { DebriefView } from '@bluffwind/contract/debrief';
import { lazy, Suspense, useState } from 'react';
import { amount } from '../data/units';
import { clock } from '../ui/format';
import { Button, Waiting } from '../ui/parts';

const DayChart = lazy(() => import('./DayChart'));

/** The day on the chart, and its fish in the order they came; opened when it is asked for. */
export function DayFished({ view, zone }: { view: DebriefView; zone: string }) {
  const [open, setOpen] = useState(false);
  if (view.places.length === 0) return null;
  return (
    <section aria-label="The day" className="mt-3">
      <Button aria-expanded={open} onClick={() => setOpen((o) => !o)}>
        {open ? 'Close the day’s chart' : 'The day on the chart'}
      </Button>
      {open && (
        <>
          <Suspense fallback={<Waiting what="Opening the chart" />}>
            <DayChart view={view} zone={zone} />
          </Suspense>
          <ol className="mt-2 text-[0.93rem]" data-day-fish>
            {view.fish.map((k) => (
              <li key={`${k.at} ${k.spot} ${k.species}`} className="flex gap-3 border-t border-line py-1">
                <span className="num w-14 shrink-0">{clock(k.at, zone)}</span>
                <span className="min-w-0 flex-1">
                  {k.species === '' ? k.outcome : k.species}
                  {k.lengthMm === null ? '' : ` ${amount(k.lengthMm, 'fish', 0)}`}
                  {k.outcome === 'landed' ? (k.kept ? ', kept' : ', released') : k.species === '' ? '' : `, ${k.outcome}`}
                </span>
                <span className="text-ink-2">{k.spot}</span>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
