import type { WaterStateView } from '@bluffwind/contract/water';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { clock, dayName } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { VARIABLE_WORDS } from './sinceYesterday';

type Reading = WaterStateView['crewReadings'][number];
const UNIT: Record<string, string> = { clarityM: 'm', waterTempC: '°C', waterLevelM: 'm' };

/** What the crew has read by hand, newest first; a correction supersedes and is marked. */
export function CrewReadings({ state, waterId, zone }: { state: WaterStateView; waterId: string; zone: string }) {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<Reading | null>(null);
  const [error, setError] = useState<unknown>(null);
  async function correct(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    if (!chosen) return;
    const form = new FormData(e.currentTarget);
    setError(null);
    try {
      await post(`/readings/${chosen.id}/correct`, { id: v7(), value: Number(form.get('value')), note: String(form.get('note') ?? '') });
      await queries.invalidateQueries({ queryKey: ['state', waterId] });
      toast('Corrected; the old value stays on file.');
      setChosen(null);
    } catch (problem) {
      setError(problem);
    }
  }
  const newest = [...state.crewReadings].reverse().slice(0, 25);
  return (
    <section className="border-t border-line py-2">
      <h3 className="font-semibold">Read by the crew</h3>
      {newest.length === 0 && <p className="text-[0.9rem] text-ink-2">Nothing in this span. Press N to add a reading.</p>}
      <ul>
        {newest.map((r) => (
          <li key={r.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1 text-[0.87rem]">
            <span>
              {dayName(r.at, zone)} {clock(r.at, zone)}: {VARIABLE_WORDS[r.variable] ?? r.variable}
              {r.variable === 'note' ? '' : <span className="num"> {r.value.toFixed(1)} </span>}
              {UNIT[r.variable] ?? ''}
              {r.spotName ? ` at ${r.spotName}` : ''}
              {r.by ? `, ${r.by}` : ''}
              {r.corrected ? ', corrected' : ''}
              {r.note ? `: ${r.note}` : ''}
            </span>
            {r.variable !== 'note' && (
              <button type="button" className="cursor-pointer text-ink-2 underline" onClick={() => setChosen(r)}>
                correct
              </button>
            )}
          </li>
        ))}
      </ul>
      <Sheet
        open={chosen !== null}
        title="Correct a reading"
        note={chosen ? `${VARIABLE_WORDS[chosen.variable]} of ${dayName(chosen.at, zone)} ${clock(chosen.at, zone)}` : ''}
        onClose={() => setChosen(null)}
      >
        <form onSubmit={correct} className="flex flex-col gap-3">
          <label className="flex flex-col gap-1">
            Value, {UNIT[chosen?.variable ?? ''] ?? ''}
            <input
              name="value"
              type="number"
              step="any"
              required
              defaultValue={chosen?.value}
              className="num rounded border border-ink-3 bg-chalk px-2 py-1.5"
            />
          </label>
          <label className="flex flex-col gap-1">
            Why
            <input name="note" maxLength={500} className="rounded border border-ink-3 bg-chalk px-2 py-1.5" />
          </label>
          {error !== null && <Fault error={error} />}
          <div className="flex justify-end gap-2">
            <Button onClick={() => setChosen(null)}>Cancel</Button>
            <Button strong type="submit">
              Correct
            </Button>
          </div>
        </form>
      </Sheet>
    </section>
  );
}
