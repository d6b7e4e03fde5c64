import { TRIP_WORD_NAMES, tripWord } from '@bluffwind/contract/tripWords';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { papersQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { DayField, SeveralField } from '../ui/form/choices';
import { Entry } from '../ui/form/Entry';
import { dateName, GOALS } from '../ui/format';
import { Sheet } from '../ui/Sheet';
import { AddClient } from './AddClient';
import { TRIP_KEYS } from './queries';
import { clockTyped, type TripDraft, tripOf } from './tripDraft';

/** What is done with a draft: a new trip is made, or one that is there is changed. */
export type TripTask =
  | { readonly what: 'new'; readonly draft: TripDraft }
  | { readonly what: 'change'; readonly trip: TripView; readonly draft: TripDraft };

interface TripDialogProps {
  readonly task: TripTask | null;
  readonly outfit: OutfitView;
  readonly zone: string;
  readonly onClose: () => void;
  readonly onStored?: (trip: TripView) => void;
}

const GOAL_OPTIONS = Object.entries(GOALS).map(([value, name]) => ({ value, name }));
const SKILLS = [
  { value: '1', name: 'first casts' },
  { value: '2', name: 'some practice' },
  { value: '3', name: 'know their way' },
];
const named = (list: readonly { readonly id: string; readonly name: string }[]) => list.map((x) => ({ value: x.id, name: x.name }));
const TIME = { value: /^/, message: '' };

/** A trip: when, where, with whom, for what. */
export function TripDialog({ task, outfit, zone, onClose, onStored }: TripDialogProps) {
  const key = useRef(v7());
  useEffect(() => {
    if (task?.what === 'new') key.current = v7();
  }, [task]);
  const saving = useSave<TripDraft, TripView>({
    send: (draft) =>
      task?.what === 'change'
        ? post(`/trips/${task.trip.id}`, tripOf(draft, zone))
        : post('/trips', { ...tripOf(draft, zone), id: key.current, waterId: draft.waterId }),
    touches: TRIP_KEYS,
    told: (_, draft) => `${task?.what === 'change' ? 'Changed' : 'Stored'}: ${dateName(draft.date)}, ${draft.from} to ${draft.to}.`,
    onStored: (trip) => {
      onClose();
      onStored?.(trip);
    },
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={task !== null}
      wide
      title={task?.what === 'change' ? `Change the trip of ${task.trip.boat.name}` : 'A new trip'}
      note={`Days and times are those of ${zone.replaceAll('_', ' ')}.${task?.what === 'change' && task.trip.plan ? ' Its day is laid: with other hours or another boat that plan is taken out.' : ''}`}
      onClose={close}
    >
      {task && (
        <Entry<TripDraft>
          values={task.draft}
          saving={saving}
          onSave={saving.save}
          onLeave={close}
          store={task.what === 'change' ? 'Store the change' : 'Make the trip'}
          className="grid grid-cols-2 gap-x-4 gap-y-3 md:grid-cols-4"
        >
          <DayField name="date" label="Day" className="max-md:col-span-2" />
          <ClockField name="from" label="From" />
          <ClockField name="to" label="To" />
          {task.what === 'new' ? (
            <ChoiceField name="waterId" label="Water" options={named(outfit.waters)} />
          ) : (
            <p className="self-end pb-1">On {task.trip.water.name}</p>
          )}
          <ChoiceField
            name="boatId"
            label="Boat"
            options={outfit.boats.map((b) => ({ value: b.id, name: `${b.name}, ${b.seats} seats` }))}
          />
          <CaptainOf outfit={outfit} />
          <ChoiceField name="goal" label="They want" options={GOAL_OPTIONS} />
          <ChoiceField name="skill" label="Their skill" options={SKILLS} />
          <SpeciesOf outfit={outfit} />
          <SeveralField
            name="clientIds"
            label="Guests"
            className="max-md:col-span-2 md:col-span-4"
            options={named(outfit.clients)}
            none="No client is written down yet."
            also={<AddClient />}
          />
          {outfit.crew.some((p) => p.role === 'mate') && <MatesOf outfit={outfit} />}
          <FigureField name="rods" label="Rods" whole min={1} max={20} required />
          {TRIP_WORD_NAMES.map((name) => {
            const { label, most, hint, columns } = tripWord(name);
            return (
              <TextField
                key={name}
                name={name}
                label={label}
                {...(hint === undefined ? {} : { hint })}
                maxLength={most}
                className={columns === 3 ? 'max-md:col-span-2 md:col-span-3' : 'col-span-2 md:col-span-2'}
              />
            );
          })}
        </Entry>
      )}
    </Sheet>
  );
}

function ClockField({ name, label }: { name: string; label: string }) {
  return (
    <TextField
      name={name}
      label={label}
      required
      maxLength={8}
      pattern={TIME}
      taken={(text) => (clockTyped(text) === null ? 'A time, such as 6:30 or 14:00.' : undefined)}
    />
  );
}

/** People as they stand on the day that is chosen: who is away then is shown so. */
function usePeople(people: OutfitView['crew']) {
  const { data } = useQuery(papersQuery);
  const date = useWatch<TripDraft, 'date'>({ name: 'date' });
  const away = (id: string) => data?.away.some((a) => a.personId === id && a.fromOn <= date && a.toOn >= date);
  return people.map((p) => ({ value: p.id, name: away(p.id) ? `${p.name}, away then` : p.name }));
}

function CaptainOf({ outfit }: { outfit: OutfitView }) {
  return <ChoiceField name="captainId" label="Captain" options={usePeople(outfit.crew.filter((p) => p.role !== 'mate'))} />;
}

function MatesOf({ outfit }: { outfit: OutfitView }) {
  const options = usePeople(outfit.crew.filter((p) => p.role === 'mate'));
  return <SeveralField name="mateIds" label="Mates aboard" className="max-md:col-span-2 md:col-span-4" options={options} none="" />;
}

/** Species of the water that is chosen. */
function SpeciesOf({ outfit }: { outfit: OutfitView }) {
  const waterId = useWatch<TripDraft, 'waterId'>({ name: 'waterId' });
  const { getValues, setValue } = useFormContext<TripDraft>();
  const kind = outfit.waters.find((w) => w.id === waterId)?.kind;
  const options = named(outfit.species.filter((s) => s.habitat === kind));
  // What lives in the water chosen before is no goal in this one.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another water only
  useEffect(() => {
    const fits = getValues('speciesIds').filter((id) => options.some((o) => o.value === id));
    if (fits.length < getValues('speciesIds').length) setValue('speciesIds', fits);
  }, [kind]);
  return (
    <SeveralField
      name="speciesIds"
      label="Fish they are after"
      className="max-md:col-span-2 md:col-span-4"
      options={options}
      none="No species of this water is on the list (Crew, Species)."
      atLeast="At least one."
    />
  );
}
