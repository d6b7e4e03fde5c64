import type { OutfitView } from '@bluffwind/contract/outfit';
import { GUST_FACTOR } from '@bluffwind/core/risk/judge';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

type Boat = OutfitView['boats'][number];
const optional = (form: FormData, name: string) => (String(form.get(name) ?? '').trim() === '' ? null : Number(form.get(name)));

/** A boat's own limits, and its tank filled up. */
export function BoatLimits({ boat, onClose }: { boat: Boat | null; onClose: () => void }) {
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  async function send(path: string, body: unknown, told: string) {
    setError(null);
    try {
      await post(`/boats/${boat?.id}/${path}`, body);
      await Promise.all(['outfit', 'desk', 'board', 'risks', 'trip', 'brief'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
      toast(told);
      onClose();
    } catch (problem) {
      setError(problem);
    }
  }
  const submit = (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    void send(
      'limits',
      { windLimitMps: optional(form, 'wind'), gustLimitMps: optional(form, 'gust'), waveLimitM: optional(form, 'wave') },
      `The limits of ${boat?.name} are stored.`,
    );
  };
  const field = (name: string, label: string, unit: string, value: number | null, hint = '') => (
    <label className="flex items-center justify-between gap-3 border-t border-line py-2">
      <span>
        {label}
        {hint && <span className="block text-[0.83rem] text-ink-2">{hint}</span>}
      </span>
      <span className="shrink-0">
        <input
          name={name}
          type="number"
          min={0.1}
          step="0.1"
          defaultValue={value ?? ''}
          className="num w-[84px] rounded border border-ink-3 bg-chalk px-2 py-1"
        />{' '}
        {unit}
      </span>
    </label>
  );
  return (
    <Sheet
      open={boat !== null}
      title={`Limits of ${boat?.name ?? ''}`}
      note="What its captain holds it to. A limit left empty is not known, and every screen says so."
      onClose={onClose}
    >
      {boat && (
        <form key={boat.id} onSubmit={submit} className="text-[0.93rem]">
          {field('wind', 'Wind', 'm/s', boat.windLimitMps)}
          {field('gust', 'Gusts', 'm/s', boat.gustLimitMps, `left empty: ${GUST_FACTOR} times the wind, usual practice`)}
          {field('wave', 'Waves', 'm', boat.waveLimitM)}
          {error !== null && <Fault error={error} />}
          <div className="flex justify-between gap-2 border-t border-line pt-3">
            <Button
              onClick={() =>
                void send(
                  'refills',
                  { id: v7(), at: new Date(serverNow()).toISOString() },
                  `${boat.name} is filled up: what it burned before does not count any more.`,
                )
              }
            >
              Filled up now
            </Button>
            <span className="flex gap-2">
              <Button onClick={onClose}>Cancel</Button>
              <Button strong type="submit">
                Store
              </Button>
            </span>
          </div>
        </form>
      )}
    </Sheet>
  );
}
