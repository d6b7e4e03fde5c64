import type { SpotView } from '@bluffwind/contract/grounds';
import { type FilePlace, looksSwapped, type PlacesRead, swapPlaces } from '@bluffwind/core/formats/places';
import { nearDuplicates } from '@bluffwind/core/ground/nearDuplicates';
import { middleOf } from '@bluffwind/core/ground/polygon';
import { useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import type { FilesWork } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';

/** What a place of a file becomes. */
export type PlaceAs = 'spot' | 'track' | 'merge' | 'skip';

export interface ReadPlace {
  readonly index: number;
  readonly place: FilePlace;
  /** A spot of the water within 30 m of it. */
  readonly same: { readonly of: SpotView; readonly metres: number } | null;
  readonly as: PlaceAs;
}

/** A line of so many points is a track that somebody ran; one of fewer is a place that was drawn. */
const TRACK_POINTS = 12;

/** Places out of a file, and what each of them becomes: what is proposed, until it is chosen otherwise. */
export function usePlacesFile(water: { readonly lat: number; readonly lon: number }, spots: readonly SpotView[]) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<{ name: string; read: PlacesRead } | null>(null);
  const [reading, setReading] = useState('');
  const [swap, setSwap] = useState(false);
  const [chosen, setChosen] = useState<ReadonlyMap<number, PlaceAs>>(new Map());
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const key = useRef(v7());

  async function choose(f: File): Promise<void> {
    key.current = v7();
    setFile(null);
    setFault(null);
    setChosen(new Map());
    setSwap(false);
    setReading(`Reading ${f.name}, ${(f.size / 1024 / 1024).toFixed(1)} MB`);
    const read = await worker.get().places(await f.text());
    setReading('');
    if ('fault' in read) setFault(read);
    else setFile({ name: f.name, read });
  }

  const places = useMemo((): readonly FilePlace[] => (file ? (swap ? swapPlaces(file.read.places) : file.read.places) : []), [file, swap]);
  const swapped = useMemo(() => file !== null && !swap && looksSwapped(file.read.places, water), [file, swap, water]);
  const same = useMemo(() => {
    const middles = places.map((p) => {
      const [lon, lat] = p.shape === 'point' ? (p.points[0] as [number, number]) : middleOf(p.points);
      return { lat, lon };
    });
    return nearDuplicates(middles, spots);
  }, [places, spots]);
  const all = places.map((place, index): ReadPlace => {
    const usual =
      same[index] && place.shape === 'point' ? 'merge' : place.shape === 'line' && place.points.length > TRACK_POINTS ? 'track' : 'spot';
    return { index, place, same: same[index] ?? null, as: chosen.get(index) ?? usual };
  });
  return {
    key: key.current,
    name: file?.name ?? null,
    refused: file?.read.refused ?? [],
    all,
    reading,
    fault,
    swapped,
    onSwap: () => setSwap(true),
    choose,
    become: (index: number, as: PlaceAs) => setChosen(new Map(chosen).set(index, as)),
  };
}
