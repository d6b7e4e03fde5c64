import { figure } from '@bluffwind/core/units/measure';
import { useState } from 'react';
import { myUnit, myUnits } from '../data/units';
import { FIELD } from '../ui/form/fields';
import { Button, Waiting } from '../ui/parts';
import { ContourPicture } from './ContourPicture';
import { ImportFrame } from './ImportFrame';
import { FileFault, RefusedList } from './RefusedList';
import { ChartTerms, TableTerms } from './SoundingTerms';
import { useSoundings } from './useSoundings';
import { useStoreFile } from './useStoreFile';
import { useSurvey } from './useSurvey';

interface Props {
  readonly waterId: string;
  readonly waterName: string;
  /** Where the water lies: a projection without a name is that of this place. */
  readonly near: readonly [lon: number, lat: number];
  readonly zone: string;
  /** Height of the water above datum at an instant, m; null without a tide. */
  readonly levelAt: ((atMs: number) => number) | null;
  readonly onClose: () => void;
}

const LEAST = 3;
const MOST = 300_000;

/** Depths from soundings, a recorded track or a chart's own file: shown as contours before they are laid over the chart. */
export function ImportSoundings({ waterId, waterName, near, zone, levelAt, onClose }: Props) {
  const s = useSoundings(zone, near);
  const { chosen, mapping, terms, read, columns } = s;
  const [transducerM, setTransducerM] = useState(0);
  const contours = useSurvey(columns, transducerM, levelAt);
  const { survey } = contours;
  const storing = useStoreFile(waterId, 'soundings', onClose);
  const n = columns?.lat.length ?? 0;
  const fits = n >= LEAST && n <= MOST;
  const timed = columns?.atMs.some((t) => t > 0) ?? false;
  const store = () =>
    columns &&
    chosen &&
    read &&
    storing.save({
      body: { id: s.key, fileName: chosen.name, refused: read.refused.length, transducerM, ...columns },
      told: `${n} soundings of ${chosen.name} are laid over the chart.`,
    });
  return (
    <ImportFrame
      title="Import soundings"
      note={`Into ${waterName}: taken to chart datum by the tide at their time, gridded, holes left blank.`}
      error={contours.error ?? storing.error}
      also={
        <Button disabled={!fits || contours.share !== null} onClick={contours.work}>
          Show contours
        </Button>
      }
      store={{ words: `Lay ${n >= LEAST ? n : ''} soundings over the chart`, ready: fits && !storing.busy, onStore: store }}
      before={{ waterId, zone, kind: 'soundings' }}
      onClose={onClose}
    >
      <div className="flex flex-col gap-1">
        <label htmlFor="soundings-file">File</label>
        <input
          id="soundings-file"
          type="file"
          accept=".csv,.txt,.tsv,.xyz,.log,.nmea,.asc,.grd,.tif,.tiff,.zip,.geojson,.json"
          aria-describedby="soundings-file-help"
          onChange={(e) => {
            storing.clear();
            if (e.target.files?.[0]) void s.choose(e.target.files[0]);
          }}
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
      {read && n < LEAST && (
        <FileFault
          fault="A survey needs at least three soundings with a position."
          remedy="Check the columns or the projection; an NMEA track needs RMC or GGA beside DPT or DBT."
        />
      )}
      {n > MOST && <FileFault fault={`It holds more than ${MOST} soundings.`} remedy="Split it by day and import the parts." />}
      {read && <RefusedList refused={read.refused} />}
      {contours.share !== null && (
        <div className="flex items-center gap-3">
          <progress value={contours.share} max={1} aria-label="Gridding" className="flex-1" />
          <Button onClick={contours.stop}>Stop</Button>
        </div>
      )}
      {survey && (
        <div className="flex flex-wrap gap-4">
          <ContourPicture contours={survey.contours} />
          <p className="min-w-40 flex-1 text-[0.9rem] text-ink-2">
            {(survey.covered / 10_000).toFixed(1)} hectares covered, contours at{' '}
            {survey.contours.map((c) => figure(c.depthM, 'depth', myUnits(), c.depthM % 1 === 0 ? 0 : 1).text).join(', ')} {myUnit('depth')}
            . Worked out in {(survey.ms / 1000).toFixed(1)} s on this device.
          </p>
        </div>
      )}
    </ImportFrame>
  );
}

const ordinal = (n: number): string => (n === 2 ? 'second' : n === 3 ? 'third' : `${n}th`);
