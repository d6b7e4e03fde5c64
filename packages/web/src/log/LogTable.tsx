import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import { getCoreRowModel, useReactTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useMemo, useRef } from 'react';
import { usePocket } from '../ui/usePocket';
import { columnsOf } from './columns';
import { EntryRow } from './EntryRow';
import { OrderHead } from './OrderHead';
import { PocketRows } from './PocketRows';
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
      <Frame of={frame}>
        <PocketRows rows={inSight} px={POCKET_ROW_PX} tall={tall ?? 0} zone={p.zone} onOpen={p.onOpen} />
      </Frame>
    );
  const wide = visible.length + (p.chosen ? 1 : 0);
  const above = inSight[0]?.start ?? 0;
  const below = printing ? 0 : Math.max(0, (tall ?? 0) - above - inSight.length * ROW_PX);
  return (
    <Frame of={frame}>
      <table aria-rowcount={p.count + 1} className="w-full min-w-[1112px] table-fixed text-[0.9rem]">
        <thead className="sticky top-0 z-10 bg-chalk text-left text-ink-2 shadow-[inset_0_-1px_0_var(--color-ink)]">
          <tr>
            {p.chosen && (
              <th scope="col" className="no-print w-[34px]">
                <span className="sr-only">To be put right</span>
              </th>
            )}
            {visible.map((c) => (
              <OrderHead key={c.id} column={c} order={p.order} up={p.up} onOrder={p.onOrder} />
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && !printing && <Gap px={above} wide={wide} />}
          {inSight.map(({ index, row }) => (
            <EntryRow
              key={row?.setId ?? index}
              index={index}
              row={row}
              cells={row && rowsById[row.setId]?.getVisibleCells()}
              wide={visible.length}
              px={ROW_PX}
              zone={p.zone}
              chosen={p.chosen}
              onChoose={p.onChoose}
              onOpen={p.onOpen}
            />
          ))}
          {below > 0 && <Gap px={below} wide={wide} />}
        </tbody>
      </table>
    </Frame>
  );
}

function Frame({ of, children }: { of: RefObject<HTMLDivElement | null>; children: ReactNode }) {
  return (
    <div ref={of} className="min-h-0 flex-1 overflow-auto print:overflow-visible" tabIndex={0} role="region" aria-label="Entries">
      {children}
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
