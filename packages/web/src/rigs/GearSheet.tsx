import type { GearEdit, GearView } from '@bluffwind/contract/rigs';
import { GEAR_KINDS } from '@bluffwind/core/tackle/gearKinds';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

/** One thing of the boxes: sizes, stock, cost. */
export function GearSheet({ gear, onClose }: { gear: GearView; onClose: () => void }) {
  const { outOfUse: _, ...values } = gear;
  const saving = useSave<GearEdit>({
    send: (g) => post('/gear', g),
    touches: [['gear'], ['rigs']],
    told: (__, g) => `${g.name} is stored.`,
    onStored: onClose,
  });
  return (
    <Sheet
      open
      title={gear.name || 'A new thing'}
      note="Sizes are what rigs are chosen by; leave open what does not matter."
      onClose={onClose}
    >
      <Entry<GearEdit> className="grid grid-cols-2 gap-x-4 gap-y-2" values={values} saving={saving} onSave={saving.save} onLeave={onClose}>
        <ChoiceField name="kind" label="Kind" options={GEAR_KINDS.map((k) => ({ value: k, name: k }))} />
        <TextField name="name" label="Name" required maxLength={120} />
        <FigureField name="massG" label="Weight" measure="lead" min={0.1} max={20_000} />
        <FigureField name="strengthKg" label="Strength" measure="weight" min={0.1} max={200} />
        <FigureField
          name="acrossMm"
          label="Across"
          of="mm"
          min={0.05}
          max={30_000}
          hint="A line’s diameter; a sea anchor of 1.2 m is 1200."
        />
        <FigureField name="stock" label="In stock" min={0} max={100_000} whole />
        <FigureField name="cost" label="Cost of one" min={0} max={100_000} money />
        <TextField name="note" label="Note" maxLength={500} className="col-span-full" />
      </Entry>
    </Sheet>
  );
}
