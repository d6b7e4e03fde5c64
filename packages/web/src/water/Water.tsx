import { DAY, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { type FormEvent, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../app/api';
import { meQuery, outfitQuery, stateQuery } from '../app/queries';
import { serverNow } from '../app/clock';
import { isTyping } from '../app/time';
import { Ribbon } from '../ribbon/Ribbon';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { sinceYesterday } from './sinceYesterday';

export default function Water() {
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const [params, setParams] = useSearchParams();
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const zone = me?.outfit.zone ?? 'UTC';
  const [from, to] = useMemo(() => {
    const start = startOfLocalDay(localDate(serverNow(), zone), zone);
    return [start - 2 * DAY, start + 2.9 * DAY];
  }, [zone]);
  const state = useQuery({ ...stateQuery(water?.id ?? '', from, to), enabled: water !== undefined });
  const [adding, setAdding] = useState(false);
  const now = serverNow();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!isTyping(e) && !e.ctrlKey && !e.metaKey && e.key === 'n') {
        e.preventDefault();
        setAdding(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const minute = Math.floor(now / 60_000);
  const changes = useMemo(() => (state.data ? sinceYesterday(state.data, minute * 60_000, zone) : []), [state.data, minute, zone]);
  if (state.error) return <Fault error={state.error} retry={() => state.refetch()} />;
  if (!water || !state.data) return <Waiting what="Reading the water" />;
  const s = state.data;
  const boat = water.kind === 'fresh' ? outfit?.boats.at(-1) : outfit?.boats[0];
  return (
    <>
      <Header
        title={`${water.name}, ${dayName(now, zone)} ${clock(now, zone)}`}
        note={`${s.stations.length} ${s.stations.length === 1 ? 'station' : 'stations'}, ${s.crewReadings.length} crew readings here${s.forecastRunAt ? `, forecast of ${clock(s.forecastRunAt, zone)}` : ', no forecast'}`}
      >
        <select
          aria-label="Water"
          value={water.id}
          onChange={(e) => setParams({ water: e.target.value })}
          className="rounded border border-ink bg-chalk px-2 py-1.5"
        >
          {outfit?.waters.map((w) => (
            <option key={w.id} value={w.id}>
              {w.name}
            </option>
          ))}
        </select>
        <Button hint="N" onClick={() => setAdding(true)}>
          Add a reading
        </Button>
      </Header>
      <div className="grid min-h-0 flex-1 grid-cols-[340px_1fr]">
        <section aria-label="Since this time yesterday" tabIndex={0} className="overflow-auto border-r border-line px-[18px] py-4">
          <h2 className="mb-2 font-bold">Since this time yesterday</h2>
          {changes.map((c) => (
            <div key={c.head} className="border-t border-line py-2.5">
              <p>
                <b className={c.caution ? 'text-rust' : ''}>{c.head}</b> {c.text}
              </p>
              {c.meaning && <p className="text-[0.9rem] text-ink-2">{c.meaning}</p>}
            </div>
          ))}
          <p className="border-t border-line pt-3 text-[0.83rem] text-ink-2">
            Solid is measured, dashed is forecast with its spread, dotted is carried forward. Usual practice, never permission: local rules
            and the captain’s judgement come first.
          </p>
        </section>
        <div className="min-h-0 overflow-x-hidden overflow-y-auto">
          <Ribbon
            from={from}
            to={to}
            now={now}
            zone={zone}
            state={s}
            limit={boat ? { mps: boat.windLimitMps, name: `${boat.name} stays in above` } : undefined}
            lanes={[
              ['light', 12],
              ...(water.tidal ? [['tide', 150] as const] : []),
              ['wind', 170],
              ['water', 140],
              ['clarity', 110],
              ['pressure', 110],
            ]}
          />
        </div>
      </div>
      <ReadingDialog open={adding} waterId={water.id} waterName={water.name} onClose={() => setAdding(false)} />
    </>
  );
}

const KINDS = {
  waterTempC: { name: 'Water temperature', unit: '°C', min: -2, max: 36 },
  clarityM: { name: 'Clarity (Secchi depth)', unit: 'm', min: 0.05, max: 40 },
} as const;

function ReadingDialog({ open, waterId, waterName, onClose }: { open: boolean; waterId: string; waterName: string; onClose: () => void }) {
  const queries = useQueryClient();
  const [variable, setVariable] = useState<keyof typeof KINDS>('clarityM');
  const [value, setValue] = useState('');
  const [error, setError] = useState<unknown>(null);
  const kind = KINDS[variable];
  async function submit(e: FormEvent) {
    e.preventDefault();
    setError(null);
    try {
      await post(`/waters/${waterId}/readings`, { id: v7(), variable, at: new Date(serverNow()).toISOString(), value: Number(value) });
      await queries.invalidateQueries({ queryKey: ['state', waterId] });
      toast(`${kind.name} ${value} ${kind.unit} is stored.`);
      setValue('');
      onClose();
    } catch (problem) {
      setError(problem);
    }
  }
  return (
    <Dialog.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content className="fixed top-[18vh] left-1/2 z-50 w-[400px] -translate-x-1/2 rounded border border-ink bg-paper p-5">
          <Dialog.Title className="font-bold">Add a reading</Dialog.Title>
          <Dialog.Description className="mb-3 text-ink-2">{waterName}, now, by you.</Dialog.Description>
          <form onSubmit={submit} className="flex flex-col gap-3">
            <label className="flex flex-col gap-1">
              What
              <select
                value={variable}
                onChange={(e) => setVariable(e.target.value as keyof typeof KINDS)}
                className="rounded border border-ink-3 bg-chalk px-2 py-1.5"
              >
                {Object.entries(KINDS).map(([k, v]) => (
                  <option key={k} value={k}>
                    {v.name}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex flex-col gap-1">
              Value, {kind.unit}
              <input
                type="number"
                required
                step="any"
                min={kind.min}
                max={kind.max}
                value={value}
                onChange={(e) => setValue(e.target.value)}
                className="num rounded border border-ink-3 bg-chalk px-2 py-1.5"
              />
            </label>
            {error !== null && <Fault error={error} />}
            <div className="flex justify-end gap-2">
              <Button onClick={onClose}>Cancel</Button>
              <Button strong type="submit">
                Store
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
