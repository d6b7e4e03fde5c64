import type { WaterStateView } from '@bluffwind/contract/water';
import { isVariable, VARIABLES, type Variable, variableWords } from '@bluffwind/core/weather/variables';
import { useState } from 'react';
import { post } from '../data/api';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { Entry } from '../ui/form/Entry';
import { FigureField, TextField } from '../ui/form/fields';
import { clock, dayName } from '../ui/format';
import { Sheet } from '../ui/Sheet';

type Reading = WaterStateView['crewReadings'][number];

interface Typed {
  readonly value: number | null;
  readonly note: string;
}

const known = (r: Reading): Variable | null => (isVariable(r.variable) ? VARIABLES[r.variable] : null);

function valueWords(r: Reading): string {
  const v = known(r);
  return v ? ` ${amount(r.value, v.measure, v.digits)}` : '';
}

/** What the crew has read by hand, newest first; a correction supersedes and is marked. */
export function CrewReadings({ state, waterId, zone }: { state: WaterStateView; waterId: string; zone: string }) {
  const [chosen, setChosen] = useState<Reading | null>(null);
  const newest = [...state.crewReadings].reverse().slice(0, 25);
  return (
    <section className="border-t border-line py-2">
      <h3 className="font-semibold">Read by the crew</h3>
      {newest.length === 0 && <p className="text-[0.9rem] text-ink-2">Nothing in this span. Press N to add a reading.</p>}
      <ul>
        {newest.map((r) => (
          <li key={r.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1 text-[0.87rem]">
            <span>
              {dayName(r.at, zone)} {clock(r.at, zone)}: {variableWords(r.variable)}
              <span className="num">{valueWords(r)}</span>
              {r.spotName ? ` at ${r.spotName}` : ''}
              {r.by ? `, ${r.by}` : ''}
              {r.corrected ? ', corrected' : ''}
              {r.note ? `: ${r.note}` : ''}
            </span>
            {known(r) && (
              <button type="button" className="cursor-pointer text-ink-2 underline" onClick={() => setChosen(r)}>
                correct
              </button>
            )}
          </li>
        ))}
      </ul>
      {chosen && <Correction key={chosen.id} reading={chosen} waterId={waterId} zone={zone} onClose={() => setChosen(null)} />}
    </section>
  );
}

function Correction({ reading, waterId, zone, onClose }: { reading: Reading; waterId: string; zone: string; onClose: () => void }) {
  const key = useSendKey();
  const saving = useSave<Typed>({
    send: ({ value, note }) => post(`/readings/${reading.id}/correct`, { id: key.of({ value, note }), value, note }),
    touches: [['state', waterId]],
    told: 'Corrected; the old value stays on file.',
    onStored: onClose,
  });
  const v = known(reading);
  return (
    <Sheet
      open
      title="Correct a reading"
      note={`${variableWords(reading.variable)} of ${dayName(reading.at, zone)} ${clock(reading.at, zone)}`}
      onClose={onClose}
    >
      <Entry<Typed>
        values={{ value: reading.value, note: reading.note }}
        saving={saving}
        onSave={saving.save}
        onLeave={onClose}
        store="Correct"
      >
        {v && <FigureField name="value" label="Value" measure={v.measure} min={v.limits.min} max={v.limits.max} required />}
        <TextField name="note" label="Why" />
      </Entry>
    </Sheet>
  );
}
