import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { type RodRole, usualPatience } from '@bluffwind/core/plan/partyFit';
import { atRisk } from '@bluffwind/core/risk/judge';
import { HOUR } from '@bluffwind/core/units/time';
import { toast } from 'sonner';
import { post } from '../data/api';
import { deskQuery, tripQuery } from '../data/queries';
import { clock } from '../ui/format';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Button, Fault } from '../ui/parts';
import { MatesAboard } from './MatesAboard';
import { Aboard } from './Aboard';

interface PartyProps {
  readonly desk: PlanDesk;
  readonly trip: TripView;
  readonly mayEdit: boolean;
  readonly fit: { readonly sentence: string; readonly roles: readonly RodRole[] } | null;
}

type Guest = PlanDesk['guests'][number];
/** What the plan has to respect, as it is kept. */
type Terms = Pick<PlanDesk, 'patienceMin' | 'footing' | 'breaks' | 'aboard'> & {
  readonly speciesWeights?: Record<string, number>;
  readonly limitShare?: number;
};

const SMALL = 'py-0.5 text-[0.9rem]';
const HANDS = [
  { value: '', name: 'hand unknown' },
  { value: 'right', name: 'right-handed' },
  { value: 'left', name: 'left-handed' },
];
const SWIMS = [
  { value: '', name: 'swims? not asked' },
  { value: 'yes', name: 'swims' },
  { value: 'no', name: 'does not swim' },
];
const FOOTINGS = [
  { value: '1', name: 'from the boat only' },
  { value: '2', name: 'on sure feet' },
  { value: '3', name: 'with a climb' },
];
const EXPERIENCE = ['first time', 'some practice', 'knows the way'] as const;

