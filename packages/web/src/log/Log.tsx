import type { LOG_FILES } from '@bluffwind/contract/log';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
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
import { focusWhenThere } from '../ui/focusWhenThere';
import { type FilterName, LogFilters } from './LogFilters';
import { LogTable } from './LogTable';
import { LogTools } from './LogTools';
import { useLogPart } from './useLogPart';
import { useMerge } from './useMerge';

// Fetched when a file is to be brought in.
const ImportTrips = lazy(() => import('../imports/ImportTrips').then((m) => ({ default: m.ImportTrips })));

const EntrySheet = lazy(() => import('./EntrySheet'));
const LogCharts = lazy(() => import('./LogCharts'));
const Comparisons = lazy(() => import('./Comparisons'));

type LogFileKind = (typeof LOG_FILES)[number];
/** What each kind of file is for. */
const FILES: readonly { as: LogFileKind; words: string; media: string }[] = [
  { as: 'csv', words: 'CSV, for a spreadsheet', media: 'text/csv;charset=utf-8' },
  { as: 'geojson', words: 'GeoJSON, for a map', media: 'application/geo+json' },
  { as: 'gpx', words: 'GPX, the fish for a plotter; no captains’ spots', media: 'application/gpx+xml' },
  { as: 'json', words: 'JSON, for a program', media: 'application/json' },
];

type Shown = 'entries' | 'rates' | 'sizes' | 'trials';
const SHOWN: readonly { value: Shown; name: string }[] = [
  { value: 'entries', name: 'Entries' },
  { value: 'rates', name: 'Rates' },
  { value: 'sizes', name: 'Sizes' },
  { value: 'trials', name: 'Trials' },
];

export default function Log() {
  const [params, setParams] = useSearchParams();
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const waterId = params.get('waterId') ?? '';
  const spots = useQuery({ ...spotsQuery(waterId), enabled: waterId !== '' });
  const part = useLogPart(params);
  const { filter, order, dir, hidden, first, log, rows, count } = part;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const mayFix = me !== undefined && me.role !== 'mate';
  const choose = (setId: string, on: boolean) =>
    setChosen((all) => {
      const next = new Set(all);
      if (on) next.add(setId);
      else next.delete(setId);
      return next;
    });
  const [asked, setShow] = useAddress('show', 'entries');
  const show = SHOWN.find((s) => s.value === asked)?.value ?? 'entries';
  const saving = useSave<LogFileKind, { name: string; text: string; lines: number }>({
    send: (as) => get(`/log/export?${new URLSearchParams([...new URLSearchParams(filter), ['as', as]])}`),
    touches: [],
    told: ({ lines, name }) => `${lines} lines in ${name}${name.endsWith('.gpx') ? '' : ': a line a fish, and one for every empty time'}.`,
    onStored: ({ name, text }) => saveFile(name, text, FILES.find((f) => name.endsWith(f.as))?.media),
  });
  const [entry, setEntry] = useAddress('entry', '', true);
  const merge = useMerge(() => setChosen(new Set()));
  const [bringing, setBringing] = useState(params.get('open') === 'trips');
  const narrow = (name: FilterName, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(name, value);
    else next.delete(name);
    if (name === 'waterId') next.delete('spotId');
    // What is no longer in sight must not be put right with the rest.
    setChosen(new Set());
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
        <Button
          onClick={() => {
            setChosen(new Set());
            setParams(show === 'entries' ? {} : { show });
          }}
          disabled={filter === ''}
        >
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
      {/* A trial is set side by side whole: no filter parts it. */}
      {show !== 'trials' && <LogFilters params={params} outfit={outfit} spots={spots.data ?? []} onChoose={narrow} />}
      <Suspense fallback={null}>
        {entry !== '' && outfit && (
          <EntrySheet
            setId={entry}
            outfit={outfit}
            zone={me?.outfit.zone ?? 'UTC'}
            captain={mayFix}
            onClose={() => {
              setEntry('');
              // Back to the line that it was opened from, once the sheet is gone.
              focusWhenThere(`[data-opens="${CSS.escape(entry)}"]`);
            }}
          />
        )}
      </Suspense>
      {saving.error !== null && <Fault error={saving.error} />}
      {merge.error !== null && <Fault error={merge.error} />}
      {failedOf(first) ? <Fault error={first.error} retry={() => first.refetch()} /> : null}
      {failedOf(log) && !failedOf(first) ? <Fault error={log.error} retry={() => log.refetch()} /> : null}
      <div className="no-print flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5 md:px-[18px]">
        <Segments label="Show" value={show} options={SHOWN} onPick={setShow} />
        {show === 'entries' && (
          <LogTools part={part} baits={outfit?.presentations ?? null} chosen={chosen} merge={merge} onDone={() => setChosen(new Set())} />
        )}
      </div>
      <Suspense fallback={<Waiting what="Opening the charts" />}>
        {show === 'trials' && <Comparisons />}
        {(show === 'rates' || show === 'sizes') && <LogCharts filter={filter} show={show} />}
      </Suspense>
      {show === 'entries' && first.isPending && <Waiting what="Reading the log" />}
      {show === 'entries' && rows.length > 0 && (
        <LogTable
          asked={part.listed}
          first={rows}
          count={count}
          zone={me?.outfit.zone ?? 'UTC'}
          order={order}
          up={dir === 'up'}
          hidden={hidden}
          onOrder={part.orderBy}
          chosen={mayFix ? chosen : null}
          onChoose={choose}
          onOpen={setEntry}
        />
      )}
      {show === 'entries' && first.data && rows.length === 0 && (
        <p className="p-4 text-ink-2">
          {filter === ''
            ? 'Nothing is logged yet. Trips log themselves on deck; past years come in from a spreadsheet by “Past trips”.'
            : 'Nothing in the log matches. Take a filter away.'}
        </p>
      )}
    </>
  );
}
