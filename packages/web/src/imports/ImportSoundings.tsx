import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import { figure } from '@bluffwind/core/units/measure';
import { proxy } from 'comlink';
import { useState } from 'react';
import { myUnit, myUnits } from '../data/units';
import { FIELD } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import type { GroundWork } from '../workers/ground.worker';
import { makeGroundWorker, useWorker } from '../workers/useWorker';
import { ContourPicture } from './ContourPicture';
import { ImportList } from './ImportList';
import { FileFault, RefusedList } from './RefusedList';
import { ChartTerms, TableTerms } from './SoundingTerms';
import { useSoundings } from './useSoundings';
import { useStoreFile } from './useStoreFile';

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly waterName: string;
  /** Where the water lies: a projection without a name is that of this place. */
  readonly near: readonly [lon: number, lat: number];
  readonly zone: string;
  /** Height of the water above datum at an instant, m; null without a tide. */
  readonly levelAt: ((atMs: number) => number) | null;
  readonly onClose: () => void;
}

const MOST = 300_000;

/** Depths from soundings, a recorded track or a chart's own file: shown as contours before they are laid over the chart. */
export function ImportSoundings({ open, waterId, waterName, near, zone, levelAt, onClose }: Props) {
  const ground = useWorker<GroundWork>(makeGroundWorker);
  const s = useSoundings(zone, near);
  const { chosen, mapping, terms, read, columns } = s;
  const [transducerM, setTransducerM] = useState(0);
  const [share, setShare] = useState<number | null>(null);
  const [made, setMade] = useState<{ of: unknown; contours: readonly ContourLines[]; covered: number; ms: number } | null>(null);
  const [error, setError] = useState<unknown>(null);
  const storing = useStoreFile(waterId, 'soundings', onClose);

  async function preview() {
    if (!columns) return;
    setShare(0);
    setError(null);
    const start = performance.now();
    try {
      const depthM = columns.soundedM.map((d, i) => {
        const at = columns.atMs[i] as number;
        return d + transducerM - (at > 0 && levelAt ? levelAt(at) : 0);
      });
      const { bed, contours } = await ground.get().survey({ lat: columns.lat, lon: columns.lon, depthM }, proxy(setShare));
      let covered = 0;
      for (let k = 0; k < bed.depthM.length; k++) if (!Number.isNaN(bed.depthM[k] as number)) covered++;
      setMade({ of: columns, contours, covered: covered * bed.cellM * bed.cellM, ms: performance.now() - start });
    } catch (problem) {
      setError(problem);
    } finally {
      setShare(null);
    }
  }
  function stop() {
    // Ending the worker stops it at once, wherever it is.
    ground.end();
    setShare(null);
  }
  function store() {
    if (!columns || !chosen || !read) return;
    storing.save({
      body: { id: s.key, fileName: chosen.name, refused: read.refused.length, transducerM, ...columns },
      told: `${columns.lat.length} soundings of ${chosen.name} are laid over the chart.`,
    });
  }
  const n = columns?.lat.length ?? 0;
  const timed = columns?.atMs.some((t) => t > 0) ?? false;
  // Contours of what was read before something else was said of it are no preview any more.
  const shown = made?.of === columns ? made : null;
  return (
    <Sheet
      open={open}
      wide
      title="Import soundings"
      note={`Into ${waterName}: taken to chart datum by the tide at their time, gridded, holes left blank.`}
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <div className="flex flex-col gap-1">
          <label htmlFor="soundings-file">File</label>
          <input
            id="soundings-file"
            type="file"
            accept=".csv,.txt,.tsv,.xyz,.log,.nmea,.asc,.grd,.tif,.tiff,.zip,.geojson,.json"
            aria-describedby="soundings-file-help"
            onChange={(e) => e.target.files?.[0] && void s.choose(e.target.files[0])}
          />
          <p id="soundings-file-help" className="text-[0.87rem] text-ink-2">
            Soundings (CSV, XYZ), a recorded NMEA track, a grid (GeoTIFF, ASCII), or points and contours with their depths (GeoJSON, zipped
            shapefile).
          </p>
        </div>
        {s.busy && <Waiting what="Reading the file" />}
        {s.fault && <FileFault {...s.fault} />}
        {chosen?.kind === 'table' && mapping && (
          <TableTerms key={s.key} head={chosen.head} mapping={mapping} zone={zone} onChange={s.setMapping} />
        )}
        {chosen?.kind === 'chart' && terms && (
          <>
            <p data-depth-file>
              {chosen.about.kind === 'grid' ? 'A grid' : 'Points and lines'} with {chosen.about.count} depths
              {chosen.about.every > 1
                ? chosen.about.kind === 'grid'
                  ? `, every ${ordinal(chosen.about.every)} cell along each side: finer than the chart can use`
                  : `, every ${ordinal(chosen.about.every)} of them`
                : ''}
              {chosen.about.without > 0 ? `; ${chosen.about.without} points name no depth and are left out` : ''}. They are taken to be at
              chart datum.
            </p>
            <ChartTerms key={s.key} terms={terms} onChange={s.setTerms} />
          </>
        )}
        {chosen && chosen.kind !== 'chart' && (
          <label className="flex items-center gap-2">
            Transducer under the surface, m
            <input
              type="number"
              step="0.05"
              min={-5}
              max={10}
              value={transducerM}
              onChange={(e) => setTransducerM(Number(e.target.value))}
              className={`num w-24 ${FIELD}`}
            />
          </label>
        )}
        {read && (
          <p data-preview>
            <span className="num">{n}</span> soundings.{' '}
            {timed
              ? levelAt
                ? 'The height of tide at their times is taken off.'
                : 'This water has no tide.'
              : chosen?.kind === 'chart'
                ? ''
                : 'They have no times: the height of tide cannot be taken off.'}
            {read.ashore ? ` ${read.ashore} lie high on land and are left out.` : ''}
          </p>
        )}
        {read && n < 3 && (
          <FileFault
            fault="A survey needs at least three soundings with a position."
            remedy="Check the columns or the projection; an NMEA track needs RMC or GGA beside DPT or DBT."
          />
        )}
        {n > MOST && <FileFault fault={`It holds more than ${MOST} soundings.`} remedy="Split it by day and import the parts." />}
        {read && <RefusedList refused={read.refused} />}
        {share !== null && (
          <div className="flex items-center gap-3">
            <progress value={share} max={1} aria-label="Gridding" className="flex-1" />
            <Button onClick={stop}>Stop</Button>
          </div>
        )}
        {shown && (
          <div className="flex flex-wrap gap-4">
            <ContourPicture contours={shown.contours} />
            <p className="min-w-40 flex-1 text-[0.9rem] text-ink-2">
              {(shown.covered / 10_000).toFixed(1)} hectares covered, contours at{' '}
              {shown.contours.map((c) => figure(c.depthM, 'depth', myUnits(), c.depthM % 1 === 0 ? 0 : 1).text).join(', ')}{' '}
              {myUnit('depth')}. Worked out in {(shown.ms / 1000).toFixed(1)} s on this device.
            </p>
          </div>
        )}
        {(error ?? storing.error) !== null && <Fault error={error ?? storing.error} />}
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button disabled={n < 3 || n > MOST || share !== null} onClick={preview}>
            Show contours
          </Button>
          <Button strong disabled={n < 3 || n > MOST || storing.busy} onClick={store}>
            Lay {n >= 3 ? n : ''} soundings over the chart
          </Button>
        </div>
        <ImportList waterId={waterId} zone={zone} kinds={['soundings']} />
      </div>
    </Sheet>
  );
}

const ordinal = (n: number): string => (n === 2 ? 'second' : n === 3 ? 'third' : `${n}th`);
