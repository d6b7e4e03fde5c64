import type { PlanDesk } from '@bluffwind/contract/plan';
import { words } from '../data/units';
import { Choice, plainOptions } from '../ui/Choice';

/** What the list of calls is narrowed to, and its order. */
export interface CallFilter {
  readonly depth: readonly [number, number] | null;
  readonly structure: string | null;
  readonly family: string | null;
  readonly order: 'rate' | 'promise';
}
export const NO_FILTER: CallFilter = { depth: null, structure: null, family: null, order: 'rate' };

const DEPTHS: readonly (readonly [string, readonly [number, number]])[] = [
  ['under {depth 2}', [-5, 2]],
  ['{depth# 2} to {depth 5}', [2, 5]],
  ['{depth# 5} to {depth 12}', [5, 12]],
  ['over {depth 12}', [12, 999]],
];

/** Narrows the calls by depth, structure and family; prospecting is a choice of order, never made silently. */
export function CallFilters({ desk, filter, onChange }: { desk: PlanDesk; filter: CallFilter; onChange: (f: CallFilter) => void }) {
  const structures = [...new Set(desk.spots.map((s) => s.structure))].sort();
  const families = [...new Map(desk.presentations.map((p) => [p.family, p.familyName]))].sort((a, b) => (a[1] < b[1] ? -1 : 1));
  const list = 'flex-1 py-0.5 text-[0.83rem] md:w-0';
  return (
    <div className="flex gap-1.5 border-b border-line px-[14px] py-1.5">
      <Choice
        label="Depth"
        labelled="hidden"
        className={list}
        value={filter.depth?.join() ?? ''}
        options={[{ value: '', name: 'depth' }, ...DEPTHS.map(([name, d]) => ({ value: d.join(), name: words(name) }))]}
        onPick={(v) => onChange({ ...filter, depth: DEPTHS.find(([, d]) => d.join() === v)?.[1] ?? null })}
      />
      <Choice
        label="Structure"
        labelled="hidden"
        className={list}
        value={filter.structure ?? ''}
        options={[{ value: '', name: 'place' }, ...plainOptions(structures)]}
        onPick={(v) => onChange({ ...filter, structure: v || null })}
      />
      <Choice
        label="Kind of bait"
        labelled="hidden"
        className={list}
        value={filter.family ?? ''}
        options={[{ value: '', name: 'bait' }, ...families.map(([value, name]) => ({ value, name }))]}
        onPick={(v) => onChange({ ...filter, family: v || null })}
      />
      <Choice
        label="Order of calls"
        labelled="hidden"
        className={list}
        value={filter.order}
        options={[
          { value: 'rate', name: 'most fish' },
          { value: 'promise', name: 'to prospect' },
        ]}
        onPick={(order) => onChange({ ...filter, order })}
      />
    </div>
  );
}
