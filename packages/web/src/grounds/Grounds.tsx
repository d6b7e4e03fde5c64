import type { FeatureView, SpotView } from '@bluffwind/contract/grounds';
import { plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { leastDepth } from '@bluffwind/core/ground/navigate';
import { nearDuplicates } from '@bluffwind/core/ground/nearDuplicates';
import { toLocal } from '@bluffwind/core/ground/seaBed';
import { localDate } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { DropdownMenu, Tabs } from 'radix-ui';
import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../app/api';
import { serverNow } from '../app/clock';
import { meQuery, outfitQuery } from '../app/queries';
import { isTyping, useCursor } from '../app/time';
import { Chart, type Shape } from '../chart/Chart';
import { type LaneSpec, Ribbon } from '../ribbon/Ribbon';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { DrawnList } from './DrawnList';
import { ExportDialog } from './ExportDialog';
import { FeatureDialog, type FeatureDraft } from './FeatureDialog';
import { FoundList } from './FoundList';
import { SpotDialog, type SpotDraft } from './SpotDialog';
import { SpotList } from './SpotList';
import { SpotPanel } from './SpotPanel';
import { spotLanes } from './spotLanes';
import { type Found, useFound, useGrounds, useGroundWorker, useRuns, useSurveyContours } from './useGrounds';

// Fetched when a file is to be imported.
const ImportPlaces = lazy(() => import('../imports/ImportPlaces').then((m) => ({ default: m.ImportPlaces })));
const ImportSoundings = lazy(() => import('../imports/ImportSoundings').then((m) => ({ default: m.ImportSoundings })));

type Drawing = { readonly what: 'spot' | FeatureView['kind']; readonly shape: Shape };
type Open = 'spots' | 'soundings' | 'export' | null;
/** The chart follows its new size within some frames. */
const PRINT_DRAWN_MS = 900;
const NO_SPOTS: readonly SpotView[] = [];

const DRAWINGS: readonly (readonly [string, Drawing])[] = [
  ['A spot, one point', { what: 'spot', shape: 'point' }],
  ['A spot along a line', { what: 'spot', shape: 'line' }],
  ['A spot that is an area', { what: 'spot', shape: 'area' }],
  ['A part of the water', { what: 'part', shape: 'area' }],
  ['A place to keep out of', { what: 'no-go', shape: 'area' }],
  ['Slow water', { what: 'no-wake', shape: 'area' }],
  ['A passage', { what: 'passage', shape: 'line' }],
  ['A track', { what: 'track', shape: 'line' }],
];

export default function Grounds() {
  const [params, setParams] = useSearchParams();
  const queries = useQueryClient();
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const waterId = water?.id ?? '';
  const zone = me?.outfit.zone ?? 'UTC';
  const mayEdit = me !== undefined && me.role !== 'mate';
  const g = useGrounds(water?.id, zone);
  const worker = useGroundWorker();
  const contours = useSurveyContours(worker, g.surveys);
  const cursor = useCursor();
  const [tab, setTab] = useState<'spots' | 'found' | 'drawn'>('spots');
  const [pile, setPile] = useState<number | null>(null);
  const [fishDepthM, setFishDepthM] = useState(3);
  const [foundKey, setFoundKey] = useState<string | null>(null);
  const [showSoundings, setShowSoundings] = useState(true);
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const [moving, setMoving] = useState<SpotDraft | null>(null);
  const [draft, setDraft] = useState<SpotDraft | null>(null);
  const [feature, setFeature] = useState<FeatureDraft | null>(null);
  const [open, setOpen] = useState<Open>(null);
  const [boatId, setBoatId] = useState<string | null>(null);
  const spots = g.spots.data ?? NO_SPOTS;
  const selected = params.get('spot');
  const chosen = spots.find((s) => s.id === selected) ?? null;
  const boat = outfit?.boats.find((b) => b.id === boatId) ?? (water?.kind === 'fresh' ? outfit?.boats.at(-1) : outfit?.boats[0]);
  const select = useCallback(
    (id: string | null) => {
      setParams((old) => {
        const next = new URLSearchParams(old);
        if (id) next.set('spot', id);
        else next.delete('spot');
        return next;
      });
      setTab('spots');
    },
    [setParams],
  );

  const { at, bed } = g;
  const conditions = useMemo(() => new Map(at ? spots.map((s) => [s.id, at(s, cursor.at)]) : []), [at, spots, cursor.at]);
  const middle = useMemo(() => (at && g.water ? at(plainSpot(g.water, 5), cursor.at) : null), [at, g.water, cursor.at]);
  const meanWave = useMemo(() => {
    const waves = [...conditions.values()].map((c) => c.waveM ?? 0).sort((a, b) => a - b);
    return waves[Math.floor(waves.length / 2)] ?? 0;
  }, [conditions]);
  const running = useMemo(() => boat && { speedMps: boat.speedMps, draughtM: boat.draughtM, waveLimitM: boat.waveLimitM }, [boat]);
  const dock = useMemo(() => water && { lat: water.dockLat, lon: water.dockLon }, [water]);
  const chartKey = `${waterId} ${g.chart.dataUpdatedAt} ${boat?.id}`;
  const runs = useRuns(worker, {
    key: `${chartKey} ${g.spots.dataUpdatedAt}`,
    bed,
    chart: g.chart.data,
    boat: running,
    tideM: middle?.tideHeightM ?? 0,
    waveM: meanWave,
    dock,
    places: spots,
  });
  const found = useFound(worker, bed, g.surveys, g.chart.data?.dismissed, spots, tab === 'found');
  const sun = useMemo(() => (middle ? { heightDeg: middle.sunHeightDeg, bearingDeg: middle.sunBearingDeg } : null), [middle]);
  const chartSpots = useMemo(() => spots.map((s) => ({ ...s, faint: s.writtenOff !== null })), [spots]);
  const duplicates = useMemo(
    () => (chosen ? spots.filter((s) => s.id !== chosen.id && nearDuplicates([chosen], [s])[0] !== null) : []),
    [chosen, spots],
  );
  const reference = chosen ?? (dock && { name: 'the dock', ...dock });

  const refresh = useCallback(async () => {
    await queries.invalidateQueries({ queryKey: ['spots', waterId] });
    await queries.invalidateQueries({ queryKey: ['chart', waterId] });
  }, [queries, waterId]);
  const act = useCallback(
    async (work: () => Promise<unknown>, done: string) => {
      try {
        await work();
        await refresh();
        toast(done);
      } catch (problem) {
        toast((problem as Error).message);
      }
    },
    [refresh],
  );
  const accept = useCallback(
    (f: Found) =>
      setDraft({
        id: v7(),
        shape: 'point',
        points: [[f.lon, f.lat]],
        name: '',
        structure: f.kind === 'channel bend' ? 'edge' : f.kind,
        bottom: 'unknown',
        hazards: '',
      }),
    [],
  );
  const dismiss = useCallback(
    (f: Found) =>
      act(() => post(`/waters/${waterId}/dismissals`, { kind: f.kind, lat: f.lat, lon: f.lon }), `The ${f.kind} is dismissed for good.`),
    [act, waterId],
  );
  const edit = useCallback((s: SpotView) => setDraft({ ...s }), []);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey || document.querySelector('[role=dialog]')) return;
      if (e.key === 'Escape' && (drawing || moving)) {
        setDrawing(null);
        setMoving(null);
      }
      // What is pressed must not be typed into the field that opens.
      if (e.key === 'n' && mayEdit) {
        e.preventDefault();
        setDrawing({ what: 'spot', shape: 'point' });
      }
      if (e.key === 'e' && mayEdit && chosen) {
        e.preventDefault();
        edit(chosen);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [drawing, moving, mayEdit, chosen, edit]);

  const failed = g.chart.error ?? g.spots.error ?? g.state.error;
  if (failed) return <Fault error={failed} retry={() => void queries.invalidateQueries()} />;
  if (!water || !dock || !g.chart.data || !bed || !g.spots.data || !at || !g.state.data || !middle)
    return <Waiting what="Opening the chart" />;
  const chart = g.chart.data;

  const drawn = (points: [number, number][]) => {
    if (!drawing) return;
    if (drawing.what === 'spot') setDraft({ id: v7(), shape: drawing.shape, points });
    else setFeature({ id: v7(), kind: drawing.what, points });
    setDrawing(null);
  };
  const least = feature?.kind === 'passage' ? leastOf(bed, feature.points) : null;
  const c = chosen ? conditions.get(chosen.id) : undefined;
  const lanes: LaneSpec[] = chosen
    ? [['light', 10], ...spotLanes(chosen, at, cursor.at)]
    : [['light', 10], ...(water.tidal ? [['tide', 56] as const] : []), ['wind', 46], ['water', 44]];
  return (
    <>
      <Header title={water.name} note={`${spots.length} spots · ${dayName(cursor.at, zone)} ${clock(cursor.at, zone)}`}>
        <select
          aria-label="Water"
          value={water.id}
          onChange={(e) => setParams({ water: e.target.value })}
          className="rounded border border-ink bg-chalk px-2 py-1.5"
        >
          {outfit?.waters.map((w) => (
            <option key={w.id} value={w.id}>
              {w.name}
            </option>
          ))}
        </select>
        <select
          aria-label="Boat for runs"
          value={boat?.id ?? ''}
          onChange={(e) => setBoatId(e.target.value)}
          className="rounded border border-ink bg-chalk px-2 py-1.5"
        >
          {outfit?.boats.map((b) => (
            <option key={b.id} value={b.id}>
              {b.name}
            </option>
          ))}
        </select>
        {mayEdit && (
          <Menu name="Draw">
            {DRAWINGS.map(([name, d]) => (
              <MenuItem key={name} onSelect={() => setDrawing(d)}>
                {name}
              </MenuItem>
            ))}
          </Menu>
        )}
        <Menu name="Files">
          {mayEdit && <MenuItem onSelect={() => setOpen('spots')}>Import spots: GPX, KML, GeoJSON</MenuItem>}
          {mayEdit && <MenuItem onSelect={() => setOpen('soundings')}>Import soundings: CSV, NMEA</MenuItem>}
          <MenuItem onSelect={() => setOpen('export')}>Export spots</MenuItem>
          <MenuItem onSelect={printChart}>Print the chart</MenuItem>
        </Menu>
      </Header>
      <div className="print-wide grid min-h-0 flex-1 grid-cols-[340px_1fr]">
        <Tabs.Root
          value={tab}
          onValueChange={(v) => setTab(v as typeof tab)}
          className="no-print flex min-h-0 flex-col border-r border-line"
        >
          <Tabs.List aria-label="Lists" className="flex shrink-0 border-b border-line px-2">
            {(
              [
                ['spots', 'Spots'],
                ['found', 'Found'],
                ['drawn', 'Piles, drawn'],
              ] as const
            ).map(([value, name]) => (
              <Tabs.Trigger
                key={value}
                value={value}
                className="cursor-pointer border-b-2 border-transparent px-3 py-1.5 text-[0.93rem] text-ink-2 data-[state=active]:border-kelp data-[state=active]:font-bold data-[state=active]:text-ink"
              >
                {name}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value="spots" tabIndex={-1} className="flex min-h-0 flex-1 flex-col data-[state=inactive]:hidden">
            {chosen && c ? (
              <SpotPanel
                spot={chosen}
                c={c}
                at={at}
                zone={zone}
                tidal={water.tidal}
                boat={boat}
                runSeconds={runs?.get(chosen.id)}
                mayEdit={mayEdit}
                duplicates={duplicates}
                onEdit={() => edit(chosen)}
                onMerge={(into) =>
                  act(async () => {
                    await post(`/spots/${chosen.id}/merge`, { into: into.id });
                    select(into.id);
                  }, `${chosen.name} is now ${into.name}.`)
                }
                onRetire={() =>
                  act(async () => {
                    await post(`/spots/${chosen.id}/retire`);
                    select(null);
                  }, `${chosen.name} is out of use; its log stays.`)
                }
                onClose={() => select(null)}
              />
            ) : (
              <SpotList spots={spots} conditions={conditions} runs={runs} selected={selected} onSelect={select} />
            )}
          </Tabs.Content>
          <Tabs.Content value="found" tabIndex={-1} className="flex min-h-0 flex-1 flex-col data-[state=inactive]:hidden">
            <FoundList found={found} selected={foundKey} mayEdit={mayEdit} onSelect={setFoundKey} onAccept={accept} onDismiss={dismiss} />
          </Tabs.Content>
          <Tabs.Content value="drawn" tabIndex={-1} className="flex min-h-0 flex-1 flex-col data-[state=inactive]:hidden">
            <DrawnList
              chart={chart}
              zone={zone}
              c={middle}
              fishDepthM={fishDepthM}
              pile={pile}
              mayEdit={mayEdit}
              onPile={setPile}
              onFishDepth={setFishDepthM}
              onEdit={(f) => setFeature(f)}
              onRemove={(f) => act(() => post(`/features/${f.id}/remove`), `${f.name} is off the chart.`)}
              onLaySurvey={(id) => act(() => post(`/surveys/${id}/chart`), 'The survey is laid over the chart.')}
            />
          </Tabs.Content>
        </Tabs.Root>
        <div className="relative min-h-0">
          <Chart
            bed={bed}
            marks={chart.marks}
            features={chart.features}
            surveys={contours}
            soundings={showSoundings ? (g.soundings.data ?? null) : null}
            spots={chartSpots}
            dock={dock}
            tideM={middle.tideHeightM}
            wind={middle.windMps !== null && middle.windFromDeg !== null ? { mps: middle.windMps, fromDeg: middle.windFromDeg } : null}
            sun={sun}
            fishDepthM={fishDepthM}
            time={clock(cursor.at, zone)}
            selected={selected}
            pile={pile}
            found={tab === 'found' ? (found ?? []) : []}
            foundKey={foundKey}
            reference={reference}
            draw={drawing && { shape: drawing.shape, onDone: drawn }}
            edit={moving && { shape: moving.shape, points: moving.points, onChange: (points) => setMoving({ ...moving, points }) }}
            onSelect={select}
            onPile={(n) => {
              setPile(n);
              setTab('drawn');
            }}
            onFound={setFoundKey}
          />
          <div className="chart-note no-print absolute top-3 left-4 flex flex-col items-start gap-2">
            <label className="flex items-center gap-2 rounded bg-[#fbf9f3]/95 px-3 py-1 text-[0.87rem] text-[#10292e]">
              <input type="checkbox" checked={showSoundings} onChange={(e) => setShowSoundings(e.target.checked)} />
              Soundings{g.soundings.data ? ` (${g.soundings.data.lat.length})` : ''}
            </label>
            {drawing && (
              <p role="status" className="rounded border border-[#10292e] bg-[#fbf9f3] px-3 py-1.5 text-[0.9rem] text-[#10292e]">
                {drawing.shape === 'point' ? 'Click where it lies.' : 'Click its points, double-click the last. Backspace takes one back.'}{' '}
                Esc stops.
              </p>
            )}
            {moving && (
              <div
                role="status"
                className="flex items-center gap-2 rounded border border-[#10292e] bg-[#fbf9f3] px-3 py-1.5 text-[0.9rem] text-[#10292e]"
              >
                Drag it to its place.
                <button
                  type="button"
                  className="cursor-pointer font-semibold underline"
                  onClick={() => {
                    setDraft(moving);
                    setMoving(null);
                  }}
                >
                  Done
                </button>
              </div>
            )}
          </div>
        </div>
      </div>
      <Ribbon from={g.from} to={g.to} now={serverNow()} zone={zone} state={g.state.data} lanes={lanes} />
      <SpotDialog
        draft={draft}
        waterId={water.id}
        onClose={() => setDraft(null)}
        onMove={(d) => {
          setMoving(d);
          setDraft(null);
        }}
        onStored={(s) => {
          setDraft(null);
          void refresh().then(() => select(s.id));
          toast(`${s.name} is stored.`);
        }}
      />
      <FeatureDialog
        draft={feature}
        waterId={water.id}
        today={localDate(serverNow(), zone)}
        leastDepthM={least}
        onClose={() => setFeature(null)}
      />
      <ExportDialog
        open={open === 'export'}
        waterId={water.id}
        captains={spots.filter((s) => s.privacy === 'captain').length}
        onClose={() => setOpen(null)}
      />
      <Suspense fallback={null}>
        {open === 'spots' && <ImportPlaces open waterId={water.id} water={water} zone={zone} spots={spots} onClose={() => setOpen(null)} />}
        {open === 'soundings' && (
          <ImportSoundings
            open
            waterId={water.id}
            waterName={water.name}
            zone={zone}
            levelAt={g.water?.levelAt ?? null}
            onClose={() => setOpen(null)}
          />
        )}
      </Suspense>
    </>
  );
}

/** Gives the chart the whole sheet, waits until it is drawn so, and prints it. */
function printChart() {
  document.documentElement.dataset.printing = '';
  setTimeout(() => {
    window.print();
    delete document.documentElement.dataset.printing;
  }, PRINT_DRAWN_MS);
}

/** Least charted depth along a drawn line, m; null where part of it is off the chart. */
function leastOf(bed: Parameters<typeof leastDepth>[0], points: readonly (readonly [number, number])[]): number | null {
  const local = points.map(([lon, lat]) => toLocal(bed, lat, lon));
  const depths = local.slice(1).map((p, i) => leastDepth(bed, local[i] as (typeof local)[number], p));
  return depths.some((d) => d === null) ? null : Math.min(...(depths as number[]));
}

function Menu({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>{name}</Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="z-40 rounded border border-ink bg-paper p-1">
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function MenuItem({ onSelect, children }: { onSelect: () => void; children: React.ReactNode }) {
  return (
    <DropdownMenu.Item onSelect={onSelect} className="cursor-pointer rounded px-3 py-1.5 outline-none data-[highlighted]:bg-kelp-pale">
      {children}
    </DropdownMenu.Item>
  );
}
