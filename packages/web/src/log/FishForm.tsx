import type { LoggedFish } from '@bluffwind/contract/logEntry';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { LOG_TOUCHES } from './queries';
import { tellDeck } from './tellDeck';

interface FishFormProps {
  readonly fish: LoggedFish;
  readonly tripId: string;
  readonly species: OutfitView['species'];
  readonly guests: readonly { readonly id: string; readonly name: string }[];
  readonly onDone: () => void;
}

interface Typed {
  speciesId: string;
  clientId: string;
  lengthMm: number | null;
  kept: string;
  note: string;
}

/** A fish of the log put right: only what was changed is said, and everything that was said before stays in its history. */
export function FishForm({ fish, tripId, species, guests, onDone }: FishFormProps) {
  const values: Typed = {
    speciesId: fish.speciesId ?? '',
    clientId: fish.clientId ?? '',
    lengthMm: fish.lengthMm,
    kept: fish.kept ? 'kept' : 'released',
    note: fish.more.note ?? '',
  };
  const saving = useSave<Typed>({
    send: async (typed) => {
      const told = changedOf(values, typed);
      if (Object.keys(told).length > 0) await tellDeck(tripId, { kind: 'tell-catch', catchId: fish.id, told });
    },
    touches: LOG_TOUCHES,
    told: 'Put right.',
    onStored: onDone,
  });
  return (
    <div className="my-2 border-l-4 border-line pl-3">
      <Entry<Typed>
        values={values}
        saving={saving}
        onSave={saving.save}
        onLeave={onDone}
        store="Put it right"
        className="grid grid-cols-2 gap-3 max-md:grid-cols-1"
      >
        <ChoiceField name="speciesId" label="Fish" options={species.map((s) => ({ value: s.id, name: s.name }))} />
        <ChoiceField
          name="clientId"
          label="Angler"
          options={[{ value: '', name: 'nobody named' }, ...guests.map((g) => ({ value: g.id, name: g.name }))]}
        />
        <FigureField name="lengthMm" label="Length" measure="fish" min={10} max={4000} hint="Open where it was not measured." />
        <ChoiceField
          name="kept"
          label="Fate"
          options={[
            { value: 'released', name: 'Released' },
            { value: 'kept', name: 'Kept' },
          ]}
        />
        <TextField name="note" label="Note" maxLength={300} className="col-span-full" />
      </Entry>
    </div>
  );
}

/** What differs from before, as it is told of a fish. */
export function changedOf(before: Typed, typed: Typed): Record<string, unknown> {
  const told: Record<string, unknown> = {};
  if (typed.speciesId !== before.speciesId) told.speciesId = typed.speciesId;
  if (typed.clientId !== before.clientId) told.clientId = typed.clientId === '' ? null : typed.clientId;
  if (typed.lengthMm !== before.lengthMm) told.lengthMm = typed.lengthMm === null ? null : Math.round(typed.lengthMm);
  if (typed.kept !== before.kept) told.kept = typed.kept === 'kept';
  if (typed.note !== before.note) told.note = typed.note === '' ? null : typed.note;
  return told;
}
