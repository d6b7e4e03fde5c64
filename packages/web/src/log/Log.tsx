import type { LOG_FILES } from '@bluffwind/contract/log';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { get } from '../data/api';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { meQuery, outfitQuery, spotsQuery } from '../data/queries';
import { failedOf } from '../data/failedOf';
import { rate } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { Menu, MenuItem } from '../ui/Menu';
import { saveFile } from '../ui/saveFile';
import { Segments } from '../ui/Segments';
import { FILTERS, type FilterName, LogFilters } from './LogFilters';
import { LogRows } from './LogRows';
import { logQuery } from './queries';

// Fetched when a file is to be brought in.
const ImportTrips = lazy(() => import('../imports/ImportTrips').then((m) => ({ default: m.ImportTrips })));

const LogCharts = lazy(() => import('./LogCharts'));

type LogFileKind = (typeof LOG_FILES)[number];
/** What each kind of file is for. */
const FILES: readonly { as: LogFileKind; words: string; media: string }[] = [
  { as: 'csv', words: 'CSV, for a spreadsheet', media: 'text/csv;charset=utf-8' },
  { as: 'geojson', words: 'GeoJSON, for a map', media: 'application/geo+json' },
  { as: 'gpx', words: 'GPX, the fish for a plotter; no captains’ spots', media: 'application/gpx+xml' },
  { as: 'json', words: 'JSON, for a program', media: 'application/json' },
];

type Shown = 'entries' | 'rates' | 'sizes';
const SHOWN: readonly { value: Shown; name: string }[] = [
  { value: 'entries', name: 'Entries' },
  { value: 'rates', name: 'Rates' },
  { value: 'sizes', name: 'Sizes' },
];

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
  const [asked, setShow] = useAddress('show', 'entries');
  const show = SHOWN.find((s) => s.value === asked)?.value ?? 'entries';
  const saving = useSave<LogFileKind, { name: string; text: string; lines: number }>({
    send: (as) => get(`/log/export?${new URLSearchParams([...new URLSearchParams(filter), ['as', as]])}`),
    touches: [],
    told: ({ lines, name }) => `${lines} lines in ${name}${name.endsWith('.gpx') ? '' : ': a line a fish, and one for every empty time'}.`,
    onStored: ({ name, text }) => saveFile(name, text, FILES.find((f) => name.endsWith(f.as))?.media),
  });
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
        <Button onClick={() => setParams(show === 'entries' ? {} : { show })} disabled={filter === ''}>
          All
        </Button>
        <Menu name="As a file">
          {FILES.map((f) => (
            <MenuItem key={f.as} onSelect={() => saving.save(f.as)}>
              {f.words}
            </MenuItem>
          ))}
        </Menu>
        {me && me.role !== 'mate' && <Button onClick={() => setBringing(true)}>Past trips</Button>}
      </Header>
      <Suspense fallback={null}>
        {bringing && outfit && <ImportTrips outfit={outfit} zone={me?.outfit.zone ?? 'UTC'} onClose={() => setBringing(false)} />}
      </Suspense>
      <LogFilters params={params} outfit={outfit} spots={spots.data ?? []} onChoose={choose} />
      {saving.error !== null && <Fault error={saving.error} />}
      {failedOf(log) ? <Fault error={log.error} retry={() => log.refetch()} /> : null}
      <div className="no-print border-b border-line px-3 py-1.5 md:px-[18px]">
        <Segments label="Show" value={show} options={SHOWN} onPick={setShow} />
      </div>
      <Suspense fallback={<Waiting what="Opening the charts" />}>
        {show !== 'entries' && <LogCharts filter={filter} show={show} />}
      </Suspense>
      {show === 'entries' && log.isPending && <Waiting what="Reading the log" />}
      {show === 'entries' && log.data && (
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
