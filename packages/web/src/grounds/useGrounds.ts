// What Grounds works on: chart, spots and water of one water, and the worker that measures the sea bed.
import type { Chart } from '@bluffwind/contract/grounds';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import type { FoundFeature } from '@bluffwind/core/ground/finder';
import type { RunAreas, RunningBoat } from '@bluffwind/core/ground/navigate';
import { bedOf } from '@bluffwind/core/ground/overlay';
import { distanceM, type SeaBed } from '@bluffwind/core/ground/seaBed';
import { localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { serverNow } from '../data/clock';
import { chartQuery, spotsQuery, stateQuery } from '../data/queries';
import { groundsSpan } from '../data/spans';
import { bedOfChart } from '../chart/bedOfChart';
import type { GroundWork } from '../workers/ground.worker';
import { makeGroundWorker, useWorker, type WorkerHandle } from '../workers/useWorker';
import { soundingsQuery } from './queries';

/** Chart, spots, soundings and conditions of a water over its shown span. */
export function useGrounds(waterId: string | undefined, zone: string) {
  const enabled = waterId !== undefined;
  const id = waterId ?? '';
  const today = localDate(serverNow(), zone);
  const [from, to] = useMemo(() => groundsSpan(today, zone), [today, zone]);
  const chart = useQuery({ ...chartQuery(id), enabled });
  const spots = useQuery({ ...spotsQuery(id), enabled });
  const soundings = useQuery({ ...soundingsQuery(id), enabled });
  const state = useQuery({ ...stateQuery(id, from, to), enabled });
  // The query keeps what has not changed: the bed stays the same object when only something drawn on it does.
  const charted = chart.data?.bed;
  const surveys = useLaidSurveys(chart.data?.surveys);
  const bed = useMemo(() => (charted && surveys ? bedOfChart({ bed: charted, surveys }) : null), [charted, surveys]);
  const water = useMemo(() => (state.data ? waterStateOf(state.data.record) : null), [state.data]);
  const at = useMemo(() => (water ? conditionsOver(water, from, to) : null), [water, from, to]);
  return { from, to, chart, spots, soundings, state, surveys, bed, water, at };
}

export const useGroundWorker = (): WorkerHandle<GroundWork> => useWorker<GroundWork>(makeGroundWorker);

/** Surveys that are laid over the chart; the same list until one comes or goes, though an instrument's track grows all day. */
function useLaidSurveys(all: Chart['surveys'] | undefined): Chart['surveys'] | undefined {
  const kept = useRef<Chart['surveys'] | undefined>(undefined);
  const laid = all?.filter((s) => s.grid !== null);
  const same = laid?.length === kept.current?.length && laid?.every((s, i) => s.grid === kept.current?.[i]?.grid);
  if (!same) kept.current = laid;
  return kept.current;
}

/** Contours of the surveys of a chart, worked out off the screen's thread. */
export function useSurveyContours(
  worker: WorkerHandle<GroundWork>,
  surveys: Chart['surveys'] | undefined,
): readonly (readonly ContourLines[])[] {
  const [contours, setContours] = useState<readonly (readonly ContourLines[])[]>([]);
  useEffect(() => {
    let gone = false;
    void (async () => {
      const grids = (surveys ?? []).flatMap((s) => (s.grid ? [s.grid] : []));
      const made = await Promise.all(grids.map((g) => worker.get().contours(bedOf(g))));
      if (!gone) setContours(made);
    })();
    return () => {
      gone = true;
    };
  }, [surveys, worker]);
  return contours;
}

/** A place of the finder's with a name of its own. */
export interface Found extends FoundFeature {
  readonly key: string;
}

const SAME_M = 40;
const KNOWN_M = 60;

/** What the finder offers: not dismissed, and not where a spot is already. */
export function useFound(
  worker: WorkerHandle<GroundWork>,
  bed: SeaBed | null,
  surveys: Chart['surveys'] | undefined,
  dismissed: Chart['dismissed'] | undefined,
  spots: readonly { readonly lat: number; readonly lon: number }[],
  wanted: boolean,
): readonly Found[] | null {
  const [all, setAll] = useState<{ bed: SeaBed; list: readonly FoundFeature[] } | null>(null);
  useEffect(() => {
    if (!bed || !wanted) return;
    let gone = false;
    const fine = surveys?.flatMap((s) => (s.grid ? [bedOf(s.grid)] : [])) ?? [];
    void worker
      .get()
      .find(bed, fine)
      .then((list) => {
        if (!gone) setAll({ bed, list });
      });
    return () => {
      gone = true;
    };
  }, [bed, surveys, wanted, worker]);
  return useMemo(() => {
    if (!all || all.bed !== bed || !dismissed) return null;
    return all.list
      .filter((f) => !dismissed.some((d) => d.kind === f.kind && distanceM(d, f) < SAME_M))
      .filter((f) => !spots.some((s) => distanceM(s, f) < KNOWN_M))
      .map((f) => ({ ...f, key: `${f.kind} ${f.lat.toFixed(6)} ${f.lon.toFixed(6)}` }));
  }, [all, bed, dismissed, spots]);
}

/** What bars or slows runs on a chart. */
export function areasOf(chart: Chart): RunAreas {
  return {
    noGo: chart.features.filter((f) => f.kind === 'no-go').map((f) => f.points),
    noWake: chart.features.filter((f) => f.kind === 'no-wake').map((f) => ({ ring: f.points, limitMps: f.detail.limitMps ?? 2.6 })),
  };
}

interface RunsQuery {
  readonly key: string;
  readonly bed: SeaBed | null;
  readonly chart: Chart | undefined;
  readonly boat: RunningBoat | undefined;
  readonly tideM: number;
  readonly waveM: number;
  readonly dock: { readonly lat: number; readonly lon: number } | undefined;
  readonly places: readonly { readonly id: string; readonly lat: number; readonly lon: number }[];
}

/** Seconds from the dock and between places for a boat at a tide, by id; null until they are worked out. */
export function useRuns(worker: WorkerHandle<GroundWork>, q: RunsQuery): ReadonlyMap<string, number> | null {
  const [runs, setRuns] = useState<ReadonlyMap<string, number> | null>(null);
  const { bed, chart, boat, dock, places, key } = q;
  const tideStep = Math.floor(q.tideM / 0.25) * 0.25;
  const waveStep = Math.round(q.waveM * 5) / 5;
  useEffect(() => {
    if (!bed || !chart || !boat || !dock) return;
    let gone = false;
    void worker
      .get()
      .runs({ key, bed, boat, areas: areasOf(chart), tideM: tideStep, waveM: waveStep, places: [dock, ...places] })
      .then((matrix) => {
        if (!gone) setRuns(new Map(places.map((p, i) => [p.id, matrix[0]?.[i + 1] ?? Number.POSITIVE_INFINITY])));
      });
    return () => {
      gone = true;
    };
  }, [worker, key, bed, chart, boat, dock, places, tideStep, waveStep]);
  return runs;
}
