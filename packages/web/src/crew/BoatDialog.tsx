import type { BoatEdit } from '@bluffwind/contract/outfit';
import { GUST_FACTOR } from '@bluffwind/core/risk/judge';
import type { QueryKey } from '@tanstack/react-query';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { FigureField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

interface BoatDialogProps {
  readonly edited: { readonly boat: BoatEdit; readonly isNew: boolean } | null;
  readonly touches: readonly QueryKey[];
  readonly onClose: () => void;
}

const BOAT_NOTE =
  "The limits are those at which you turn back with guests aboard; a hull's papers may allow more. One left empty is not known, and every screen says so.";
const FOOT_NOTE =
  'Bank, pier, platform or wading: the day is laid by walking minutes, to spots that a cast reaches from the bank. A wave limit left empty binds nothing; at rocks set one.';

/** A boat as its captain knows it, or how a guide goes on foot. */
export function BoatDialog({ edited, touches, onClose }: BoatDialogProps) {
  const saving = useSave<BoatEdit>({
    send: (b) =>
      post('/boats', {
        ...b,
        // Usual practice where its captain says nothing else.
        gustLimitMps: b.gustLimitMps ?? (b.windLimitMps === null ? null : GUST_FACTOR * b.windLimitMps),
      }),
    touches,
    told: (_, b) => `${b.name} is stored.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  const id = edited?.boat.id ?? '';
  const foot = edited?.boat.craft === 'foot';
  return (
    <Sheet
      open={edited !== null}
      title={edited?.isNew ? (foot ? 'On foot' : 'A boat') : (edited?.boat.name ?? '')}
      note={foot ? FOOT_NOTE : BOAT_NOTE}
      onClose={close}
    >
      {edited && (
        <Entry<Omit<BoatEdit, 'id'>>
          values={valuesOf(edited.boat)}
          saving={saving}
          onSave={(v) => saving.save({ ...v, id })}
          onLeave={close}
          className="grid grid-cols-2 gap-x-4 gap-y-3"
        >
          <TextField name="name" label="Name" required maxLength={60} />
          {!foot && <TextField name="hull" label="Hull" maxLength={80} placeholder="5 m open boat" />}
          <FigureField name="seats" label={foot ? 'Guests at most' : 'Seats for guests'} whole min={1} max={60} required />
          {foot ? (
            <>
              <FigureField name="speedMps" label="Walking pace" measure="current" min={0.2} max={3} required />
              <FigureField name="castM" label="A cast reaches" measure="near" min={5} max={300} required />
              <TextField name="accessNote" label="Parking, permits, gates" maxLength={500} className="col-span-full" />
            </>
          ) : (
            <>
              <FigureField name="speedMps" label="Speed under way" measure="current" min={0.5} max={40} required />
              <FigureField name="draughtM" label="Draught" measure="height" min={0.05} max={10} required />
            </>
          )}
          <FigureField name="windLimitMps" label="Wind limit" measure="wind" min={1} max={40} />
          <FigureField name="gustLimitMps" label="Gust limit" measure="wind" min={1} max={50} hint="Left empty: a quarter more." />
          <FigureField name="waveLimitM" label="Wave limit" measure="height" min={0.05} max={10} />
          {!foot && (
            <>
              <FigureField
                name="roughMps"
                label="Speed at that limit"
                measure="current"
                min={0.2}
                max={40}
                hint="Left empty: half. Runs take longer from a third of the limit on."
              />
              <FigureField name="tankL" label="Tank" measure="fuel" min={0.5} max={20_000} required />
              <FigureField name="burnLph" label="Burns" measure="fuel" of="an hour" min={0.1} max={2000} required />
            </>
          )}
        </Entry>
      )}
    </Sheet>
  );
}

const FIELDS = [
  'name',
  'craft',
  'castM',
  'accessNote',
  'hull',
  'seats',
  'speedMps',
  'roughMps',
  'draughtM',
  'windLimitMps',
  'gustLimitMps',
  'waveLimitM',
  'tankL',
  'burnLph',
] as const satisfies readonly (keyof BoatEdit)[];

/** What this sheet is of: a boat's row has more, which is set elsewhere. */
const valuesOf = (boat: BoatEdit): Omit<BoatEdit, 'id'> =>
  Object.fromEntries(FIELDS.map((f) => [f, boat[f]])) as Pick<BoatEdit, (typeof FIELDS)[number]>;
