import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { PARTY_FIGURE_NAMES, PARTY_FIGURES, type PartyFigures, partyFiguresOf } from '@bluffwind/core/plan/partyFigures';
import { usualPatience } from '@bluffwind/core/plan/partyFit';
import { atRisk } from '@bluffwind/core/risk/judge';
import type { InputHTMLAttributes } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { deskQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Fault } from '../ui/parts';
import { Aboard } from './Aboard';
import { Breaks } from './Breaks';

/** What the plan has to respect, as it is kept. */
type Terms = PartyFigures &
  Pick<PlanDesk, 'footing' | 'breaks' | 'aboard'> & {
    readonly speciesWeights?: Record<string, number>;
    readonly limitShare?: number;
  };

const FOOTINGS = [
  { value: '1', name: 'from the boat only' },
  { value: '2', name: 'on sure feet' },
  { value: '3', name: 'with a climb' },
];

/** A figure that is kept when it is left and has changed. @param onKeep - Null for an empty field. */
function Figure({
  label,
  unit,
  value,
  onKeep,
  className = 'mt-1 flex items-center gap-2 text-[0.93rem]',
  ...rest
}: Omit<InputHTMLAttributes<HTMLInputElement>, 'value'> & {
  label: string;
  unit?: string;
  value: number | null;
  onKeep: (value: number | null) => void;
}) {
  return (
    <label className={className}>
      {label}
      <input
        type="number"
        defaultValue={value ?? ''}
        onBlur={(e) => {
          const typed = e.target.value === '' ? null : Number(e.target.value);
          if (typed !== value) onKeep(typed);
        }}
        className="num w-[72px] rounded border border-ink-3 bg-paper px-2 py-0.5"
        {...rest}
      />
      {unit}
    </label>
  );
}

/** How long a party waits, how much of the boat's limits holds for it, what a fish is worth to it, and when it rests. */
export function PartyTerms({ desk, trip, mayEdit }: { desk: PlanDesk; trip: TripView; mayEdit: boolean }) {
  const iso = (ms: number) => new Date(ms).toISOString();
  const terms = useSave<Terms>({
    send: ({ footing, speciesWeights, breaks, aboard, limitShare, ...figures }) =>
      post(`/trips/${trip.id}/fit`, {
        ...partyFiguresOf(figures),
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
    terms.save({ ...partyFiguresOf(desk), footing: desk.footing, breaks: desk.breaks, aboard: desk.aboard, ...change });
  const usual = usualPatience(desk.guests, trip.goal);
  return (
    <>
      <h3 className="mt-3 font-semibold">What the plan has to respect</h3>
      {terms.error !== null && <Fault error={terms.error} />}
      {PARTY_FIGURE_NAMES.map((name) => (
        <Figure
          key={name}
          label={PARTY_FIGURES[name].label}
          unit={PARTY_FIGURES[name].unit}
          min={PARTY_FIGURES[name].least}
          max={PARTY_FIGURES[name].most}
          step={PARTY_FIGURES[name].step}
          disabled={!mayEdit}
          placeholder="any"
          value={desk[name]}
          onKeep={(value) => keep({ [name]: value })}
        />
      ))}
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
      <Figure
        label="With children, first-timers or people who do not swim"
        unit="% of the boat’s limits"
        min={30}
        max={100}
        step={5}
        disabled={!mayEdit}
        value={Math.round(desk.party.share * 100)}
        onKeep={(share) => share !== null && keep({ limitShare: share / 100 })}
      />
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
            <Figure
              key={s.id}
              label={s.name}
              className="flex items-center justify-between border-t border-line py-1"
              min={0.05}
              max={10}
              step="any"
              disabled={!mayEdit}
              value={s.weight}
              onKeep={(weight) => keep({ speciesWeights: { [s.id]: weight ?? 0 } })}
            />
          ))}
        </fieldset>
      )}
      <Breaks desk={desk} mayEdit={mayEdit} onKeep={(breaks) => keep({ breaks })} />
      <Aboard key={desk.aboard?.join() ?? 'all'} desk={desk} mayEdit={mayEdit} onKeep={(aboard) => keep({ aboard })} />
    </>
  );
}
