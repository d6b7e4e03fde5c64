import type { SpotView } from '@bluffwind/contract/grounds';
import { plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { leastDepth } from '@bluffwind/core/ground/navigate';
import { nearDuplicates } from '@bluffwind/core/ground/nearDuplicates';
import { toLocal } from '@bluffwind/core/ground/seaBed';
import { localDate } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { serverNow } from '../data/clock';
import { meQuery, outfitQuery } from '../data/queries';
import { useCursor } from '../data/time';
import { Chart } from '../chart/Chart';
import { Ribbon } from '../ribbon/Ribbon';
import type { LaneSpec } from '../ribbon/laneProps';
import { clock, dayName } from '../ui/format';
import { Pick } from '../ui/Choice';
import { Fault, Header, Waiting } from '../ui/parts';
import { SideTabs } from '../ui/SideTabs';
import { Workplace } from '../ui/Workplace';
import { ChartNotes } from './ChartNotes';
import { DrawnList } from './DrawnList';
import { ExportDialog } from './ExportDialog';
import { FeatureDialog, type FeatureDraft } from './FeatureDialog';
import { FoundList } from './FoundList';
import { type Drawing, GroundsMenus } from './GroundsMenus';
import { SpotDialog, type SpotDraft } from './SpotDialog';
import { SpotList } from './SpotList';
import { SpotPanel } from './SpotPanel';
import { spotLanes } from './spotLanes';
import { NoWater } from '../ui/NoWater';
import { type Found, useFound, useGrounds, useGroundWorker, useRuns, useSurveyContours } from './useGrounds';
import { useKeys } from '../data/useKeys';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { useAddress } from '../data/useAddress';
import { usePicture } from './usePicture';

// Fetched when a file is to be imported.
const ImportPlaces = lazy(() => import('../imports/ImportPlaces').then((m) => ({ default: m.ImportPlaces })));
const ImportSoundings = lazy(() => import('../imports/ImportSoundings').then((m) => ({ default: m.ImportSoundings })));

const PicturesDialog = lazy(() => import('./PicturesDialog').then((m) => ({ default: m.PicturesDialog })));

const NO_SPOTS: readonly SpotView[] = [];

/** Something done to the chart, what is said of it, and what would undo it. */
interface Act {
  readonly path: string;
  readonly body?: unknown;
  readonly told: string;
  readonly undo?: Act;
  readonly after?: () => void;
}

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
  const [tab, setTab] = useAddress('tab', 'spots');
  const [pile, setPile] = useState<number | null>(null);
  const [fishDepthM, setFishDepthM] = useState(3);
  const [foundKey, setFoundKey] = useState<string | null>(null);
  const [showSoundings, setShowSoundings] = useState(true);
  const toDraw = params.get('draw');
  const [drawing, setDrawing] = useState<Drawing | null>(toDraw === 'land' || toDraw === 'water' ? { what: toDraw, shape: 'area' } : null);
  const [moving, setMoving] = useState<SpotDraft | null>(null);
  const [draft, setDraft] = useState<SpotDraft | null>(null);
  const [feature, setFeature] = useState<FeatureDraft | null>(null);
  const asked = params.get('open');
  const [open, setOpen] = useState<'spots' | 'soundings' | 'export' | 'pictures' | null>(
    asked === 'spots' || asked === 'soundings' ? asked : null,
  );
  const [shownPicture, setShownPicture] = useAddress('picture', null);
  const picture = usePicture(waterId, shownPicture);
  const [boatId, setBoatId] = useState<string | null>(null);
  const spots = g.spots.data ?? NO_SPOTS;
  const selected = params.get('spot');
  const chosen = spots.find((s) => s.id === selected) ?? null;
  const boats = outfit?.boats.filter((b) => b.craft === 'boat') ?? [];
  const boat = boats.find((b) => b.id === boatId) ?? (water?.kind === 'fresh' ? boats.at(-1) : boats[0]);
  const select = useCallback(
    (id: string | null) => {
      const next = new URLSearchParams(window.location.search);
      if (id) next.set('spot', id);
      else next.delete('spot');
      next.delete('tab');
      setParams(next);
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
  const running = useMemo(
    () => boat && { speedMps: boat.speedMps, draughtM: boat.draughtM, waveLimitM: boat.waveLimitM ?? 1, roughMps: boat.roughMps },
    [boat],
  );
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

  const acting = useSave<Act>({
    send: ({ path, body }) => post(path, body),
    touches: [
      ['spots', waterId],
      ['chart', waterId],
    ],
    onStored: (_, { told, undo, after }) => {
      toast(told, undo ? { duration: 12_000, action: { label: 'Undo', onClick: () => acting.save(undo) } } : {});
      after?.();
    },
  });
  const [ask, question] = useAsk();
  const accept = useCallback(
    (f: Found) =>
      setDraft({
        id: v7(),
        shape: 'point',
        points: [[f.lon, f.lat]],
        name: '',
        structure: f.kind === 'channel bend' ? 'edge' : f.kind,
        bottom: 'unknown',
        hazards: [],
      }),
    [],
  );
  const dismiss = useCallback(
    ({ kind, lat, lon }: Found) =>
      acting.save({
        path: `/waters/${waterId}/dismissals`,
        body: { kind, lat, lon },
        told: `The ${kind} is dismissed.`,
        undo: { path: `/waters/${waterId}/dismissals/undo`, body: { kind, lat, lon }, told: `The ${kind} is back.` },
      }),
    [acting.save, waterId],
  );
  const edit = useCallback((s: SpotView) => setDraft({ ...s }), []);

  useKeys({
    Escape:
      drawing || moving
        ? () => {
            setDrawing(null);
            setMoving(null);
          }
        : null,
    n: mayEdit ? () => setDrawing({ what: 'spot', shape: 'point' }) : null,
    e: mayEdit && chosen ? () => edit(chosen) : null,
  });

  const failed = failedOf(g.chart, g.spots, g.state);
  if (failed) return <Fault error={failed} retry={() => void queries.invalidateQueries()} />;
  if (outfit && !water) return <NoWater screen="Grounds" />;
  if (!water || !dock || !g.chart.data || !bed || !g.spots.data || !at || !g.state.data || !middle)
    return <Waiting what="Opening the chart" />;
  const chart = g.chart.data;

  const drawn = (points: [number, number][]) => {
    if (!drawing) return;
    if (drawing.what === 'land' || drawing.what === 'water')
      acting.save({
        path: `/waters/${waterId}/chart`,
        body: { shore: { inside: drawing.what, polygons: [[points]] }, add: true },
        told: 'The shore is on the chart. Draw the next piece from the menu, or go on with your places.',
      });
    else if (drawing.what === 'spot') setDraft({ id: v7(), shape: drawing.shape, points });
    else setFeature({ id: v7(), kind: drawing.what, points });
    setDrawing(null);
  };
  const least = feature?.kind === 'passage' ? leastOf(bed, feature.points) : null;
  const c = chosen ? conditions.get(chosen.id) : undefined;
  const lanes: LaneSpec[] = chosen
    ? [['light', 10], ...spotLanes(chosen, at, cursor.at)]
    : [['light', 10], ...(water.tidal ? [['tide', 56] as const] : []), ['wind', 46], ['waterTempC', 44]];
  return (
    <>
      <Header title={water.name} note={`${spots.length} spots · ${dayName(cursor.at, zone)} ${clock(cursor.at, zone)}`}>
        <Pick label="Water" value={water.id} options={outfit?.waters ?? []} onPick={(id) => setParams({ water: id })} />
        <Pick label="Boat for runs" value={boat?.id ?? ''} options={boats} onPick={setBoatId} />
        <GroundsMenus mayEdit={mayEdit} onDraw={setDrawing} onOpen={setOpen} />
      </Header>
      {question}
      {acting.error !== null && <Fault error={acting.error} />}
      <Workplace
        label="Spots"
        pulled={1}
        width={340}
        panel={
          <SideTabs
            label="Lists"
            tabs={[
              {
                value: 'spots',
                name: 'Spots',
                full: true,
                content:
                  chosen && c ? (
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
                        ask({
                          title: `Make ${chosen.name} one with ${into.name}?`,
                          text: 'Its log, readings and plans become those of the other spot. This cannot be undone.',
                          yes: 'Merge them',
                          act: () =>
                            acting.save({
                              path: `/spots/${chosen.id}/merge`,
                              body: { into: into.id },
                              told: `${chosen.name} is now ${into.name}.`,
                              after: () => select(into.id),
                            }),
                        })
                      }
                      onRetire={() =>
                        ask({
                          title: `Take ${chosen.name} out of use?`,
                          text: 'It is planned no more and leaves the chart; its log stays, and counts for the rates of other spots.',
                          yes: 'Take it out',
                          act: () =>
                            acting.save({
                              path: `/spots/${chosen.id}/retire`,
                              told: `${chosen.name} is out of use; its log stays.`,
                              after: () => select(null),
                            }),
                        })
                      }
                      onClose={() => select(null)}
                    />
                  ) : (
                    <SpotList spots={spots} conditions={conditions} runs={runs} selected={selected} onSelect={select} />
                  ),
              },
              {
                value: 'found',
                name: 'Found',
                full: true,
                content: (
                  <FoundList
                    found={found}
                    selected={foundKey}
                    mayEdit={mayEdit}
                    onSelect={setFoundKey}
                    onAccept={accept}
                    onDismiss={dismiss}
                  />
                ),
              },
              {
                value: 'drawn',
                name: 'Piles, drawn',
                full: true,
                content: (
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
                    onRemove={(f) =>
                      ask({
                        title: `Take ${f.name} off the chart?`,
                        text: 'Runs and plans no longer go by it. It has to be drawn again to come back.',
                        yes: 'Take it off',
                        act: () => acting.save({ path: `/features/${f.id}/remove`, told: `${f.name} is off the chart.` }),
                      })
                    }
                    onLaySurvey={(id) => acting.save({ path: `/surveys/${id}/chart`, told: 'The survey is laid over the chart.' })}
                  />
                ),
              },
            ]}
          />
        }
      >
        <Chart
          bed={bed}
          marks={chart.marks}
          features={chart.features}
          surveys={contours}
          soundings={showSoundings ? (g.soundings.data ?? null) : null}
          spots={chartSpots}
          dock={dock}
          picture={picture}
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
        <ChartNotes
          soundings={g.soundings.data?.total ?? null}
          showSoundings={showSoundings}
          drawing={drawing}
          moving={moving !== null}
          onSoundings={setShowSoundings}
          onMoved={() => {
            setDraft(moving);
            setMoving(null);
          }}
        />
      </Workplace>
      <Ribbon from={g.from} to={g.to} now={serverNow()} zone={zone} state={g.state.data} lanes={lanes} />
      {open === 'pictures' && (
        <Suspense fallback={<Waiting what="Opening" />}>
          <PicturesDialog
            waterId={water.id}
            known={[{ name: 'the dock', ...dock }, ...spots.map(({ name, lat, lon }) => ({ name, lat, lon }))]}
            mayEdit={mayEdit}
            shown={shownPicture}
            onShow={setShownPicture}
            onClose={() => setOpen(null)}
          />
        </Suspense>
      )}
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
          void Promise.all(
            [
              ['spots', waterId],
              ['chart', waterId],
            ].map((queryKey) => queries.invalidateQueries({ queryKey })),
          ).then(() => select(s.id));
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
            near={[water.dockLon, water.dockLat]}
            zone={zone}
            levelAt={g.water?.levelAt ?? null}
            onClose={() => setOpen(null)}
          />
        )}
      </Suspense>
    </>
  );
}

/** Least charted depth along a drawn line, m; null where part of it is off the chart. */
function leastOf(bed: Parameters<typeof leastDepth>[0], points: readonly (readonly [number, number])[]): number | null {
  const local = points.map(([lon, lat]) => toLocal(bed, lat, lon));
  const depths = local.slice(1).map((p, i) => leastDepth(bed, local[i] as (typeof local)[number], p));
  return depths.some((d) => d === null) ? null : Math.min(...(depths as number[]));
}
