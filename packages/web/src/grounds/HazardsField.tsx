import type { SpotEdit } from '@bluffwind/contract/grounds';
import { HAZARD_KINDS } from '@bluffwind/core/risk/hazard';
import { Button } from '../ui/parts';

type Hazard = SpotEdit['hazards'][number];

const BLANK: Hazard = {
  kind: 'swell',
  windSectorDeg: null,
  windMps: null,
  waveM: null,
  tideBelowM: null,
  tideAboveM: null,
  binds: false,
  note: '',
};
const MOST = 8;
const field = 'rounded border border-ink-3 bg-chalk px-2 py-1';
const number = (text: string) => (text.trim() === '' ? null : Number(text));

/** The hazards of a spot: what, when, and whether each shuts it or warns. */
export function HazardsField({ hazards, onChange }: { hazards: readonly Hazard[]; onChange: (next: Hazard[]) => void }) {
  const change = (i: number, part: Partial<Hazard>) => onChange(hazards.map((h, k) => (k === i ? { ...h, ...part } : h)));
  const sector = (i: number, h: Hazard, side: 0 | 1, text: string) => {
    const next: [number, number] = [...(h.windSectorDeg ?? [0, 360])] as [number, number];
    next[side] = number(text) ?? 0;
    change(i, { windSectorDeg: text.trim() === '' ? null : next });
  };
  const figure = (i: number, label: string, value: number | null, set: (v: number | null) => Partial<Hazard>) => (
    <label className="flex items-center justify-between gap-2 text-[0.87rem]">
      {label}
      <input
        type="number"
        step="0.1"
        value={value ?? ''}
        placeholder="any"
        onChange={(e) => change(i, set(number(e.target.value)))}
        className={`num w-[76px] ${field}`}
      />
    </label>
  );
  return (
    <fieldset className="col-span-2 flex flex-col gap-2" data-hazards>
      <legend className="mb-1">Hazards: what is dangerous there, and when</legend>
      {hazards.map((h, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: hazards have no key of their own and keep their order
        <div key={i} className="border-l-4 border-rust pl-3">
          <label className="flex flex-col gap-0.5">
            <span className="sr-only">Hazard {i + 1}, in words</span>
            <input
              value={h.note}
              required
              maxLength={300}
              placeholder="Swell breaks over the head"
              onChange={(e) => change(i, { note: e.target.value })}
              className={field}
            />
          </label>
          <div className="mt-1 grid grid-cols-2 gap-x-4 gap-y-1">
            <label className="flex items-center justify-between gap-2 text-[0.87rem]">
              Kind
              <select value={h.kind} onChange={(e) => change(i, { kind: e.target.value as Hazard['kind'] })} className={field}>
                {HAZARD_KINDS.map((k) => (
                  <option key={k}>{k}</option>
                ))}
              </select>
            </label>
            {figure(i, 'Wind from, m/s', h.windMps, (windMps) => ({ windMps }))}
            <label className="flex items-center justify-between gap-2 text-[0.87rem]">
              Winds from, °
              <input
                type="number"
                min={0}
                max={360}
                value={h.windSectorDeg?.[0] ?? ''}
                placeholder="any"
                onChange={(e) => sector(i, h, 0, e.target.value)}
                className={`num w-[76px] ${field}`}
              />
            </label>
            <label className="flex items-center justify-between gap-2 text-[0.87rem]">
              round to, °
              <input
                type="number"
                min={0}
                max={360}
                value={h.windSectorDeg?.[1] ?? ''}
                placeholder="any"
                onChange={(e) => sector(i, h, 1, e.target.value)}
                className={`num w-[76px] ${field}`}
              />
            </label>
            {figure(i, 'Waves from, m', h.waveM, (waveM) => ({ waveM }))}
            {figure(i, 'Tide under, m', h.tideBelowM, (tideBelowM) => ({ tideBelowM }))}
            <label className="flex items-center gap-2 text-[0.87rem]">
              <input type="checkbox" checked={h.binds} onChange={(e) => change(i, { binds: e.target.checked })} /> Shuts the spot
            </label>
            {figure(i, 'Tide over, m', h.tideAboveM, (tideAboveM) => ({ tideAboveM }))}
          </div>
          <button
            type="button"
            className="mt-1 cursor-pointer text-[0.87rem] underline underline-offset-2"
            onClick={() => onChange(hazards.filter((_, k) => k !== i))}
          >
            Take it out
          </button>
        </div>
      ))}
      <Button className="self-start py-0.5" disabled={hazards.length >= MOST} onClick={() => onChange([...hazards, { ...BLANK }])}>
        Add a hazard
      </Button>
    </fieldset>
  );
}
