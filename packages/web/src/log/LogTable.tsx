import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import { flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { usePocket } from '../ui/usePocket';
import { columnsOf, largestOf, LOOKS, stageOf, warmthOf, whenOf, windOf } from './columns';
import { useLogRows } from './useLogRows';
import { usePrinting } from './usePrinting';

interface LogTableProps {
  /** Filter and order as they are asked for. */
  readonly asked: string;
  readonly first: readonly LogRow[];
  readonly count: number;
  readonly zone: string;
  readonly order: LogOrder;
  readonly up: boolean;
  readonly hidden: ReadonlySet<string>;
  readonly onOrder: (order: LogOrder) => void;
  /** Entries that were chosen to be put right; null for who may not. */
  readonly chosen: ReadonlySet<string> | null;
  readonly onChoose: (setId: string, on: boolean) => void;
  /** Shows an entry from near. */
  readonly onOpen: (setId: string) => void;
}

const ROW_PX = 30;
const POCKET_ROW_PX = 78;

/** What was fished: a table of any length, of which only what is in sight is drawn; in the pocket rows of lines with the fish at the right. */
export function LogTable(p: LogTableProps) {
  const pocket = usePocket();
  const printing = usePrinting();
  const frame = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: p.count,
    getScrollElement: () => frame.current,
    estimateSize: () => (pocket ? POCKET_ROW_PX : ROW_PX),
    overscan: 12,
  });
  // Printed is all that has been fetched from the first entry on.
  const shown = printing ? p.first.map((_, index) => ({ index, start: index * ROW_PX })) : rows.getVirtualItems();
  const rowAt = useLogRows(p.asked, p.first, shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0);
  const columns = useMemo(() => columnsOf(p.zone), [p.zone]);
  const inSight = shown.map(({ index, start }) => ({ index, start, row: rowAt(index) }));
  const table = useReactTable({
    data: inSight.flatMap(({ row }) => row ?? []),
    getRowId: (r) => r.setId,
    columns,
    getCoreRowModel: getCoreRowModel(),
    manualSorting: true,
    // Other rows in sight are no new table: nothing is to be set back.
    autoResetAll: false,
    state: { columnVisibility: Object.fromEntries([...p.hidden].map((id) => [id, false])) },
  });
  const visible = table.getVisibleLeafColumns();
  const { rowsById } = table.getRowModel();
  const tall = printing ? undefined : rows.getTotalSize();
  if (pocket && !printing)
    return (
      <div ref={frame} className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Sets">
        <ul style={{ height: tall }} className="relative">
          {inSight.map(({ index, start, row: r }) => {
            return (
              <li
                key={r?.setId ?? index}
                style={{ transform: `translateY(${start}px)`, height: POCKET_ROW_PX }}
                className="absolute inset-x-0 top-0 grid grid-cols-[1fr_auto] content-center gap-x-3 overflow-hidden border-b border-line px-3"
              >
                {r ? <PocketRow row={r} zone={p.zone} onOpen={p.onOpen} /> : <span className="text-ink-2">Reading …</span>}
              </li>
            );
          })}
        </ul>
      </div>
    );
  const wide = visible.length + (p.chosen ? 1 : 0);
  const above = inSight[0]?.start ?? 0;
  const below = printing ? 0 : Math.max(0, (tall ?? 0) - above - inSight.length * ROW_PX);
  return (
    <div ref={frame} className="min-h-0 flex-1 overflow-auto print:overflow-visible" tabIndex={0} role="region" aria-label="Sets">
      <table aria-rowcount={p.count + 1} className="w-full min-w-[1112px] table-fixed text-[0.9rem]">
        <thead className="sticky top-0 z-10 bg-chalk text-left text-ink-2 shadow-[inset_0_-1px_0_var(--color-ink)]">
          <tr>
            {p.chosen && (
              <th scope="col" className="no-print w-[34px]">
                <span className="sr-only">To be put right</span>
              </th>
            )}
            {visible.map((c) => {
              const id = c.id as LogOrder;
              const by = p.order === id;
              return (
                <th
                  key={id}
                  scope="col"
                  aria-sort={by ? (p.up ? 'ascending' : 'descending') : 'none'}
                  style={{ width: LOOKS[id].width }}
                  className={`font-normal ${LOOKS[id].right ? 'text-right' : ''}`}
                >
                  <button
                    type="button"
                    onClick={() => p.onOrder(id)}
                    className={`inline-flex min-h-8 cursor-pointer items-center gap-1 px-2 ${by ? 'font-bold text-ink' : ''}`}
                  >
                    {String(c.columnDef.header)}
                    {by && (p.up ? <ArrowUp size={13} aria-hidden="true" /> : <ArrowDown size={13} aria-hidden="true" />)}
                  </button>
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {above > 0 && !printing && <Gap px={above} wide={wide} />}
          {inSight.map(({ index, row: r }) => {
            const cells = r && rowsById[r.setId]?.getVisibleCells();
            return (
              <tr
                key={r?.setId ?? index}
                aria-rowindex={index + 2}
                style={{ height: ROW_PX }}
                className={`border-b border-line ${r && p.chosen?.has(r.setId) ? 'bg-kelp-pale' : ''}`}
              >
                {p.chosen && (
                  <td className="no-print pl-2.5">
                    {r && (
                      <label className="flex h-6 w-6 items-center justify-center">
                        <span className="sr-only">
                          Choose {r.spot}, {whenOf(r, p.zone)}
                        </span>
                        <input
                          type="checkbox"
                          className="block h-4 w-4 accent-kelp"
                          checked={p.chosen.has(r.setId)}
                          onChange={(e) => p.onChoose(r.setId, e.target.checked)}
                        />
                      </label>
                    )}
                  </td>
                )}
                {!cells && (
                  <td colSpan={visible.length} className="px-2 text-ink-2">
                    Reading …
                  </td>
                )}
                {cells?.map(({ column, id, getContext }) => {
                  const look = LOOKS[column.id as LogOrder];
                  return (
                    <td
                      key={id}
                      title={look.cut ? String(getContext().getValue()) : undefined}
                      className={`truncate px-2 ${look.right ? 'text-right' : ''} ${look.figure ? 'num' : ''}`}
                    >
                      {column.id === 'spot' && r ? (
                        <button
                          type="button"
                          className="min-h-6 max-w-full cursor-pointer truncate text-left underline decoration-line underline-offset-4"
                          data-opens={r.setId}
                          onClick={() => p.onOpen(r.setId)}
                        >
                          {r.spot}
                        </button>
                      ) : (
                        flexRender(column.columnDef.cell, getContext())
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          {below > 0 && <Gap px={below} wide={wide} />}
        </tbody>
      </table>
    </div>
  );
}

/** The height of the rows that are not drawn. */
function Gap({ px, wide }: { px: number; wide: number }) {
  return (
    <tr aria-hidden="true" style={{ height: px }}>
      <td colSpan={wide} />
    </tr>
  );
}

function PocketRow({ row: r, zone, onOpen }: { row: LogRow; zone: string; onOpen: (setId: string) => void }) {
  return (
    <>
      <span className="min-w-0 truncate">
        <button
          type="button"
          className="min-h-8 cursor-pointer font-bold underline decoration-line underline-offset-4"
          data-opens={r.setId}
          onClick={() => onOpen(r.setId)}
        >
          {r.spot}
        </button>{' '}
        <span className="text-ink-2">{r.presentation}</span>
      </span>
      <span className={`num text-right ${r.fish > 0 ? 'font-bold' : 'text-ink-2'}`}>{r.fish} fish</span>
      <span className="line-clamp-2 text-[0.87rem] text-ink-2">
        {[whenOf(r, zone), r.boat, stageOf(r), windOf(r), warmthOf(r)].filter(Boolean).join(' · ')}
      </span>
      <span className="num text-right text-[0.87rem] text-ink-2">
        {r.rodHours.toFixed(1)} rod-h
        {largestOf(r) && (
          <>
            <br />
            {largestOf(r)}
          </>
        )}
      </span>
    </>
  );
}
