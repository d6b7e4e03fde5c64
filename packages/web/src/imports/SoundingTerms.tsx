import type { SoundingMapping } from '@bluffwind/core/formats/soundingsCsv';
import { unitsOf } from '@bluffwind/core/formats/unitsOf';
import { useState } from 'react';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import type { DepthTerms } from '../workers/depthFile';
import type { TableHead } from '../workers/files.worker';
import { DecimalChoice, ZoneChoice } from './choices';

const UNITS = unitsOf('depthM').map((u) => ({ value: u.id, name: u.name }));
const COUNTS = [
  { value: 'down', name: 'down from the surface' },
  { value: 'up', name: 'up (negative below)' },
];
const DEGREES = 'EPSG:4326';

/** Which column of a table is what, and what its figures mean. */
export function TableTerms({
  head,
  mapping,
  zone,
  onChange,
}: {
  head: TableHead<SoundingMapping>;
  mapping: SoundingMapping;
  zone: string;
  onChange: (m: SoundingMapping) => void;
}) {
  const pick = (label: string, name: 'latColumn' | 'lonColumn' | 'depthColumn' | 'timeColumn') => (
    <Choice
      label={label}
      value={String(mapping[name] ?? -1)}
      options={[
        ...(name === 'timeColumn' ? [{ value: '-1', name: 'none' }] : []),
        ...head.header.map((h, i) => ({ value: String(i), name: h || `column ${i + 1}` })),
      ]}
      onPick={(v) => onChange({ ...mapping, [name]: Number(v) < 0 ? null : Number(v) })}
    />
  );
  const metres = mapping.projection !== null;
  return (
    <div className="grid grid-cols-2 gap-3 text-[0.9rem] md:grid-cols-4">
      {pick(metres ? 'Northing (y)' : 'Latitude', 'latColumn')}
      {pick(metres ? 'Easting (x)' : 'Longitude', 'lonColumn')}
      {pick('Depth', 'depthColumn')}
      {pick('Time', 'timeColumn')}
      <Choice label="Depth in" value={mapping.unit} options={UNITS} onPick={(unit) => onChange({ ...mapping, unit })} />
      <Choice
        label="Depth counts"
        value={mapping.positiveUp ? 'up' : 'down'}
        options={COUNTS}
        onPick={(v) => onChange({ ...mapping, positiveUp: v === 'up' })}
      />
      <DecimalChoice value={mapping.decimal} onChange={(decimal) => onChange({ ...mapping, decimal })} />
      <ZoneChoice value={mapping.zone} outfitZone={zone} onChange={(z) => onChange({ ...mapping, zone: z })} />
      <Projection
        value={mapping.projection ?? DEGREES}
        onChange={(projection) => onChange({ ...mapping, projection: projection === DEGREES ? null : projection })}
      />
    </div>
  );
}

/** What the figures of a chart's file mean. */
export function ChartTerms({ terms, onChange }: { terms: DepthTerms; onChange: (t: DepthTerms) => void }) {
  return (
    <div className="grid grid-cols-2 gap-3 text-[0.9rem] md:grid-cols-4">
      <Choice label="Depth in" value={terms.unit} options={UNITS} onPick={(unit) => onChange({ ...terms, unit })} />
      <Choice
        label="Depth counts"
        value={terms.up ? 'up' : 'down'}
        options={COUNTS}
        onPick={(v) => onChange({ ...terms, up: v === 'up' })}
      />
      <Projection value={terms.projection} onChange={(projection) => onChange({ ...terms, projection })} />
    </div>
  );
}

/** The projection of a file: degrees, or one that is typed by its number or its definition. Taken when the field is left. */
function Projection({ value, onChange }: { value: string; onChange: (projection: string) => void }) {
  const [typed, setTyped] = useState(value);
  const take = () => typed.trim() !== '' && typed.trim() !== value && onChange(typed.trim());
  return (
    <label className="col-span-2 flex min-w-0 flex-col gap-0.5">
      Projection
      <input
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          take();
        }}
        aria-describedby="projection-help"
        className={FIELD}
      />
      <span id="projection-help" className="text-[0.87rem] text-ink-2">
        {value === DEGREES ? 'Degrees (EPSG:4326). ' : ''}EPSG:32625 and the like, or what begins with +proj=.
      </span>
    </label>
  );
}
