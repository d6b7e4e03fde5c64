import type { FamilyView, PresentationView } from '@bluffwind/contract/presentations';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { Sheet } from '../ui/Sheet';
import { FIELD, Labelled, NumberField, reader } from './fields';
import { SheetFoot } from './SheetFoot';

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
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    const f = reader(e.currentTarget);
    setError(null);
    try {
      await post('/presentations', {
        id: variant.id,
        familyId: f.text('familyId'),
        name: f.text('name'),
        habitat: f.text('habitat'),
        sizeMm: f.maybe('sizeMm'),
        weightG: f.maybe('weightG'),
        colour: f.text('colour'),
        leaderKg: f.maybe('leaderKg'),
        retrieve: f.text('retrieve'),
        pauseS: f.maybe('pauseS'),
        look: f.text('look') || null,
        active: f.text('active') === 'on',
        tripsADay: f.maybe('tripsADay'),
      });
      await Promise.all(['presentations', 'desk', 'outfit'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
      toast(`${f.text('name')} is stored.`);
      onClose();
    } catch (problem) {
      setError(problem);
    }
  }
  return (
    <Sheet open wide title={variant.name || 'A new variant'} note="Plans and the deck name it so." onClose={onClose}>
      <form onSubmit={submit} className="grid grid-cols-4 gap-x-4 gap-y-2">
        <div className="col-span-4">
          <Labelled label="Name">
            <input name="name" required maxLength={120} defaultValue={variant.name} className={FIELD} />
          </Labelled>
        </div>
        <div className="col-span-2">
          <Labelled label="Family">
            <select name="familyId" defaultValue={variant.familyId} className={FIELD}>
              {families.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
            </select>
          </Labelled>
        </div>
        <div className="col-span-2">
          <Labelled label="Water">
            <select name="habitat" defaultValue={variant.habitat} className={FIELD}>
              <option value="both">both</option>
              <option value="salt">salt</option>
              <option value="fresh">fresh</option>
            </select>
          </Labelled>
        </div>
        <NumberField name="sizeMm" label="Size, mm" value={variant.sizeMm} min={1} max={2000} />
        <NumberField name="weightG" label="Weight, g" value={variant.weightG} min={0} max={5000} />
        <NumberField name="leaderKg" label="Leader, kg" value={variant.leaderKg} min={0.1} max={200} />
        <NumberField name="pauseS" label="Pause, s" value={variant.pauseS} min={0} max={120} />
        <Labelled label="Colour">
          <input name="colour" maxLength={60} defaultValue={variant.colour} className={FIELD} />
        </Labelled>
        <Labelled label="Retrieve">
          <input name="retrieve" maxLength={120} defaultValue={variant.retrieve} className={FIELD} />
        </Labelled>
        <Labelled label="Look, if not the family’s">
          <input name="look" maxLength={40} defaultValue={variant.look ?? ''} className={FIELD} />
        </Labelled>
        <NumberField name="tripsADay" label="Bait for so many trips a day" value={variant.tripsADay} min={1} max={20} />
        <label className="flex items-center gap-2 self-end pb-1">
          <input type="checkbox" name="active" defaultChecked={variant.active} /> in use
        </label>
        <SheetFoot error={error} onClose={onClose} />
      </form>
    </Sheet>
  );
}
