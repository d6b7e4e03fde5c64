import type { SpotView } from '@bluffwind/contract/grounds';
import { type FilePlace, looksSwapped, type PlacesRead, swapPlaces } from '@bluffwind/core/formats/places';
import { middleOf } from '@bluffwind/core/ground/polygon';
import { nearDuplicates } from '@bluffwind/core/ground/nearDuplicates';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import type { FilesWork } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { ImportList } from './ImportList';
import { FileFault, RefusedList } from './RefusedList';
import { outfitQuery } from '../data/queries';
import { amount } from '../data/units';
import { Choice } from '../ui/Choice';
import { useStoreFile } from './useStoreFile';

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly water: { readonly name: string; readonly lat: number; readonly lon: number };
  readonly zone: string;
  readonly spots: readonly SpotView[];
  readonly onClose: () => void;
}

type As = 'spot' | 'track' | 'merge' | 'skip';
const MOST = 5000;
const SHOWN = 300;

/** Places from GPX, KML or GeoJSON: each a new spot, a track, or the same as a spot within 30 m. */
export function ImportPlaces({ open, waterId, water, zone, spots, onClose }: Props) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<{ name: string; read: PlacesRead } | null>(null);
  const [reading, setReading] = useState('');
  const [swap, setSwap] = useState(false);
  const [chosen, setChosen] = useState<ReadonlyMap<number, As>>(new Map());
  const { data: outfit } = useQuery(outfitQuery);
  const [picked, setPrivacy] = useState<'crew' | 'captain' | null>(null);
  const privacy = picked ?? outfit?.newSpots ?? 'crew';
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const storing = useStoreFile(waterId, 'places', onClose);
  const key = useRef(v7());
  useEffect(() => {
    if (open) return;
    worker.end();
    setFile(null);
    setFault(null);
    storing.clear();
    setSwap(false);
    setReading('');
  }, [open, worker, storing.clear]);

  async function choose(f: File) {
    key.current = v7();
    setFile(null);
    setFault(null);
    storing.clear();
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
  const asOf = (i: number): As => {
    const p = places[i] as FilePlace;
    const mine = chosen.get(i);
    if (mine) return mine;
    if (same[i] && p.shape === 'point') return 'merge';
    return p.shape === 'line' && p.points.length > 12 ? 'track' : 'spot';
  };
  const all = places.map((p, i) => ({ p, i, as: asOf(i) }));
  const taken = all.filter((x) => x.as !== 'skip');

  function store() {
    if (!file) return;
    storing.save({
      body: {
        id: key.current,
        fileName: file.name,
        refused: file.read.refused.length,
        privacy,
        places: taken.map(({ p, i, as }) => ({
          name: p.name.slice(0, 80),
          note: p.note.slice(0, 2000),
          shape: p.shape,
          points: p.points,
          as,
          ...(p.facts ? { facts: p.facts } : {}),
          into: as === 'merge' ? (same[i]?.of.id ?? null) : null,
        })),
      },
      told: `${taken.length} places of ${file.name} are stored.`,
    });
  }
  const _field = 'rounded border border-ink-3 bg-chalk px-1 py-0.5';
  return (
    <Sheet
      open={open}
      wide
      title="Import spots"
      note={`Into ${water.name}. Nothing is stored until you say so, and it can be undone whole.`}
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-1">
          File: GPX, KML or GeoJSON
          <input type="file" accept=".gpx,.kml,.json,.geojson" onChange={(e) => e.target.files?.[0] && void choose(e.target.files[0])} />
        </label>
        {reading && <p role="status">{reading} ...</p>}
        {fault && <FileFault {...fault} />}
        {swapped && (
          <p role="alert" className="flex items-center justify-between gap-3 border-l-4 border-rust bg-rust-pale px-3 py-2">
            Latitude and longitude look swapped: the places lie far from {water.name}, and would lie on it the other way round.
            <Button onClick={() => setSwap(true)}>Swap them</Button>
          </p>
        )}
        {file && (
          <>
            <Choice
              label="New spots are known to"
              labelled="beside"
              value={privacy}
              options={[
                { value: 'crew', name: 'the crew' },
                { value: 'captain', name: 'captains only' },
              ]}
              onPick={setPrivacy}
            />
            <div className="max-h-[38vh] overflow-auto" tabIndex={0} role="group" aria-label="Places of the file">
              <table className="w-full text-[0.9rem]">
                <thead>
                  <tr className="text-left text-ink-2">
                    <th className="font-normal">Name</th>
                    <th className="font-normal">Shape</th>
                    <th className="font-normal">Near</th>
                    <th className="font-normal">Becomes</th>
                  </tr>
                </thead>
                <tbody>
                  {all.slice(0, SHOWN).map(({ p, i, as }) => (
                    <tr key={`${p.line} ${p.name} ${String(i)}`} className="border-t border-line">
                      <td className="py-1">{p.name || 'no name'}</td>
                      <td>
                        {p.shape}
                        {p.points.length > 1 ? `, ${p.points.length} points` : ''}
                      </td>
                      <td>{same[i] ? `${same[i]?.of.name}, ${amount(same[i]?.metres ?? 0, 'near', 0)}` : ''}</td>
                      <td>
                        <Choice
                          label={`What ${p.name || 'it'} becomes`}
                          labelled="hidden"
                          value={as}
                          options={[
                            { value: 'spot', name: 'a new spot' },
                            ...(p.shape === 'point' ? [] : [{ value: 'track' as const, name: 'a track' }]),
                            ...(same[i] ? [{ value: 'merge' as const, name: `part of ${same[i]?.of.name}` }] : []),
                            { value: 'skip', name: 'left out' },
                          ]}
                          onPick={(next: As) => setChosen(new Map(chosen).set(i, next))}
                        />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {all.length > SHOWN && <p className="py-1 text-ink-2">{all.length - SHOWN} more are taken as proposed.</p>}
            </div>
            {places.length === 0 && <FileFault fault="The file holds no places." remedy="Check that it is the right file." />}
            {taken.length > MOST && <FileFault fault={`It holds more than ${MOST} places.`} remedy="Leave some out, or split the file." />}
            <RefusedList refused={file.read.refused} />
          </>
        )}
        {storing.error !== null && <Fault error={storing.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button strong disabled={taken.length === 0 || taken.length > MOST || storing.busy} onClick={store}>
            Store {taken.length > 0 ? `${taken.length} places` : ''}
          </Button>
        </div>
        <ImportList waterId={waterId} zone={zone} kinds={['places']} />
      </div>
    </Sheet>
  );
}
