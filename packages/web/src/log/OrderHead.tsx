import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import type { Column } from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { LOOKS } from './columns';

interface HeadProps {
  readonly column: Column<LogRow>;
  readonly order: LogOrder;
  readonly up: boolean;
  readonly onOrder: (order: LogOrder) => void;
}

/** The head of a column, which puts the log in its order. */
export function OrderHead({ column: c, order, up, onOrder }: HeadProps) {
  const id = c.id as LogOrder;
  const by = order === id;
  return (
    <th
      scope="col"
      aria-sort={by ? (up ? 'ascending' : 'descending') : 'none'}
      style={{ width: LOOKS[id].width }}
      className={`font-normal ${LOOKS[id].right ? 'text-right' : ''}`}
    >
      <button
        type="button"
        onClick={() => onOrder(id)}
        className={`inline-flex min-h-8 cursor-pointer items-center gap-1 px-2 ${by ? 'font-bold text-ink' : ''}`}
      >
        {String(c.columnDef.header)}
        {by && (up ? <ArrowUp size={13} aria-hidden="true" /> : <ArrowDown size={13} aria-hidden="true" />)}
      </button>
    </th>
  );
}
