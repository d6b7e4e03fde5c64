import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { meQuery, outfitQuery, spotsQuery } from '../data/queries';
import { failedOf } from '../data/failedOf';
import { rate } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { FILTERS, type FilterName, LogFilters } from './LogFilters';
import { LogRows } from './LogRows';
import { logQuery } from './queries';

// Fetched when a file is to be brought in.
const ImportTrips = lazy(() => import('../imports/ImportTrips').then((m) => ({ default: m.ImportTrips })));

export default function Log() {
  const [params, setParams] = useSearchParams();
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const waterId = params.get('waterId') ?? '';
  const spots = useQuery({ ...spotsQuery(waterId), enabled: waterId !== '' });
  const filter = useMemo(() => {
    const kept = new URLSearchParams();
    for (const f of FILTERS) if (params.get(f)) kept.set(f, params.get(f) as string);
    return kept.toString();
  }, [params]);
  const log = useQuery(logQuery(filter));
  const [bringing, setBringing] = useState(params.get('open') === 'trips');
  const choose = (name: FilterName, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(name, value);
    else next.delete(name);
    if (name === 'waterId') next.delete('spotId');
    setParams(next);
  };
  const t = log.data?.total;
  return (
    <>
      <Header
        title="Log"
        note={
          t
            ? `${t.sets} entries, ${t.fish} fish in ${t.rodHours.toFixed(0)} rod-hours${t.rate !== null ? `, ${rate(t.rate)} an hour` : ''}${t.se !== null ? ` (give or take ${rate(t.se)})` : ''}; ${t.blankSets} blank`
            : ''
        }
      >
        <Button onClick={() => setParams({})} disabled={filter === ''}>
          All
        </Button>
        {me && me.role !== 'mate' && <Button onClick={() => setBringing(true)}>Past trips</Button>}
      </Header>
      <Suspense fallback={null}>
        {bringing && outfit && <ImportTrips outfit={outfit} zone={me?.outfit.zone ?? 'UTC'} onClose={() => setBringing(false)} />}
      </Suspense>
      <LogFilters params={params} outfit={outfit} spots={spots.data ?? []} onChoose={choose} />
      {failedOf(log) ? <Fault error={log.error} retry={() => log.refetch()} /> : null}
      {log.isPending && <Waiting what="Reading the log" />}
      {log.data && (
        <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Sets">
          <LogRows rows={log.data.rows} zone={me?.outfit.zone ?? 'UTC'} />
          {log.data.rows.length === 0 && (
            <p className="p-4 text-ink-2">
              {filter === ''
                ? 'Nothing is logged yet. Trips log themselves on deck; past years come in from a spreadsheet by “Past trips”.'
                : 'Nothing in the log matches. Take a filter away.'}
            </p>
          )}
          {log.data.rows.length < log.data.total.sets && (
            <p className="p-4 text-ink-2">
              The newest {log.data.rows.length} of {log.data.total.sets} are listed; the figures above count all of them.
            </p>
          )}
        </div>
      )}
    </>
  );
}
