import { clientTalk, departureList } from '@bluffwind/core/departure/departureList';
import { endingWords } from '@bluffwind/core/departure/gearEnding';
import { darkWithin } from '@bluffwind/core/sky/darkWithin';
import { HOUR, localDate, MINUTE } from '@bluffwind/core/units/time';
import { useState } from 'react';
import { BackBy } from './BackBy';
import { leavingTicks } from './leavingTicks';
import { SignedList } from './SignedList';
import type { DeckTrip } from './useDeckTrip';

const ROW = 'flex min-h-[56px] w-full cursor-pointer items-center gap-3 border-t border-line py-1 text-left';
const FIELD = 'min-h-[56px] w-full rounded border border-ink-3 bg-paper px-3';
/** Somebody ashore begins to worry so long after the trip should be over. */
const GRACE_MS = HOUR;

/** What is gone through before leaving, by boat and party, and signed. */
export function Leaving({ trip }: { trip: DeckTrip }) {
  const { pack, state, record } = trip;
  const [from, to] = [Date.parse(pack.trip.startsAt), Date.parse(pack.trip.endsAt)];
  const leaving = {
    afloat: pack.boat.afloat,
    children: pack.party.children,
    nonSwimmers: pack.party.nonSwimmers,
    dark: darkWithin(from, to, pack.water.lat, pack.water.lon),
    medical: pack.trip.guests.some((g) => g.medicalNote),
    own: pack.aboard?.checks ?? [],
    ended: (pack.aboard?.gear ?? []).filter((g) => g.endsOn !== null && g.endsOn < localDate(from, pack.zone)).map((g) => g.what),
  };
  const list = departureList(leaving);
  const ticks = leavingTicks(pack.trip.id);
  const [done, setDone] = useState<readonly string[]>(ticks.read);
  const [dueMs, setDue] = useState(to + GRACE_MS);
  const [ashore, setAshore] = useState('');
  const [name, setName] = useState(pack.trip.captain.name);
  const [again, setAgain] = useState(false);
  const signed = state.departure;
  const what = (key: string) => list.find((i) => i.key === key)?.what ?? key.replace(/^(own|ended) /, '');
  if (signed && !again) return <SignedList signed={signed} zone={pack.zone} what={what} onAgain={() => setAgain(true)} />;
  const toggle = (key: string) => {
    const next = done.includes(key) ? done.filter((k) => k !== key) : [...done, key];
    setDone(next);
    ticks.keep(next);
  };
  const open = list.filter((i) => !done.includes(i.key));
  return (
    <section className="mt-4" aria-label="The list before leaving">
      <h2 className="font-bold">
        Before leaving <span className="num font-normal text-ink-2">{`${list.length - open.length} of ${list.length}`}</span>
      </h2>
      <ul>
        {list.map((i) => (
          <li key={i.key}>
            <label className={ROW}>
              <input
                type="checkbox"
                className="h-7 w-7 shrink-0 accent-kelp"
                checked={done.includes(i.key)}
                onChange={() => toggle(i.key)}
              />
              <span className={done.includes(i.key) ? 'text-ink-2' : ''}>{i.what}</span>
            </label>
          </li>
        ))}
      </ul>
      {pack.aboard && pack.aboard.gear.length > 0 && (
        <Folded name="What lies aboard" data="aboard" lines={pack.aboard.gear.map((g) => endingWords(g, localDate(from, pack.zone)))} />
      )}
      <Folded name="The client talk" data="talk" lines={clientTalk(leaving)} />
      <BackBy dueMs={dueMs} zone={pack.zone} onChange={(ms) => setDue(Math.max(from + MINUTE, ms))} />
      <label className="mt-1 block">
        <span className="text-[0.93rem]">Who ashore knows</span>
        <input className={FIELD} value={ashore} maxLength={200} onChange={(e) => setAshore(e.target.value)} />
      </label>
      <label className="mt-2 block">
        <span className="text-[0.93rem]">Signed by</span>
        <input className={FIELD} value={name} maxLength={120} onChange={(e) => setName(e.target.value)} />
      </label>
      <button
        type="button"
        className="mt-3 min-h-[58px] w-full cursor-pointer rounded border border-ink px-2 font-semibold disabled:opacity-40"
        disabled={name.trim() === ''}
        onClick={() => {
          record({
            kind: 'depart',
            done: list.filter((i) => done.includes(i.key)).map((i) => i.key),
            left: open.map((i) => i.key),
            signedBy: name.trim(),
            dueAt: new Date(dueMs).toISOString(),
            ashore: ashore.trim(),
          });
          ticks.forget();
          setAgain(false);
        }}
      >
        {open.length === 0 ? 'Sign the list' : `Sign with ${open.length} left open`}
      </button>
      <p className="mt-2 text-[0.83rem] text-ink-2">
        Usual practice. Local rules, the licensed captain’s judgement and the makers’ instructions come first.
      </p>
    </section>
  );
}

/** Lines that are unfolded where they are wanted. */
function Folded({ name, data, lines }: { name: string; data: string; lines: readonly string[] }) {
  return (
    <details className="border-t border-line py-2" {...{ [`data-${data}`]: '' }}>
      <summary className="min-h-[56px] cursor-pointer underline underline-offset-4">{name}</summary>
      <ul className="list-disc pl-6 text-[0.93rem]">
        {lines.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
    </details>
  );
}
