import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { boardQuery, meQuery } from '../data/queries';
import { clock } from '../ui/format';

/** Time passes without anybody changing anything: the alarm looks for itself. */
const LOOK_MS = 60_000;

/** Boats that are not back when they said, on whatever screen the crew has open. */
export function Overdue() {
  const { data: me } = useQuery(meQuery);
  const { data } = useQuery({ ...boardQuery, refetchInterval: LOOK_MS });
  // An answer that was kept on the phone before boats were told of has none.
  const boats = data?.overdue ?? [];
  if (!me || boats.length === 0) return null;
  return (
    <div role="alert" data-overdue className="no-print shrink-0 bg-rust px-3 py-1.5 text-chalk">
      {boats.map((b) => (
        <p key={b.tripId}>
          <b>{b.boat} is overdue</b>: due back {clock(b.dueAt, me.outfit.zone)}, {b.captain}
          {b.ashore === '' ? '' : `; ${b.ashore} ashore knows`}.{' '}
          <Link to={`/deck/${b.tripId}`} className="underline">
            Where it was last
          </Link>
        </p>
      ))}
    </div>
  );
}
