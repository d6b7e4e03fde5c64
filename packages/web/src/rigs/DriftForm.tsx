import type { TripRigs } from '@bluffwind/contract/rigs';
import { useState } from 'react';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { FigureField } from '../ui/form/fields';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

interface DriftFormProps {
  readonly boat: { readonly id: string; readonly name: string };
  readonly hull: TripRigs['boat'];
}

interface Timed {
  readonly windageM2: number | null;
  /** A sea anchor that is left open is none. */
  readonly timed: { readonly windMps: number | null; readonly throughWaterMps: number | null; readonly anchorDiameterM: number | null };
}

/** A drift of the boat that was timed: what its hull holds against the wind follows from it, instead of a guess from seats and draught. */
export function DriftForm({ boat, hull }: DriftFormProps) {
  const [open, setOpen] = useState(false);
  const saving = useSave<Timed>({
    send: ({ windageM2, timed }) =>
      post(`/boats/${boat.id}/drift`, { windageM2, timed: { ...timed, anchorDiameterM: timed.anchorDiameterM ?? 0 } }),
    touches: [['rigs'], ['desk']],
    told: `${boat.name}: its own drift holds from now on.`,
    onStored: () => setOpen(false),
  });
  return (
    <p className="flex flex-wrap items-center gap-2 border-t border-line py-2 text-[0.9rem]" data-drift-of={boat.name}>
      <span className="text-ink-2">
        {hull.timed ? `${boat.name} drifts as she was timed.` : `How ${boat.name} drifts is guessed from her seats and draught.`}
      </span>
      <Button className="py-0.5 text-[0.85rem] font-normal" onClick={() => setOpen(true)}>
        {hull.timed ? 'Time her drift again' : 'Time her drift'}
      </Button>
      {open && (
        <Sheet
          open
          title={`How ${boat.name} drifts`}
          note="Best where no current runs: way gone over time, with the motor up. In a current take off what the water itself goes."
          onClose={() => setOpen(false)}
        >
          <Entry<Timed>
            values={{ windageM2: hull.windageM2, timed: { windMps: null, throughWaterMps: null, anchorDiameterM: 0 } }}
            saving={saving}
            onSave={saving.save}
            onLeave={() => setOpen(false)}
          >
            <FigureField name="timed.windMps" label="Wind" measure="wind" min={0.5} max={30} required />
            <FigureField name="timed.throughWaterMps" label="She drifted" measure="current" min={0.01} max={5} required />
            <FigureField name="timed.anchorDiameterM" label="Sea anchor, across" measure="height" min={0} max={10} hint="0 for none." />
            <FigureField
              name="windageM2"
              label="Side that the wind meets"
              of="m²"
              min={0.2}
              max={500}
              required
              hint="Length over all times the height of the side, people included."
            />
          </Entry>
        </Sheet>
      )}
    </p>
  );
}
