import type { CountedCast } from '@bluffwind/core/tackle/countDown';
import type { Measure } from '@bluffwind/core/units/measure';
import { amount, myUnit } from '../data/units';
import { FigureCell } from './FigureCell';

interface Column {
  readonly field: keyof CountedCast;
  readonly head: string;
  readonly name: string;
  readonly measure?: Measure;
}
const COLUMNS: readonly Column[] = [
  { field: 'bearingDeg', head: 'Bearing, °', name: 'Bearing' },
  { field: 'distanceM', head: 'Out', name: 'Distance', measure: 'near' },
  { field: 'seconds', head: 'Count, s', name: 'Seconds' },
];
const HEAD = 'font-normal';

interface CastTableProps {
  readonly casts: readonly CountedCast[];
  /** The depth of each, m; fewer while one of them is wrong. */
  readonly depthsM: readonly number[];
  readonly onChange: (index: number, more: Partial<CountedCast>) => void;
}

/** The casts with what each sounded. */
export function CastTable({ casts, depthsM, onChange }: CastTableProps) {
  return (
    <table className="mt-1 w-full">
      <thead>
        <tr className="text-left text-[0.85rem] text-ink-2">
          {COLUMNS.map((c) => (
            <th key={c.field} scope="col" className={HEAD}>
              {c.measure ? `${c.head}, ${myUnit(c.measure)}` : c.head}
            </th>
          ))}
          <th scope="col" className={`text-right ${HEAD}`}>
            Depth
          </th>
        </tr>
      </thead>
      <tbody>
        {casts.map((cast, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: casts have no other name, and none is moved
          <tr key={i}>
            {COLUMNS.map((c) => (
              <td key={c.field} className="pr-1">
                <FigureCell
                  label={`${c.name} of cast ${i + 1}`}
                  value={cast[c.field]}
                  measure={c.measure}
                  onChange={(v) => onChange(i, { [c.field]: v })}
                />
              </td>
            ))}
            <td className="num text-right" data-sounding>
              {depthsM[i] === undefined ? '' : amount(depthsM[i], 'depth', 1)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
