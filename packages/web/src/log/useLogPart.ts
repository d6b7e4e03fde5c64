import { LOG_ORDERS, type LogOrder } from '@bluffwind/contract/logOrders';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useAddress } from '../data/useAddress';
import { FILTERS } from './LogFilters';
import { logQuery, PART, rowsQuery } from './queries';

/** The entries that the address asks for, in what order and with which columns, and their sums. */
export function useLogPart(params: URLSearchParams) {
  const filter = useMemo(() => {
    const kept = new URLSearchParams();
    for (const f of FILTERS) if (params.get(f)) kept.set(f, params.get(f) as string);
    return kept.toString();
  }, [params]);
  const [orderAsked, setOrder] = useAddress('order', 'when');
  const [dir, setDir] = useAddress('dir', 'down');
  const [hiddenAsked, setHidden] = useAddress('without', '');
  const order = LOG_ORDERS.find((o) => o === orderAsked) ?? 'when';
  const hidden = useMemo(() => new Set(hiddenAsked.split('.').filter((x) => x !== '' && x !== 'when')), [hiddenAsked]);
  const listed = new URLSearchParams([
    ...new URLSearchParams(filter),
    ['order', order],
    ['dir', dir === 'up' ? 'up' : 'down'],
    ['limit', String(PART)],
  ]);
  // The first entries are there at once; the sums of a long log take longer, and stand in their place when they come.
  const first = useQuery({ ...rowsQuery(listed.toString(), 0), placeholderData: keepPreviousData });
  const log = useQuery(logQuery(new URLSearchParams([...new URLSearchParams(filter), ['limit', '1']]).toString()));
  const rows = first.data?.rows ?? [];
  const count = log.data && !log.isPlaceholderData ? Math.max(rows.length, log.data.total.sets) : rows.length;
  const orderBy = (by: LogOrder) => {
    // The same once more turns it round; another begins with the most, or with the first letter.
    const words = ['boat', 'spot', 'bait', 'tide'].includes(by);
    setDir(by === order ? (dir === 'up' ? 'down' : 'up') : words ? 'up' : 'down');
    setOrder(by);
  };
  return { filter, order, dir, setOrder, setDir, orderBy, hidden, setHidden, listed: listed.toString(), first, log, rows, count };
}
