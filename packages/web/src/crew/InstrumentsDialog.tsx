import { CABLE } from '@bluffwind/contract/instrumentWires';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { InstrumentEdit, InstrumentGiven } from '@bluffwind/contract/stations';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { CableHere } from './CableHere';
import { instrumentsQuery } from './queries';

const WIRES = [
  { value: 'network', name: 'by the network, at an address' },
  { value: CABLE, name: 'by a cable to a computer aboard' },
];
type Typed = InstrumentEdit & { readonly by: string };

/** The address where it has one: only where it is reached by the network. */
function Address() {
  return useWatch({ name: 'by' }) === CABLE ? (
    <p className="text-[0.87rem] text-ink-2">Plug it into a laptop aboard, open this sheet there, and have that computer listen.</p>
  ) : (
    <TextField name="address" label="Address and port" required maxLength={260} placeholder="plotter.example:10110" />
  );
}

interface InstrumentsDialogProps {
  readonly boat: OutfitView['boats'][number];
  readonly onClose: () => void;
}

/** A boat's instruments: what they are listened to at, given and taken out. */
export function InstrumentsDialog({ boat, onClose }: InstrumentsDialogProps) {
  const { data: outfit } = useQuery(outfitQuery);
  const all = useQuery(instrumentsQuery);
  const [edited, setEdited] = useState<InstrumentEdit | null>(null);
  const [ask, question] = useAsk();
  const saving = useSave<InstrumentEdit>({
    send: (i) => post('/instruments', i),
    touches: [['instruments'], ['state']],
    told: (_, i) => (i.address === CABLE ? `${i.name} can be listened to now.` : `${i.name} is listened to within half a minute.`),
    onStored: () => setEdited(null),
  });
  const retire = useSave<InstrumentGiven>({
    send: (i) => post(`/instruments/${i.id}/retire`),
    touches: [['instruments'], ['state']],
    told: (_, i) => `${i.name} is not listened to any more; what was heard stays.`,
  });
  const own = (all.data ?? []).filter((i) => i.boatId === boat.id);
  const blank = (): InstrumentEdit => ({
    id: v7(),
    boatId: boat.id,
    waterId: outfit?.waters[0]?.id ?? '',
    name: '',
    address: '',
    transducerM: 0,
  });
  return (
    <Sheet
      open
      title={`Instruments of ${boat.name}`}
      note="NMEA 0183: position, depth, temperature and wind as it says them. Soundings go to the chart, the tide taken off."
      onClose={onClose}
    >
      {question}
      {failedOf(all) ? <Fault error={all.error} retry={() => void all.refetch()} /> : null}
      {retire.error !== null && <Fault error={retire.error} />}
      {all.data && own.length === 0 && !edited && <p className="text-ink-2">None yet.</p>}
      <ul>
        {own.map((i) => (
          <li key={i.id} className="flex flex-wrap items-center gap-3 border-t border-line py-2" data-instrument={i.name}>
            <span className="min-w-0 flex-1">
              <b>{i.name}</b>{' '}
              <span className="text-[0.87rem] break-words text-ink-2">
                {i.address === CABLE ? 'by cable' : i.address || 'at the address that the server was started with'}
              </span>
              {i.address === CABLE && <CableHere id={i.id} name={i.name} />}
              {i.lastError && <span className="block text-[0.87rem] text-rust">{i.lastError}</span>}
            </span>
            {i.address !== '' && (
              <Button
                aria-label={`Change ${i.name}`}
                onClick={() =>
                  setEdited({
                    id: i.id,
                    boatId: i.boatId,
                    waterId: i.waterId,
                    name: i.name,
                    address: i.address,
                    transducerM: i.transducerM,
                  })
                }
              >
                Change
              </Button>
            )}
            <Button
              aria-label={`Take it out: ${i.name}`}
              onClick={() =>
                ask({
                  title: `Take ${i.name} out?`,
                  text: 'It is not listened to any more. What was heard stays.',
                  yes: 'Take it out',
                  act: () => retire.save(i),
                })
              }
            >
              Take it out
            </Button>
          </li>
        ))}
      </ul>
      {edited ? (
        <Entry<Typed>
          key={edited.id}
          className="mt-3 grid grid-cols-2 gap-x-4 gap-y-3 border-t-2 border-ink pt-3"
          values={{ ...edited, by: edited.address === CABLE ? CABLE : 'network', address: edited.address === CABLE ? '' : edited.address }}
          saving={saving}
          onSave={({ by, ...i }) => saving.save({ ...i, address: by === CABLE ? CABLE : i.address })}
          onLeave={() => setEdited(null)}
        >
          <TextField name="name" label="Name" required maxLength={80} />
          <ChoiceField name="by" label="How it is reached" options={WIRES} />
          <Address />
          <ChoiceField name="waterId" label="Water" options={(outfit?.waters ?? []).map((w) => ({ value: w.id, name: w.name }))} />
          <FigureField name="transducerM" label="Transducer hangs" measure="height" min={-10} max={10} required hint="Below the surface." />
        </Entry>
      ) : (
        <Button strong className="mt-3" disabled={(outfit?.waters.length ?? 0) === 0} onClick={() => setEdited(blank())}>
          Add an instrument
        </Button>
      )}
    </Sheet>
  );
}