/** Who is aboard, what the plan has to respect of them, and how it fits. */
export function Party({ desk, trip, mayEdit, fit }: PartyProps) {
  const iso = (ms: number) => new Date(ms).toISOString();
  const noon = Math.min(Math.max(desk.startsAt + HOUR, (desk.startsAt + desk.endsAt) / 2), desk.endsAt - HOUR);
  const terms = useSave<Terms>({
    send: ({ patienceMin, footing, speciesWeights, breaks, aboard, limitShare }) =>
      post(`/trips/${trip.id}/fit`, {
        patienceMin,
        footing,
        speciesWeights: speciesWeights ?? {},
        breaks: breaks.map((b) => ({ name: b.name, from: iso(b.fromMs), to: iso(b.toMs) })),
        aboard,
        ...(limitShare === undefined ? {} : { limitShare }),
      }),
    touches: [deskQuery(trip.id).queryKey],
    // Said when the plan knows them: the next thing is to lay the day.
    onRead: () => toast('The party’s terms are stored. Lay the day to plan by them.'),
  });
  const keep = (change: Partial<Terms>) =>
    terms.save({ patienceMin: desk.patienceMin, footing: desk.footing, breaks: desk.breaks, aboard: desk.aboard, ...change });
  const guest = useSave<Pick<Guest, 'id' | 'experience' | 'hand' | 'wishes' | 'swims'>>({
    send: ({ id, experience, hand, wishes, swims }) => post(`/clients/${id}/notes`, { experience, hand, wishes, swims }),
    touches: [deskQuery(trip.id).queryKey, tripQuery(trip.id).queryKey],
  });
  const error = terms.error ?? guest.error;
  const usual = usualPatience(desk.guests, trip.goal);
  return (
    <div>
      <h2 className="font-bold">The party</h2>
      {trip.wish && <p className="mt-1">“{trip.wish}”</p>}
      {fit?.sentence && (
        <p className="mt-1 border-l-4 border-kelp bg-kelp-pale px-3 py-1.5" data-fit>
          {fit.sentence}
        </p>
      )}
      {error !== null && <Fault error={error} />}
      <ul className="mt-2">
        {desk.guests.map((g) => {
          const view = trip.guests.find((x) => x.id === g.id);
          return (
            <li key={g.id} className="border-t border-line py-2">
              <p>
                <b>{g.name}</b>
                <span className="text-ink-2">{g.child ? ', child' : ''}</span>
              </p>
              <div className="my-0.5 flex flex-wrap gap-1.5">
                <Choice
                  label={`Experience of ${g.name}`}
                  labelled="hidden"
                  value={String(g.experience)}
                  options={EXPERIENCE.map((name, k) => ({ value: String(k + 1), name }))}
                  disabled={!mayEdit}
                  onPick={(v) => guest.save({ ...g, experience: Number(v) })}
                  className={SMALL}
                />
                <Choice
                  label={`Hand of ${g.name}`}
                  labelled="hidden"
                  value={g.hand ?? ''}
                  options={HANDS}
                  disabled={!mayEdit}
                  onPick={(v) => guest.save({ ...g, hand: (v || null) as 'left' | null })}
                  className={SMALL}
                />
                <Choice
                  label={`Whether ${g.name} swims`}
                  labelled="hidden"
                  value={g.swims === null ? '' : g.swims ? 'yes' : 'no'}
                  options={SWIMS}
                  disabled={!mayEdit}
                  onPick={(v) => guest.save({ ...g, swims: v === '' ? null : v === 'yes' })}
                  className={SMALL}
                />
              </div>
              {g.wishes && <p className="text-[0.9rem]">Wishes: {g.wishes}</p>}
              {view?.medicalNote && <p className="text-[0.9rem] text-rust">Seen by captain and owner only: {view.medicalNote}</p>}
            </li>
          );
        })}
        {desk.guests.length === 0 && <li className="border-t border-line py-2 text-ink-2">No guests are named yet.</li>}
      </ul>
      {fit && fit.roles.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Rods</h3>
          <ul>
            {fit.roles.map((r) => (
              <li key={r.rod} className="border-t border-line py-1 text-[0.93rem]">
                Rod {r.rod}: {r.guest}, {r.role}
                {r.leftHanded ? ', left-hand crank' : ''}
              </li>
            ))}
          </ul>
        </>
      )}
      <MatesAboard trip={trip} mayEdit={mayEdit} />
      <h3 className="mt-3 font-semibold">What the plan has to respect</h3>
      <label className="mt-1 flex items-center gap-2 text-[0.93rem]">
        Longest wait for a fish
        <input
          type="number"
          min={5}
          max={600}
          step={5}
          disabled={!mayEdit}
          defaultValue={desk.patienceMin ?? ''}
          placeholder="any"
          onBlur={(e) => {
            const value = e.target.value === '' ? null : Number(e.target.value);
            if (value !== desk.patienceMin) keep({ patienceMin: value });
          }}
          className="num w-[72px] rounded border border-ink-3 bg-paper px-2 py-0.5"
        />
        min
      </label>
      {usual !== null && desk.patienceMin === null && (
        <p className="text-[0.87rem] text-ink-2">
          Parties like this one usually stand about {usual} min (common practice).{' '}
          {mayEdit && (
            <button type="button" className="cursor-pointer underline underline-offset-2" onClick={() => keep({ patienceMin: usual })}>
              Plan by that
            </button>
          )}
        </p>
      )}
      <label className="mt-1.5 flex items-center gap-2 text-[0.93rem]">
        With children, first-timers or people who do not swim
        <input
          type="number"
          min={30}
          max={100}
          step={5}
          disabled={!mayEdit}
          defaultValue={Math.round(desk.party.share * 100)}
          onBlur={(e) => {
            const limitShare = Number(e.target.value) / 100;
            if (e.target.value !== '' && limitShare !== desk.party.share) keep({ limitShare });
          }}
          className="num w-[64px] rounded border border-ink-3 bg-paper px-2 py-0.5"
        />
        % of the boat’s limits
      </label>
      <p className="text-[0.87rem] text-ink-2">
        {atRisk(desk.party) ? 'It holds for this party. ' : 'Nobody of this party needs it. '}Three quarters is usual practice.
      </p>
      <div className="mt-1.5 text-[0.93rem]">
        <Choice
          label="Getting to a spot"
          labelled="beside"
          value={String(desk.footing)}
          options={FOOTINGS}
          disabled={!mayEdit}
          onPick={(v) => keep({ footing: Number(v) })}
        />
      </div>
      {desk.species.length > 1 && (
        <fieldset className="mt-1.5 text-[0.93rem]">
          <legend className="text-ink-2">What a fish of each kind is worth to them</legend>
          {desk.species.map((s) => (
            <label key={s.id} className="flex items-center justify-between border-t border-line py-1">
              {s.name}
              <input
                type="number"
                min={0.05}
                max={10}
                step="any"
                disabled={!mayEdit}
                defaultValue={s.weight}
                onBlur={(e) => {
                  const weight = Number(e.target.value);
                  if (weight !== s.weight) keep({ speciesWeights: { [s.id]: weight } });
                }}
                className="num w-[72px] rounded border border-ink-3 bg-paper px-2 py-0.5"
              />
            </label>
          ))}
        </fieldset>
      )}
      <ul className="mt-1">
        {desk.breaks.map((b) => (
          <li key={`${b.name} ${b.fromMs}`} className="flex items-center justify-between border-t border-line py-1 text-[0.93rem]">
            <span>
              {b.name}, lines up {clock(b.fromMs, desk.zone)} to {clock(b.toMs, desk.zone)}
            </span>
            {mayEdit && (
              <button
                type="button"
                className="cursor-pointer underline underline-offset-2"
                aria-label={`Take ${b.name} out`}
                onClick={() => keep({ breaks: desk.breaks.filter((x) => x !== b) })}
              >
                take out
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayEdit && (
        <p className="mt-1 flex gap-2">
          {[
            ['Lunch', 30],
            ['A rest from the sea', 20],
          ].map(([name, min]) => (
            <Button
              key={name}
              className="py-0.5 text-[0.87rem]"
              disabled={desk.breaks.length >= 6}
              onClick={() => {
                const from = Math.round(noon / 300_000) * 300_000 + desk.breaks.length * 2_700_000;
                keep({ breaks: [...desk.breaks, { name: String(name), fromMs: from, toMs: from + Number(min) * 60_000 }] });
              }}
            >
              {name} {min} min
            </Button>
          ))}
        </p>
      )}
      <Aboard key={desk.aboard?.join() ?? 'all'} desk={desk} mayEdit={mayEdit} onKeep={(aboard) => keep({ aboard })} />
    </div>
  );
}
