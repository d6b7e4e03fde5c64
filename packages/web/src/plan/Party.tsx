import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { type RodRole, usualPatience } from '@bluffwind/core/plan/partyFit';
import { atRisk } from '@bluffwind/core/risk/judge';
import { HOUR } from '@bluffwind/core/units/time';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { ApiProblem, post } from '../data/api';
import { deskQuery, tripQuery } from '../data/queries';
import { clock } from '../ui/format';
import { Button } from '../ui/parts';
import { MatesAboard } from './MatesAboard';
import { Aboard } from './Aboard';

interface PartyProps {
  readonly desk: PlanDesk;
  readonly trip: TripView;
  readonly mayEdit: boolean;
  readonly fit: { readonly sentence: string; readonly roles: readonly RodRole[] } | null;
}

const EXPERIENCE = ['first time', 'some practice', 'knows the way'] as const;

/** Who is aboard, what the plan has to respect of them, and how it fits. */
export function Party({ desk, trip, mayEdit, fit }: PartyProps) {
  const queries = useQueryClient();
  const [refused, setRefused] = useState('');
  const iso = (ms: number) => new Date(ms).toISOString();
  const noon = Math.min(Math.max(desk.startsAt + HOUR, (desk.startsAt + desk.endsAt) / 2), desk.endsAt - HOUR);
  async function keep(
    change: Partial<Pick<PlanDesk, 'patienceMin' | 'footing' | 'breaks' | 'aboard'>> & {
      speciesWeights?: Record<string, number>;
      limitShare?: number;
    },
  ) {
    const next = { patienceMin: desk.patienceMin, footing: desk.footing, breaks: desk.breaks, aboard: desk.aboard, ...change };
    try {
      await post(`/trips/${trip.id}/fit`, {
        patienceMin: next.patienceMin,
        footing: next.footing,
        speciesWeights: change.speciesWeights ?? {},
        breaks: next.breaks.map((b) => ({ name: b.name, from: iso(b.fromMs), to: iso(b.toMs) })),
        aboard: next.aboard,
        ...(change.limitShare === undefined ? {} : { limitShare: change.limitShare }),
      });
      setRefused('');
      await queries.invalidateQueries({ queryKey: deskQuery(trip.id).queryKey });
      toast('The party’s terms are stored. Lay the day to plan by them.');
    } catch (error) {
      setRefused(error instanceof ApiProblem ? `${error.body.detail} ${error.body.remedy}` : (error as Error).message);
    }
  }
  async function keepGuest(
    id: string,
    { experience, hand, wishes, swims }: Pick<PlanDesk['guests'][number], 'experience' | 'hand' | 'wishes' | 'swims'>,
  ) {
    try {
      await post(`/clients/${id}/notes`, { experience, hand, wishes, swims });
      setRefused('');
      await queries.invalidateQueries({ queryKey: deskQuery(trip.id).queryKey });
      await queries.invalidateQueries({ queryKey: tripQuery(trip.id).queryKey });
    } catch (error) {
      setRefused(error instanceof ApiProblem ? `${error.body.detail} ${error.body.remedy}` : (error as Error).message);
    }
  }
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
      {refused && (
        <p role="alert" className="mt-1 bg-rust-pale px-3 py-1.5">
          {refused}
        </p>
      )}
      <ul className="mt-2">
        {desk.guests.map((g) => {
          const view = trip.guests.find((x) => x.id === g.id);
          return (
            <li key={g.id} className="border-t border-line py-2">
              <p>
                <b>{g.name}</b> <span className="text-ink-2">{g.child ? 'child, ' : ''}</span>
                <label className="text-[0.9rem]">
                  <span className="sr-only">Experience of {g.name}</span>
                  <select
                    value={g.experience}
                    disabled={!mayEdit}
                    onChange={(e) => void keepGuest(g.id, { ...g, experience: Number(e.target.value) })}
                    className="rounded border border-line bg-paper px-1 py-0.5"
                  >
                    {EXPERIENCE.map((words, i) => (
                      <option key={words} value={i + 1}>
                        {words}
                      </option>
                    ))}
                  </select>
                </label>{' '}
                <label className="text-[0.9rem]">
                  <span className="sr-only">Hand of {g.name}</span>
                  <select
                    value={g.hand ?? ''}
                    disabled={!mayEdit}
                    onChange={(e) => void keepGuest(g.id, { ...g, hand: (e.target.value || null) as 'left' | null })}
                    className="rounded border border-line bg-paper px-1 py-0.5"
                  >
                    <option value="">hand unknown</option>
                    <option value="right">right-handed</option>
                    <option value="left">left-handed</option>
                  </select>
                </label>
              </p>
              <label className="text-[0.9rem]">
                <span className="sr-only">Whether {g.name} swims</span>
                <select
                  value={g.swims === null ? '' : g.swims ? 'yes' : 'no'}
                  disabled={!mayEdit}
                  onChange={(e) => void keepGuest(g.id, { ...g, swims: e.target.value === '' ? null : e.target.value === 'yes' })}
                  className="rounded border border-line bg-paper px-1 py-0.5"
                >
                  <option value="">swims? not asked</option>
                  <option value="yes">swims</option>
                  <option value="no">does not swim</option>
                </select>
              </label>
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
            if (value !== desk.patienceMin) void keep({ patienceMin: value });
          }}
          className="num w-[72px] rounded border border-line bg-paper px-2 py-0.5"
        />
        min
      </label>
      {usual !== null && desk.patienceMin === null && (
        <p className="text-[0.87rem] text-ink-2">
          Parties like this one usually stand about {usual} min (common practice).{' '}
          {mayEdit && (
            <button type="button" className="cursor-pointer underline underline-offset-2" onClick={() => void keep({ patienceMin: usual })}>
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
            if (e.target.value !== '' && limitShare !== desk.party.share) void keep({ limitShare });
          }}
          className="num w-[64px] rounded border border-line bg-paper px-2 py-0.5"
        />
        % of the boat’s limits
      </label>
      <p className="text-[0.87rem] text-ink-2">
        {atRisk(desk.party) ? 'It holds for this party. ' : 'Nobody of this party needs it. '}Three quarters is usual practice.
      </p>
      <label className="mt-1.5 flex items-center gap-2 text-[0.93rem]">
        Getting to a spot
        <select
          value={desk.footing}
          disabled={!mayEdit}
          onChange={(e) => void keep({ footing: Number(e.target.value) })}
          className="rounded border border-line bg-paper px-1 py-0.5"
        >
          <option value={1}>from the boat only</option>
          <option value={2}>on sure feet</option>
          <option value={3}>with a climb</option>
        </select>
      </label>
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
                  if (weight !== s.weight) void keep({ speciesWeights: { [s.id]: weight } });
                }}
                className="num w-[72px] rounded border border-line bg-paper px-2 py-0.5"
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
                onClick={() => void keep({ breaks: desk.breaks.filter((x) => x !== b) })}
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
                void keep({ breaks: [...desk.breaks, { name: String(name), fromMs: from, toMs: from + Number(min) * 60_000 }] });
              }}
            >
              {name} {min} min
            </Button>
          ))}
        </p>
      )}
      <Aboard key={desk.aboard?.join() ?? 'all'} desk={desk} mayEdit={mayEdit} onKeep={(aboard) => void keep({ aboard })} />
    </div>
  );
}
