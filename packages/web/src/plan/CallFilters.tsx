import type { PlanDesk } from '@bluffwind/contract/plan';

/** What the list of calls is narrowed to, and its order. */
export interface CallFilter {
  readonly depth: readonly [number, number] | null;
  readonly structure: string | null;
  readonly family: string | null;
  readonly order: 'rate' | 'promise';
}
export const NO_FILTER: CallFilter = { depth: null, structure: null, family: null, order: 'rate' };

const DEPTHS: readonly (readonly [string, readonly [number, number]])[] = [
  ['under 2 m', [-5, 2]],
  ['2 to 5 m', [2, 5]],
  ['5 to 12 m', [5, 12]],
  ['over 12 m', [12, 999]],
];

/** Narrows the calls by depth, structure and family; prospecting is a choice of order, never made silently. */
export function CallFilters({ desk, filter, onChange }: { desk: PlanDesk; filter: CallFilter; onChange: (f: CallFilter) => void }) {
  const structures = [...new Set(desk.spots.map((s) => s.structure))].sort();
  const families = [...new Map(desk.presentations.map((p) => [p.family, p.familyName]))].sort((a, b) => (a[1] < b[1] ? -1 : 1));
  const select = 'min-w-0 flex-1 rounded border border-line bg-paper px-1 py-0.5 text-[0.83rem]';
  return (
    <div className="flex gap-1.5 border-b border-line px-[14px] py-1.5">
      <select
        aria-label="Depth"
        className={select}
        value={filter.depth?.join() ?? ''}
        onChange={(e) => onChange({ ...filter, depth: DEPTHS.find(([, d]) => d.join() === e.target.value)?.[1] ?? null })}
      >
        <option value="">depth</option>
        {DEPTHS.map(([name, d]) => (
          <option key={name} value={d.join()}>
            {name}
          </option>
        ))}
      </select>
      <select
        aria-label="Structure"
        className={select}
        value={filter.structure ?? ''}
        onChange={(e) => onChange({ ...filter, structure: e.target.value || null })}
      >
        <option value="">place</option>
        {structures.map((s) => (
          <option key={s}>{s}</option>
        ))}
      </select>
      <select
        aria-label="Kind of bait"
        className={select}
        value={filter.family ?? ''}
        onChange={(e) => onChange({ ...filter, family: e.target.value || null })}
      >
        <option value="">bait</option>
        {families.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <select
        aria-label="Order of calls"
        className={select}
        value={filter.order}
        onChange={(e) => onChange({ ...filter, order: e.target.value as CallFilter['order'] })}
      >
        <option value="rate">most fish</option>
        <option value="promise">to prospect</option>
      </select>
    </div>
  );
}
