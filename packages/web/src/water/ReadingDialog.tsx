import type { SpotView } from '@bluffwind/contract/grounds';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

const KINDS = {
  clarityM: { name: 'Clarity (Secchi depth)', unit: 'm', min: 0.05, max: 40 },
  waterTempC: { name: 'Water temperature', unit: '°C', min: -2, max: 36 },
  waterLevelM: { name: 'Level above datum', unit: 'm', min: -5, max: 12 },
  note: { name: 'A note', unit: '', min: 0, max: 0 },
} as const;
type Kind = keyof typeof KINDS;

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly waterName: string;
  readonly spots: readonly SpotView[];
  readonly onClose: () => void;
}

/** Types in a reading; the same key is sent again until it is known to be stored, so that it is stored once. */
export function ReadingDialog({ open, waterId, waterName, spots, onClose }: Props) {
  const queries = useQueryClient();
  const [variable, setVariable] = useState<Kind>('clarityM');
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const key = useRef(v7());
  useEffect(() => {
    if (open) key.current = v7();
  }, [open]);
  const kind = KINDS[variable];
  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '');
    setError(null);
    setBusy(true);
    try {
      await post(`/waters/${waterId}/readings`, {
        id: key.current,
        variable,
        at: new Date(serverNow()).toISOString(),
        value: variable === 'note' ? 0 : Number(text('value')),
        spotId: text('spot') || null,
        note: text('note'),
      });
      await queries.invalidateQueries({ queryKey: ['state', waterId] });
      await queries.invalidateQueries({ queryKey: ['spots', waterId] });
      toast(variable === 'note' ? 'The note is stored.' : `${kind.name} ${text('value')} ${kind.unit} is stored.`);
      onClose();
    } catch (problem) {
      setError(problem);
    } finally {
      setBusy(false);
    }
  }
  const field = 'rounded border border-ink-3 bg-chalk px-2 py-1.5';
  return (
    <Sheet open={open} title="Add a reading" note={`${waterName}, now, by you.`} onClose={onClose}>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <label className="flex flex-col gap-1">
          What
          <select value={variable} onChange={(e) => setVariable(e.target.value as Kind)} className={field}>
            {Object.entries(KINDS).map(([k, v]) => (
              <option key={k} value={k}>
                {v.name}
              </option>
            ))}
          </select>
        </label>
        {variable !== 'note' && (
          <label className="flex flex-col gap-1">
            Value, {kind.unit}
            <input name="value" type="number" required step="any" min={kind.min} max={kind.max} className={`num ${field}`} />
          </label>
        )}
        <label className="flex flex-col gap-1">
          Where
          <select name="spot" className={field}>
            <option value="">the water as a whole</option>
            {spots.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1">
          {variable === 'note' ? 'Note' : 'Note, if any'}
          <input name="note" required={variable === 'note'} maxLength={500} className={field} />
        </label>
        {error !== null && <Fault error={error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button strong type="submit" disabled={busy}>
            Store
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
