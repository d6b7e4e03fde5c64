import type { SpotEdit } from '@bluffwind/contract/grounds';
import { HAZARD_KINDS } from '@bluffwind/core/risk/hazard';
import { useFieldArray } from 'react-hook-form';
import { plainOptions } from '../ui/Choice';
import { CheckField, ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Button } from '../ui/parts';

type Hazard = SpotEdit['hazards'][number];

/** A hazard as it stands in the fields: its winds by their two ends. */
export type HazardTyped = Omit<Hazard, 'windSectorDeg'> & { readonly windsFromDeg: number | null; readonly windsToDeg: number | null };

export const typedOf = ({ windSectorDeg, ...h }: Hazard): HazardTyped => ({
  ...h,
  windsFromDeg: windSectorDeg?.[0] ?? null,
  windsToDeg: windSectorDeg?.[1] ?? null,
});

/** One end alone means from there round to north, or from north round to there. */
export const hazardOf = ({ windsFromDeg, windsToDeg, ...h }: HazardTyped): Hazard => ({
  ...h,
  windSectorDeg: windsFromDeg === null && windsToDeg === null ? null : [windsFromDeg ?? 0, windsToDeg ?? 360],
});

const BLANK: HazardTyped = {
  kind: 'swell',
  windsFromDeg: null,
  windsToDeg: null,
  windMps: null,
  waveM: null,
  tideBelowM: null,
  tideAboveM: null,
  binds: false,
  note: '',
};
const MOST = 8;

/** The hazards of a spot: what, when, and whether each shuts it or warns. */
export function HazardsField() {
  const { fields, append, remove } = useFieldArray<{ hazards: HazardTyped[] }>({ name: 'hazards' });
  return (
    <fieldset className="col-span-2 flex flex-col gap-2" data-hazards>
      <legend className="mb-1">Hazards: what is dangerous there, and when</legend>
      {fields.map((h, i) => (
        <div key={h.id} className="grid grid-cols-2 gap-x-4 gap-y-1 border-l-4 border-rust pl-3 text-[0.87rem]">
          <TextField
            name={`hazards.${i}.note`}
            label={`Hazard ${i + 1}, in words`}
            required
            maxLength={300}
            placeholder="Swell breaks over the head"
            className="col-span-2"
          />
          <ChoiceField name={`hazards.${i}.kind`} label="Kind" options={plainOptions(HAZARD_KINDS)} />
          <FigureField name={`hazards.${i}.windMps`} label="Wind from" measure="wind" min={0} max={60} placeholder="any" />
          <FigureField name={`hazards.${i}.windsFromDeg`} label="Winds from" of="°" min={0} max={360} placeholder="any" />
          <FigureField name={`hazards.${i}.windsToDeg`} label="round to" of="°" min={0} max={360} placeholder="any" />
          <FigureField name={`hazards.${i}.waveM`} label="Waves from" measure="height" min={0} max={20} placeholder="any" />
          <span />
          <FigureField name={`hazards.${i}.tideBelowM`} label="Tide under" measure="height" placeholder="any" />
          <FigureField name={`hazards.${i}.tideAboveM`} label="Tide over" measure="height" placeholder="any" />
          <CheckField name={`hazards.${i}.binds`} label="Shuts the spot" />
          <button type="button" className="min-h-8 cursor-pointer justify-self-end underline underline-offset-2" onClick={() => remove(i)}>
            Take it out
          </button>
        </div>
      ))}
      <Button className="self-start py-0.5" disabled={fields.length >= MOST} onClick={() => append(BLANK)}>
        Add a hazard
      </Button>
    </fieldset>
  );
}
