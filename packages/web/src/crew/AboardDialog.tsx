import type { AboardEdit } from '@bluffwind/contract/aboard';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useFieldArray } from 'react-hook-form';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { DayField } from '../ui/form/choices';
import { Entry } from '../ui/form/Entry';
import { TextField } from '../ui/form/fields';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { type AboardTyped, aboardOf, typedAboard } from './aboardTyped';

const MOST = 60;
const TOUCHES = [['outfit'], ['board'], ['deck']];

/** What lies aboard a boat and until when, and what its captain goes through before leaving besides the usual list. */
export function AboardDialog({ boat, onClose }: { boat: OutfitView['boats'][number] | null; onClose: () => void }) {
  const saving = useSave<AboardEdit>({
    send: (a) => post(`/boats/${boat?.id}/aboard`, a),
    touches: TOUCHES,
    told: `What lies aboard ${boat?.name} is stored.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={boat !== null}
      title={boat ? `Aboard ${boat.name}` : ''}
      note="Shown on deck before leaving. What ends is told on the Board two months before its day."
      onClose={close}
    >
      {boat && (
        <Entry<AboardTyped> values={typedAboard(boat)} saving={saving} onSave={(v) => saving.save(aboardOf(v))} onLeave={close}>
          <Gear />
          <TextField
            name="checks"
            label="Its own lines of the list before leaving, one a line"
            lines={5}
            maxLength={4000}
            placeholder={'Anchor shackle wired\nLivewell pump tried'}
          />
        </Entry>
      )}
    </Sheet>
  );
}

function Gear() {
  const { fields, append, remove } = useFieldArray<Pick<AboardTyped, 'gear'>>({ name: 'gear' });
  return (
    <fieldset className="flex flex-col gap-2" data-gear>
      <legend className="mb-1">What lies aboard</legend>
      {fields.map((g, i) => (
        <div key={g.id} className="grid grid-cols-[1fr_auto] items-end gap-x-3 gap-y-1 border-t border-line pt-2">
          <TextField
            name={`gear.${i}.what`}
            label={`Thing ${i + 1}`}
            required
            maxLength={80}
            placeholder="Flares, 6 red"
            className="col-span-2"
          />
          <DayField name={`gear.${i}.endsOn`} label="Last day" none="does not end" />
          <Button aria-label={`Take out thing ${i + 1}`} onClick={() => remove(i)}>
            Take out
          </Button>
        </div>
      ))}
      <Button className="self-start" disabled={fields.length >= MOST} onClick={() => append({ what: '', endsOn: '' })}>
        Add a thing
      </Button>
    </fieldset>
  );
}
