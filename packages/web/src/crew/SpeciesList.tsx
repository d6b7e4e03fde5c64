import type { OutfitView, SpeciesEdit } from '@bluffwind/contract/outfit';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { amount } from '../data/units';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FIELD, FigureField, TextField } from '../ui/form/fields';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

type Species = OutfitView['species'][number];
const TOUCHES = [['outfit'], ['desk']];
const KINDS = [
  { value: 'total', name: 'total length' },
  { value: 'fork', name: 'to the fork' },
  { value: 'standard', name: 'to the root of the tail' },
  { value: 'disc', name: 'across the disc' },
];
const HABITATS = [
  { value: 'salt', name: 'salt water' },
  { value: 'fresh', name: 'fresh water' },
];

const blank = (): SpeciesEdit => ({
  id: v7(),
  name: '',
  habitat: 'salt',
  lengthKind: 'total',
  leastMm: null,
  mostMm: null,
  sizeGoalMm: null,
  caution: '',
});

/** Species that are fished for: how each is measured, the lengths that come, and how it is handled. */
export function SpeciesList({ mayEdit }: { mayEdit: boolean }) {
  const { data: outfit } = useQuery(outfitQuery);
  const [find, setFind] = useAddress('find', '');
  const [edited, setEdited] = useState<{ readonly species: SpeciesEdit; readonly isNew: boolean } | null>(null);
  const [ask, question] = useAsk();
  const retire = useSave<Species>({
    send: (s) => post(`/species/${s.id}/retire`),
    touches: TOUCHES,
    told: (_, s) => `${s.name} is off the list; the log keeps it.`,
  });
  const shown = outfit?.species.filter((s) => s.name.toLowerCase().includes(find.toLowerCase())) ?? [];
  return (
    <div className="max-w-[760px]">
      {question}
      <div className="mb-3 flex flex-wrap gap-2">
        {mayEdit && (
          <Button strong onClick={() => setEdited({ species: blank(), isNew: true })}>
            Add a species
          </Button>
        )}
        <input
          data-search
          aria-label="Search species"
          placeholder="/ search"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          className={FIELD}
        />
      </div>
      {retire.error !== null && <Fault error={retire.error} />}
      <ul>
        {shown.map((s) => (
          <li key={s.id} data-species={s.name} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5">
            <span className="min-w-0 flex-1">
              <b>{s.name}</b> <span className="text-ink-2">{s.habitat} water</span>
              <span className="block text-[0.87rem] text-ink-2">
                {KINDS.find((k) => k.value === s.lengthKind)?.name}
                {s.leastMm !== null && s.mostMm !== null ? `, ${amount(s.leastMm, 'fish', 0)} to ${amount(s.mostMm, 'fish', 0)}` : ''}
                {s.sizeGoalMm !== null ? `, a good one from ${amount(s.sizeGoalMm, 'fish', 0)}` : ''}
              </span>
            </span>
            {mayEdit && (
              <>
                <Button onClick={() => setEdited({ species: s, isNew: false })} aria-label={`Change ${s.name}`}>
                  Change
                </Button>
                <Button
                  aria-label={`Take ${s.name} off the list`}
                  disabled={retire.busy}
                  onClick={() =>
                    ask({
                      title: `Take ${s.name} off the list?`,
                      text: 'It is offered for trips and catches no more. Add it again by its name to bring it back.',
                      yes: 'Take it off',
                      act: () => retire.save(s),
                    })
                  }
                >
                  Off the list
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      <SpeciesDialog edited={edited} onClose={() => setEdited(null)} />
    </div>
  );
}

function SpeciesDialog({
  edited,
  onClose,
}: {
  edited: { readonly species: SpeciesEdit; readonly isNew: boolean } | null;
  onClose: () => void;
}) {
  const saving = useSave<Omit<SpeciesEdit, 'id'>>({
    send: (v) => post('/species', { ...v, id: edited?.species.id }),
    touches: TOUCHES,
    told: (_, v) => `${v.name} is stored.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  const s = edited?.species;
  return (
    <Sheet
      open={s !== undefined}
      title={edited?.isNew ? 'A species' : (s?.name ?? '')}
      note="The lengths set the size keys on deck; what you may keep stands under Rules."
      onClose={close}
    >
      {s && (
        <Entry<Omit<SpeciesEdit, 'id'>>
          values={{
            name: s.name,
            habitat: s.habitat,
            lengthKind: s.lengthKind,
            leastMm: s.leastMm,
            mostMm: s.mostMm,
            sizeGoalMm: s.sizeGoalMm,
            caution: s.caution,
          }}
          saving={saving}
          onSave={(v) => saving.save({ ...v, leastMm: whole(v.leastMm), mostMm: whole(v.mostMm), sizeGoalMm: whole(v.sizeGoalMm) })}
          onLeave={close}
          className="grid grid-cols-2 gap-x-4 gap-y-3"
        >
          <TextField name="name" label="Name" required maxLength={60} className="col-span-2" />
          <ChoiceField name="habitat" label="Lives in" options={HABITATS} />
          <ChoiceField name="lengthKind" label="Measured" options={KINDS} />
          <FigureField name="leastMm" label="Usual from" measure="fish" min={10} max={5000} />
          <FigureField name="mostMm" label="to" measure="fish" min={10} max={5000} />
          <FigureField name="sizeGoalMm" label="A good one from" measure="fish" min={10} max={5000} />
          <TextField name="caution" label="Handling" lines={2} maxLength={300} className="col-span-2" />
        </Entry>
      )}
    </Sheet>
  );
}

/** Millimetres are whole, whatever unit they were typed in. */
const whole = (mm: number | null): number | null => (mm === null ? null : Math.round(mm));
