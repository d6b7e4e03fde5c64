import type { Beginnings } from '@bluffwind/contract/outfit';
import { Check } from 'lucide-react';
import { Link } from 'react-router';

interface Step {
  readonly what: string;
  readonly done: boolean;
  /** What it gives, or what is there. */
  readonly words: string;
  readonly does: readonly (readonly [name: string, to: string, done: boolean])[];
}

/** What to do next in an outfit that is new: five steps, each of some use by itself, in any order. */
export function FirstEvening({ b }: { b: Beginnings }) {
  const steps: Step[] = [
    {
      what: 'A water',
      done: b.waters > 0,
      words:
        b.waters === 0
          ? 'A name and where you set out are enough.'
          : 'A shore gives shelter by the hour; a tide gives heights and streams.',
      does: [
        ['Add a water', '/crew?tab=waters&new=water', b.waters > 0],
        ...(b.waters > 0
          ? ([
              ['Its shore', '/crew?tab=waters', b.shores > 0],
              ['Its tide, where it has one', '/crew?tab=waters', b.tides > 0],
            ] as const)
          : []),
      ],
    },
    {
      what: 'A boat',
      done: b.boats > 0,
      words: 'What it carries, how fast it runs, and the wind and waves at which you turn back.',
      does: [['Add a boat', '/crew?tab=boats', b.boats > 0]],
    },
    {
      what: 'Your places',
      done: b.spots > 0,
      words: b.spots > 0 ? `${b.spots} on the chart.` : 'Waypoints from a phone or a plotter, or set on the chart by hand.',
      does:
        b.waters > 0
          ? [
              ['From a file', '/grounds?open=spots', b.spots > 0],
              ['On the chart', '/grounds', b.spots > 0],
            ]
          : [],
    },
    {
      what: 'What you know already',
      done: b.surveys > 0 || b.readings > 0 || b.rules > 0 || b.stops > 0,
      words: 'Soundings give depths and edges; readings what the water does; your copy of the rules what may be kept.',
      does:
        b.waters > 0
          ? [
              ['Soundings', '/grounds?open=soundings', b.surveys > 0],
              ['Readings and weather', '/water', b.readings > 0],
              ['Trips of past years', '/log?open=trips', b.stops > 0],
              ['Rules', '/crew?tab=rules', b.rules > 0],
              ['Baits you carry', '/baits', false],
            ]
          : [],
    },
    {
      what: 'A trip, and its day laid',
      done: b.plans > 0,
      words: 'Where to start, with what, when to move on. What is not known is said on the plan.',
      does:
        b.waters > 0 && b.boats > 0
          ? [[b.trips > 0 ? 'Open the calendar' : 'Make a trip', b.trips > 0 ? '/calendar' : '/calendar?new=yes', b.trips > 0]]
          : [],
    },
  ];
  const next = steps.findIndex((s) => !s.done);
  const left = steps.filter((s) => !s.done).length;
  return (
    <section aria-labelledby="first-evening" className="mb-6 max-w-[640px]">
      <h2 id="first-evening" className="text-[1.1rem] font-bold">
        The first evening
      </h2>
      <p className="mb-2 text-ink-2">
        {left === 5
          ? 'Five things, in any order; leave it whenever you like.'
          : left === 0
            ? 'All five are there.'
            : `${5 - left} of five are there. Any order will do.`}
      </p>
      <ol>
        {steps.map((s, i) => (
          <li
            key={s.what}
            data-step={s.done ? 'done' : 'open'}
            className={`flex gap-3 border-t border-line py-2.5 ${i === next ? 'bg-kelp-pale' : ''}`}
          >
            <span
              className={`flex h-6 w-6 shrink-0 items-center justify-center rounded-full border ${s.done ? 'border-kelp text-kelp' : 'border-ink-3 text-ink-2'}`}
            >
              {s.done ? <Check size={15} aria-hidden="true" /> : <span className="num text-[0.87rem]">{i + 1}</span>}
            </span>
            <div className="min-w-0">
              <p>
                <b>{s.what}</b>
                {s.done ? <span className="text-ink-2">, there</span> : ''}
              </p>
              <p className="text-[0.9rem] text-ink-2">{s.words}</p>
              <p className="flex flex-wrap gap-x-4">
                {s.does.map(([name, to, done]) => (
                  <Link
                    key={name}
                    to={to}
                    className={`min-h-7 underline underline-offset-2 max-md:min-h-10 max-md:content-center ${done ? 'text-ink-2' : 'font-semibold text-kelp'}`}
                  >
                    {name}
                    {done ? ' (more)' : ''}
                  </Link>
                ))}
              </p>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
