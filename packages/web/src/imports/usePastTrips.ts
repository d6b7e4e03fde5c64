import type { ImportTrips } from '@bluffwind/contract/imports';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { type PastMapping, type PastRow, tripsOf } from '@bluffwind/core/formats/pastTrips';
import type { Refused } from '@bluffwind/core/formats/refused';
import type { Table } from '@bluffwind/core/formats/table';
import { HOUR, startOfLocalDay } from '@bluffwind/core/units/time';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import type { FilesWork, TableHead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { matchName } from './matchNames';

type What = 'spot' | 'bait' | 'species';
type Named = { readonly id: string; readonly name: string };
type Placed = Named & { readonly lat: number; readonly lon: number };
const isPhoto = (f: File) => /\.(jpe?g|heic|heif)$/i.test(f.name) || f.type.startsWith('image/');
/** A day of which no line says when it began. */
const USUAL_START_H = 7;

/** What was read of a file of past trips, what its names mean, and the trips that come of it. */
export function usePastTrips(outfit: OutfitView, spots: readonly Placed[], zone: string) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<{
    readonly key: string;
    readonly name: string;
    readonly head: TableHead<PastMapping>;
    readonly table: Table;
  } | null>(null);
  const [mapping, setMapping] = useState<PastMapping | null>(null);
  const [read, setRead] = useState<{ readonly rows: readonly PastRow[]; readonly refused: readonly Refused[] }>({ rows: [], refused: [] });
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  /** Photos that say no time. */
  const [withoutTime, setWithoutTime] = useState<readonly string[]>([]);
  const [picked, setPicked] = useState<ReadonlyMap<string, string>>(new Map());
  const [boatId, setBoatId] = useState(outfit.boats[0]?.id ?? '');
  const [captainId, setCaptainId] = useState(outfit.crew.find((p) => p.role !== 'mate')?.id ?? '');
  const [usualHours, setUsualHours] = useState('');
  const [rods, setRods] = useState('2');

  async function map(next: PastMapping, table: Table | undefined = file?.table) {
    setMapping(next);
    if (!table) return;
    const answer = await worker.get().pastTrips(table, next);
    if ('fault' in answer) setFault(answer);
    else {
      setFault(null);
      setRead(answer);
    }
  }
  async function choose(files: readonly File[]) {
    const f = files[0];
    if (!f) return;
    if (files.length > 1 || isPhoto(f)) return choosePhotos(files);
    begin();
    const answer = await worker.get().pastTable(f, zone);
    if ('fault' in answer) return setFault(answer);
    await settle(f.name, answer);
  }
  async function choosePhotos(files: readonly File[]) {
    begin();
    const answer = await worker.get().photos(
      [...files],
      spots.map(({ name, lat, lon }) => ({ name, lat, lon })),
      zone,
    );
    if ('fault' in answer) return setFault(answer);
    setWithoutTime(answer.without);
    await settle(files.length === 1 ? (files[0]?.name ?? '') : `${files.length} photos`, answer);
  }
  async function settle(name: string, answer: TableHead<PastMapping> & { readonly table: Table }) {
    setFile({ key: v7(), name, head: { header: answer.header, rows: answer.rows, guess: answer.guess }, table: answer.table });
    await map(answer.guess, answer.table);
  }
  function begin() {
    setFile(null);
    setMapping(null);
    setFault(null);
    setPicked(new Map());
    setWithoutTime([]);
  }

  const lists: Readonly<Record<What, readonly Named[]>> = useMemo(
    () => ({ spot: spots, bait: outfit.presentations, species: outfit.species }),
    [spots, outfit],
  );
  const names = useMemo(() => {
    const count = (of: (r: PastRow) => string) => {
      const times = new Map<string, number>();
      for (const r of read.rows) times.set(of(r), (times.get(of(r)) ?? 0) + 1);
      return times;
    };
    const species = count((r) => r.species);
    // A line without fish needs no species.
    if (!read.rows.some((r) => r.species === '' && r.fish > 0)) species.delete('');
    return { spot: count((r) => r.spot), bait: count((r) => r.bait), species };
  }, [read.rows]);
  const means = useMemo(() => {
    const known = new Map<string, string>();
    const of = (what: What, name: string): string => {
      const key = `${what} ${name}`;
      const kept = picked.get(key) ?? known.get(key);
      if (kept !== undefined) return kept;
      const found = matchName(name, lists[what]) ?? '';
      known.set(key, found);
      return found;
    };
    return (what: What) => (name: string) => of(what, name);
  }, [picked, lists]);

  const made = useMemo(() => {
    if (!file || !mapping) return null;
    const hours = Number(usualHours.replace(',', '.'));
    const matched = read.rows.filter(
      (r) => means('spot')(r.spot) && means('bait')(r.bait) && (r.fish === 0 || means('species')(r.species)),
    );
    const { trips, without } = tripsOf(matched, {
      usualHours: usualHours.trim() !== '' && hours > 0 && hours <= 24 ? hours : null,
      rods: Math.max(1, Math.min(20, Math.round(Number(rods)) || 1)),
      dayStartMs: (date) => startOfLocalDay(date, zone) + USUAL_START_H * HOUR,
    });
    const body: ImportTrips['trips'] = trips.map((t) => ({
      stops: t.stops.map((s) => ({
        spotId: means('spot')(s.spot),
        fromMs: s.fromMs,
        toMs: Math.round(s.toMs),
        sets: s.sets.map((x) => ({
          presentationId: means('bait')(x.bait),
          rods: Math.min(20, x.rods),
          fish: x.fish.map((f) => ({ speciesId: means('species')(f.species), lengthMm: f.lengthMm, atMs: f.atMs })),
        })),
      })),
    }));
    const stops = body.flatMap((t) => t.stops);
    return {
      trips: body,
      without,
      unmatched: read.rows.length - matched.length,
      stops: stops.length,
      fish: stops.reduce((n, s) => n + s.sets.reduce((m, x) => m + x.fish.length, 0), 0),
    };
  }, [file, mapping, read.rows, means, usualHours, rods, zone]);

  return {
    key: file?.key ?? '',
    fileName: file?.name ?? '',
    head: file?.head ?? null,
    mapping,
    map: (m: PastMapping) => void map(m),
    choose,
    fault,
    refused: read.refused,
    withoutTime,
    names,
    means,
    pick: (what: What) => (name: string, id: string) => setPicked(new Map(picked).set(`${what} ${name}`, id)),
    boatId,
    setBoatId,
    captainId,
    setCaptainId,
    usualHours,
    setUsualHours,
    rods,
    setRods,
    made,
  };
}
