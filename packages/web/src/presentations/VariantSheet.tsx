import type { FamilyView, PresentationView } from '@bluffwind/contract/presentations';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { CheckField, ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

type Typed = Omit<PresentationView, 'look'> & { readonly look: string };

/** A variant of a family: what exactly is on the line. */
export function VariantSheet({
  variant,
  families,
  onClose,
}: {
  variant: PresentationView;
  families: readonly FamilyView[];
  onClose: () => void;
}) {
  const saving = useSave<Typed>({
    send: ({ look, sets: _, rodHours: __, fish: ___, ...v }) => post('/presentations', { ...v, look: look || null }),
    touches: [['presentations'], ['desk'], ['outfit']],
    told: (_, v) => `${v.name} is stored.`,
    onStored: onClose,
  });
  return (
    <Sheet open wide title={variant.name || 'A new variant'} note="Plans and the deck name it so." onClose={onClose}>
      <Entry<Typed>
        className="grid grid-cols-2 gap-x-4 gap-y-2 text-[0.93rem] md:grid-cols-4"
        values={{ ...variant, look: variant.look ?? '' }}
        saving={saving}
        onSave={saving.save}
        onLeave={onClose}
      >
        <TextField name="name" label="Name" required maxLength={120} className="col-span-full" />
        <ChoiceField name="familyId" label="Family" options={families.map((f) => ({ value: f.id, name: f.name }))} className="col-span-2" />
        <ChoiceField
          name="habitat"
          label="Water"
          options={[
            { value: 'both', name: 'both' },
            { value: 'salt', name: 'salt' },
            { value: 'fresh', name: 'fresh' },
          ]}
          className="col-span-2"
        />
        <FigureField name="sizeMm" label="Size" measure="rule" min={1} max={2000} />
        <FigureField name="weightG" label="Weight" measure="lead" min={0} max={5000} />
        <FigureField name="leaderKg" label="Leader" measure="weight" min={0.1} max={200} />
        <FigureField name="pauseS" label="Pause" of="s" min={0} max={120} />
        <TextField name="colour" label="Colour" maxLength={60} />
        <TextField name="retrieve" label="Retrieve" maxLength={120} />
        <TextField name="look" label="Look, if not the family’s" maxLength={40} />
        <FigureField name="tripsADay" label="Bait for so many trips a day" min={1} max={20} whole />
        <CheckField name="active" label="in use" className="self-end pb-1" />
      </Entry>
    </Sheet>
  );
}
