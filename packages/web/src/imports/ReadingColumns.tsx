import type { ReadingMapping } from '@bluffwind/core/formats/readingsCsv';
import { unitsOf } from '@bluffwind/core/formats/unitsOf';
import { ALL_VARIABLES } from '@bluffwind/core/weather/variables';
import { Choice } from '../ui/Choice';
import { DateOrderChoice, DecimalChoice, ZoneChoice } from './choices';

/** What a column may be. */
const COLUMN_KINDS = [
  { value: '', name: 'leave out' },
  { value: 'time', name: 'time' },
  ...ALL_VARIABLES.map(([value, v]) => ({ value: value as string, name: v.words })),
];

interface ReadingColumnsProps {
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly mapping: ReadingMapping;
  /** Of the outfit. */
  readonly zone: string;
  readonly onChange: (mapping: ReadingMapping) => void;
}

/** What the columns of a table of readings are, with their first rows. */
export function ReadingColumns({ header, rows, mapping, zone, onChange }: ReadingColumnsProps) {
  const pick = (i: number, what: string) => {
    const times = mapping.timeColumns.filter((c) => c !== i);
    if (what === 'time')
      return onChange({
        ...mapping,
        timeColumns: [...times, i].sort((a, b) => a - b),
        values: mapping.values.filter((x) => x.column !== i),
      });
    const others = mapping.values.filter((x) => x.column !== i && x.variable !== what);
    const own = { column: i, variable: what, unit: unitsOf(what)[0]?.id ?? '' };
    onChange({ ...mapping, timeColumns: times, values: what === '' ? others : [...others, own] });
  };
  return (
    <>
      <div className="flex flex-wrap gap-3 text-[0.9rem]">
        <DecimalChoice value={mapping.decimal} onChange={(decimal) => onChange({ ...mapping, decimal })} />
        <DateOrderChoice label="Dates such as 03/04" value={mapping.order} onChange={(order) => onChange({ ...mapping, order })} />
        <ZoneChoice value={mapping.zone} outfitZone={zone} onChange={(z) => onChange({ ...mapping, zone: z })} />
      </div>
      <div className="overflow-auto" tabIndex={0} role="group" aria-label="Columns of the file">
        <table className="text-[0.87rem]">
          <thead>
            <tr>
              {header.map((name, i) => {
                const value = mapping.values.find((v) => v.column === i);
                return (
                  <th key={`${name} ${String(i)}`} className="border border-line px-2 py-1 text-left align-top">
                    <span className="block">{name || `column ${i + 1}`}</span>
                    <Choice
                      label={`What ${name} is`}
                      labelled="hidden"
                      value={mapping.timeColumns.includes(i) ? 'time' : (value?.variable ?? '')}
                      options={COLUMN_KINDS}
                      onPick={(v) => pick(i, v)}
                    />
                    {value && (
                      <Choice
                        label={`Unit of ${name}`}
                        labelled="hidden"
                        value={value.unit}
                        options={unitsOf(value.variable).map((u) => ({ value: u.id, name: u.name }))}
                        onPick={(unit) =>
                          onChange({
                            ...mapping,
                            values: [...mapping.values.filter((v) => v.column !== i), { column: i, variable: value.variable, unit }],
                          })
                        }
                      />
                    )}
                  </th>
                );
              })}
            </tr>
          </thead>
          <tbody className="num">
            {rows.map((r) => (
              <tr key={r.join('\u0001')}>
                {header.map((name, i) => (
                  <td key={`${name} ${String(i)}`} className="border border-line px-2 py-0.5">
                    {r[i]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
