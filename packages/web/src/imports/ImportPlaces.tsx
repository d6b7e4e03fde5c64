import type { SpotView } from '@bluffwind/contract/grounds';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { outfitQuery } from '../data/queries';
import { Choice } from '../ui/Choice';
import { Button } from '../ui/parts';
import { ImportFrame } from './ImportFrame';
import { PlacesTable } from './PlacesTable';
import { FileFault, RefusedList } from './RefusedList';
import { usePlacesFile } from './usePlacesFile';
import { useStoreFile } from './useStoreFile';

interface Props {
  readonly waterId: string;
  readonly water: { readonly name: string; readonly lat: number; readonly lon: number };
  readonly zone: string;
  readonly spots: readonly SpotView[];
  readonly onClose: () => void;
}

const MOST = 5000;
const KNOWN_TO = [
  { value: 'crew', name: 'the crew' },
  { value: 'captain', name: 'captains only' },
] as const;

/** Places from GPX, KML or GeoJSON: each a new spot, a track, or the same as a spot within 30 m. */
export function ImportPlaces({ waterId, water, zone, spots, onClose }: Props) {
  const file = usePlacesFile(water, spots);
  const { data: outfit } = useQuery(outfitQuery);
  const [picked, setPrivacy] = useState<'crew' | 'captain' | null>(null);
  const privacy = picked ?? outfit?.newSpots ?? 'crew';
  const storing = useStoreFile(waterId, 'places', onClose);
  const taken = file.all.filter((x) => x.as !== 'skip');
  const store = () =>
    storing.save({
      body: {
        id: file.key,
        fileName: file.name,
        refused: file.refused.length,
        privacy,
        places: taken.map(({ place: p, same, as }) => ({
          name: p.name.slice(0, 80),
          note: p.note.slice(0, 2000),
          shape: p.shape,
          points: p.points,
          as,
          ...(p.facts ? { facts: p.facts } : {}),
          into: as === 'merge' ? (same?.of.id ?? null) : null,
        })),
      },
      told: `${taken.length} places of ${file.name} are stored.`,
    });
  return (
    <ImportFrame
      title="Import spots"
      note={`Into ${water.name}. Nothing is stored until you say so, and it can be undone whole.`}
      error={storing.error}
      store={{
        words: `Store ${taken.length > 0 ? `${taken.length} places` : ''}`,
        ready: taken.length > 0 && taken.length <= MOST && !storing.busy,
        onStore: store,
      }}
      before={{ waterId, zone, kind: 'places' }}
      onClose={onClose}
    >
      <label className="flex flex-col gap-1">
        File: GPX, KML or GeoJSON
        <input
          type="file"
          accept=".gpx,.kml,.json,.geojson"
          onChange={(e) => {
            storing.clear();
            if (e.target.files?.[0]) void file.choose(e.target.files[0]);
          }}
        />
      </label>
      {file.reading && <p role="status">{file.reading} ...</p>}
      {file.fault && <FileFault {...file.fault} />}
      {file.swapped && (
        <p role="alert" className="flex items-center justify-between gap-3 border-l-4 border-rust bg-rust-pale px-3 py-2">
          Latitude and longitude look swapped: the places lie far from {water.name}, and would lie on it the other way round.
          <Button onClick={file.onSwap}>Swap them</Button>
        </p>
      )}
      {file.name !== null && (
        <>
          <Choice label="New spots are known to" labelled="beside" value={privacy} options={KNOWN_TO} onPick={setPrivacy} />
          <PlacesTable all={file.all} onPick={file.become} />
          {file.all.length === 0 && <FileFault fault="The file holds no places." remedy="Check that it is the right file." />}
          {taken.length > MOST && <FileFault fault={`It holds more than ${MOST} places.`} remedy="Leave some out, or split the file." />}
          <RefusedList refused={file.refused} />
        </>
      )}
    </ImportFrame>
  );
}
