import type { OutfitView } from '@bluffwind/contract/outfit';
import { type ChangeEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { post } from '../data/api';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import type { FilesWork } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { WATER_KEYS } from './waterKeys';

type Rings = [number, number][][][];
interface Chart {
  readonly shore: { readonly inside: 'water' | 'land'; readonly polygons: Rings } | null;
  readonly acrossM: number;
}

/** Metres from side to side. */
const WIDTHS = [1000, 3000, 6000, 12_000, 30_000, 60_000];

/** The shore of a water: out of a file, drawn on the chart, or none. */
export function ShoreDialog({ water, onClose }: { water: OutfitView['waters'][number] | null; onClose: () => void }) {
  const files = useWorker<FilesWork>(makeFilesWorker);
  const [read, setRead] = useState<{ readonly name: string; readonly polygons: Rings; readonly thinned: boolean } | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [inside, setInside] = useState<'water' | 'land' | null>(null);
  const [across, setAcross] = useState('6000');
  const navigate = useNavigate();
  const meant = inside ?? (water?.kind === 'fresh' ? 'water' : 'land');
  const close = () => {
    setRead(null);
    setFault(null);
    setInside(null);
    saving.clear();
    onClose();
  };
  const saving = useSave<{ readonly chart: Chart; readonly draw?: boolean }>({
    send: ({ chart }) => post(`/waters/${water?.id}/chart`, chart),
    touches: WATER_KEYS,
    told: (_, { chart }) => (chart.shore ? `The shore of ${water?.name} is on the chart.` : `${water?.name} is open water for now.`),
    onStored: (_, { draw }) => {
      const id = water?.id;
      close();
      if (draw) navigate(`/grounds?water=${id}&draw=${meant}`);
    },
  });
  const take = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    if (!file) return;
    setRead(null);
    setFault(null);
    const answer = await files.get().shore(file);
    if ('fault' in answer) setFault(`${answer.fault} ${answer.remedy}`);
    else setRead({ name: file.name, ...answer });
  };
  const corners = read?.polygons.flat(2).length ?? 0;
  return (
    <Sheet
      open={water !== null}
      title={`The shore of ${water?.name ?? ''}`}
      note="With a shore every hour says where it is sheltered, and ways keep off the land. What was there before is replaced; soundings stay."
      onClose={close}
    >
      <div className="flex flex-col gap-3">
        <Choice
          label="Inside the line is"
          value={meant}
          options={[
            { value: 'water', name: 'water: a lake, a river' },
            { value: 'land', name: 'land: a coast, islands' },
          ]}
          onPick={setInside}
        />
        <div>
          <label htmlFor="shore-file" className="font-semibold">
            From a file
          </label>
          <p className="text-[0.87rem] text-ink-2">GeoJSON, KML, GPX or a zipped shapefile with the shore as an area or a closed line.</p>
          <input id="shore-file" type="file" accept=".geojson,.json,.kml,.gpx,.zip" onChange={(e) => void take(e)} className="mt-1" />
          {fault && (
            <p role="alert" className="mt-1 text-rust">
              {fault}
            </p>
          )}
          {read && (
            <p className="mt-1" data-shore-read>
              {read.name}: {read.polygons.length === 1 ? '1 area' : `${read.polygons.length} areas`}, {corners} corners
              {read.thinned ? ', thinned to what a chart can show' : ''}.
            </p>
          )}
          {read && (
            <Button
              strong
              className="mt-2"
              disabled={saving.busy}
              onClick={() => saving.save({ chart: { shore: { inside: meant, polygons: read.polygons }, acrossM: 6000 } })}
            >
              Put it on the chart
            </Button>
          )}
        </div>
        <div className="border-t border-line pt-3">
          <p className="font-semibold">By hand, or not at all</p>
          <div className="mt-1 flex flex-wrap items-end gap-2">
            <Choice
              label="Open water"
              value={across}
              options={WIDTHS.map((m) => ({ value: String(m), name: `${amount(m, 'way', 0)} across` }))}
              onPick={setAcross}
            />
            <Button disabled={saving.busy} onClick={() => saving.save({ chart: { shore: null, acrossM: Number(across) }, draw: true })}>
              Draw on it
            </Button>
            <Button disabled={saving.busy} onClick={() => saving.save({ chart: { shore: null, acrossM: Number(across) } })}>
              Leave it open
            </Button>
          </div>
        </div>
        {saving.error !== null && <Fault error={saving.error} />}
      </div>
    </Sheet>
  );
}
