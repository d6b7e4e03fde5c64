import type { DebriefEdit, DebriefView } from '@bluffwind/contract/debrief';
import { CHIPS } from '@bluffwind/core/brief/chips';
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { useSave } from '../data/useSave';
import { amount } from '../data/units';
import { useTyped } from '../data/useTyped';
import { FIELD } from '../ui/form/fields';
import { clock, fish } from '../ui/format';
import { Button, Fault, RangeBar, Waiting } from '../ui/parts';
import { debriefQuery } from './queries';

const DayChart = lazy(() => import('./DayChart'));

/** Each stop against what was expected of it, and what the crew says. */
export function Debrief({ tripId, captain, zone }: { tripId: string; captain: boolean; zone: string }) {
  const debrief = useQuery(debriefQuery(tripId));
  if (failedOf(debrief)) return <Fault error={debrief.error} retry={() => debrief.refetch()} />;
  if (!debrief.data) return <Waiting what="Holding the day against its plan" />;
  return (
    <section aria-label="Debrief" className="px-4 py-4 md:px-6">
      <h2 className="text-[1.13rem] font-bold">What came of it</h2>
      <Stops stops={debrief.data.stops} />
      <Day view={debrief.data} zone={zone} />
      <Said key={debrief.data.signedAt ?? 'open'} view={debrief.data} captain={captain} zone={zone} />
    </section>
  );
}

function Stops({ stops }: { stops: DebriefView['stops'] }) {
  const max = Math.max(4, ...stops.map((s) => Math.max(s.hi80 ?? 0, s.fish)));
  if (stops.length === 0) return <p className="text-ink-2">No stop was logged, so there is nothing to hold against the plan.</p>;
  return (
    <ul>
      {stops.map((s) => (
        <li key={s.spotId} data-stop={s.spot} className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-t border-line py-2">
          <span>
            <b>{s.spot}</b> <span className="text-[0.9rem] text-ink-2">{s.rodHours.toFixed(1)} rod-hours</span>
            <span className="block text-[0.93rem] text-ink-2">{s.words}</span>
            {s.out !== '' && <span className="block text-[0.93rem] text-ink-2">{s.out}.</span>}
          </span>
          {s.expected !== null && s.lo80 !== null && s.hi80 !== null && (
            <RangeBar
              lo={s.lo80}
              hi={s.hi80}
              max={max}
              dot={s.fish}
              width={120}
              label={`${s.fish} fish, expected ${fish(s.expected)}, 8 of 10 such days give ${s.lo80} to ${s.hi80}`}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

/** The day on the chart, and its fish in the order they came; opened when it is asked for. */
function Day({ view, zone }: { view: DebriefView; zone: string }) {
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

/** What the crew says: chips for what is often said, text for all else, gear and bait; signed off by a captain. */
function Said({ view, captain, zone }: { view: DebriefView; captain: boolean; zone: string }) {
  const [edit, setEdit, drop] = useTyped<DebriefEdit>(`debrief ${view.tripId}`, view.edit);
  const [what, setWhat] = useState('');
  const saving = useSave<DebriefEdit>({
    send: (body) => post(`/trips/${view.tripId}/debrief`, body),
    touches: [['debrief', view.tripId], ['brief']],
    onRead: drop,
    told: (_, sent) => (sent.signed ? 'Signed off. The evening’s brief tells it.' : 'Kept. The evening’s brief tells it.'),
  });
  const shut = view.signedAt !== null || !view.mayWrite;
  const change = (more: Partial<DebriefEdit>) => setEdit({ ...edit, ...more });
  const addLost = () => {
    const name = what.trim();
    if (name === '') return;
    change({
      lost: [
        ...edit.lost.filter((l) => l.what !== name),
        { what: name, number: (edit.lost.find((l) => l.what === name)?.number ?? 0) + 1 },
      ],
    });
    setWhat('');
  };
  return (
    <div className="mt-4">
      <h2 className="text-[1.13rem] font-bold">What the crew says</h2>
      {view.signedAt && (
        <p data-signed-off className="my-1 border-l-4 border-kelp bg-kelp-pale px-3 py-1">
          Signed off by {view.signedBy} at {clock(view.signedAt, zone)}.
        </p>
      )}
      <div role="group" aria-label="In a word" className="my-2 flex flex-wrap gap-2">
        {CHIPS.map((c) => (
          <button
            key={c}
            type="button"
            disabled={shut}
            aria-pressed={edit.chips.includes(c)}
            className={`min-h-9 cursor-pointer rounded border px-2.5 disabled:cursor-default max-md:min-h-11 ${edit.chips.includes(c) ? 'border-ink bg-ink text-chalk' : 'border-ink-3'}`}
            onClick={() => change({ chips: edit.chips.includes(c) ? edit.chips.filter((x) => x !== c) : [...edit.chips, c] })}
          >
            {c}
          </button>
        ))}
      </div>
      <label className="block">
        In your words
        <textarea
          className={`${FIELD} block w-full`}
          rows={4}
          maxLength={2000}
          disabled={shut}
          value={edit.said}
          onChange={(e) => change({ said: e.target.value })}
        />
      </label>
      <div className="mt-3">
        <span>Gear lost</span>{' '}
        <span className="text-[0.9rem] text-ink-2">
          by its name in the boxes, so that the stock follows when the day is signed off; a bait by its name, so that its spares do
        </span>
        <ul className="flex flex-wrap gap-2">
          {edit.lost.map((l) => (
            <li key={l.what} className="flex items-center gap-1 rounded bg-sand px-2 py-0.5">
              <span className="num">{l.number}</span> {l.what}
              {!shut && (
                <button
                  type="button"
                  aria-label={`Take ${l.what} off the list`}
                  className="cursor-pointer p-1"
                  onClick={() => change({ lost: edit.lost.filter((x) => x.what !== l.what) })}
                >
                  <X size={14} aria-hidden="true" />
                </button>
              )}
            </li>
          ))}
        </ul>
        {!shut && (
          <form
            className="mt-1 flex gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              addLost();
            }}
          >
            <input
              aria-label="What was lost"
              className={`${FIELD} flex-1`}
              maxLength={60}
              placeholder="28 g jig head"
              list="tackle"
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
            <datalist id="tackle">
              {(view.tackle ?? []).map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
            <Button onClick={addLost} disabled={what.trim() === ''}>
              <Plus size={16} aria-hidden="true" /> One
            </Button>
          </form>
        )}
      </div>
      <label className="mt-3 block">
        Bait left
        <input
          className={`${FIELD} block w-full`}
          maxLength={300}
          disabled={shut}
          value={edit.baitLeft}
          onChange={(e) => change({ baitLeft: e.target.value })}
        />
      </label>
      {saving.error !== null && <Fault error={saving.error} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {!shut && (
          <Button strong={!captain} disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: false })}>
            Keep
          </Button>
        )}
        {captain && !shut && (
          <Button strong disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: true })}>
            Sign off
          </Button>
        )}
        {captain && view.signedAt && (
          <Button disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: false })}>
            Open it again
          </Button>
        )}
      </div>
    </div>
  );
}
