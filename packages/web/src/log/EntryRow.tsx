import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import { type Cell, flexRender } from '@tanstack/react-table';
import { LOOKS, whenOf } from './columns';

interface EntryRowProps {
  /** Its place in the whole log, from 0. */
  readonly index: number;
  readonly row: LogRow | null;
  readonly cells: readonly Cell<LogRow, unknown>[] | null | undefined;
  /** How many columns are shown. */
  readonly wide: number;
  readonly px: number;
  readonly zone: string;
  readonly chosen: ReadonlySet<string> | null;
  readonly onChoose: (setId: string, on: boolean) => void;
  readonly onOpen: (setId: string) => void;
}

/** An entry of the log as a row of the table. */
export function EntryRow({ index, row: r, cells, wide, px, zone, chosen, onChoose, onOpen }: EntryRowProps) {
  return (
    <tr
      aria-rowindex={index + 2}
      style={{ height: px }}
      className={`border-b border-line ${r && chosen?.has(r.setId) ? 'bg-kelp-pale' : ''}`}
    >
      {chosen && <td className="no-print pl-2.5">{r && <Choose row={r} zone={zone} on={chosen.has(r.setId)} onChoose={onChoose} />}</td>}
      {!cells && (
        <td colSpan={wide} className="px-2 text-ink-2">
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
                onClick={() => onOpen(r.setId)}
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
}

interface ChooseProps {
  readonly row: LogRow;
  readonly zone: string;
  readonly on: boolean;
  readonly onChoose: (setId: string, on: boolean) => void;
}

function Choose({ row: r, zone, on, onChoose }: ChooseProps) {
  return (
    <label className="flex h-6 w-6 items-center justify-center">
      <span className="sr-only">
        Choose {r.spot}, {whenOf(r, zone)}
      </span>
      <input type="checkbox" className="block h-4 w-4 accent-kelp" checked={on} onChange={(e) => onChoose(r.setId, e.target.checked)} />
    </label>
  );
}
