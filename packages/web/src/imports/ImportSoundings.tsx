import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import type { SoundingMapping, SoundingsRead } from '@bluffwind/core/formats/soundingsCsv';
import { unitsOf } from '@bluffwind/core/formats/unitsOf';
import { proxy } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import type { FilesWork, TableHead } from '../workers/files.worker';
import type { GroundWork } from '../workers/ground.worker';
import { makeFilesWorker, makeGroundWorker, useWorker } from '../workers/useWorker';
import { DecimalChoice, ZoneChoice } from './choices';
import { ImportList } from './ImportList';
import { FileFault, RefusedList } from './RefusedList';
import { figure } from '@bluffwind/core/units/measure';
import { myUnit, myUnits } from '../data/units';
import { Choice } from '../ui/Choice';
import { useStoreFile } from './useStoreFile';

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly waterName: string;
  readonly zone: string;
  /** Height of the water above datum at an instant, m; null without a tide. */
  readonly levelAt: ((atMs: number) => number) | null;
  readonly onClose: () => void;
}

const MOST = 300_000;

/** Soundings from CSV or a recorded NMEA track: shown as contours before they are laid over the chart. */
export function ImportSoundings({ open, waterId, waterName, zone, levelAt, onClose }: Props) {
  const files = useWorker<FilesWork>(makeFilesWorker);
  const ground = useWorker<GroundWork>(makeGroundWorker);
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [head, setHead] = useState<TableHead<SoundingMapping> | null>(null);
  const [mapping, setMapping] = useState<SoundingMapping | null>(null);
  const [transducerM, setTransducerM] = useState(0);
  const [read, setRead] = useState<SoundingsRead | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [made, setMade] = useState<{ contours: readonly ContourLines[]; covered: number; ms: number } | null>(null);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const [error, setError] = useState<unknown>(null);
  const storing = useStoreFile(waterId, 'soundings', onClose);
  const key = useRef(v7());
  useEffect(() => {
    if (open) return;
    files.end();
    ground.end();
    setFile(null);
    setHead(null);
    setMapping(null);
    setRead(null);
    setMade(null);
    setShare(null);
    setFault(null);
    setError(null);
  }, [open, files, ground]);

  async function choose(f: File) {
    key.current = v7();
    setHead(null);
    setMapping(null);
    setRead(null);
    setMade(null);
    setFault(null);
    setError(null);
    const text = await f.text();
    const table = await files.get().soundingTable(text, zone);
    if ('fault' in table) return setFault(table);
    setFile({ name: f.name, text });
    if ('guess' in table) {
      setHead(table);
      setMapping(table.guess);
    }
  }
  useEffect(() => {
    if (!file) return;
    let gone = false;
    void (async () => {
      const answer = await files.get().soundings(file.text, mapping);
      if (gone) return;
      if ('fault' in answer) setFault(answer);
      else {
        setFault(null);
        setRead(answer);
        setMade(null);
      }
    })();
    return () => {
      gone = true;
    };
  }, [file, mapping, files]);

  const columns = useMemo(() => {
    if (!read) return null;
    const s = read.soundings;
    return {
      lat: s.map((x) => x.lat),
      lon: s.map((x) => x.lon),
      soundedM: s.map((x) => x.soundedM + (x.offsetM ?? 0)),
      atMs: s.map((x) => Math.round(x.atMs ?? 0)),
    };
  }, [read]);

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
      setMade({ contours, covered: covered * bed.cellM * bed.cellM, ms: performance.now() - start });
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
    if (!columns || !file || !read) return;
    storing.save({
      body: {
        id: key.current,
        fileName: file.name,
        refused: read.refused.length,
        transducerM,
        ...columns,
      },
      told: `${columns.lat.length} soundings of ${file.name} are laid over the chart.`,
    });
  }
  const n = columns?.lat.length ?? 0;
  const timed = columns?.atMs.some((t) => t > 0) ?? false;
  const field = 'rounded border border-ink-3 bg-chalk px-2 py-1';
  const pick = (label: string, name: 'latColumn' | 'lonColumn' | 'depthColumn' | 'timeColumn') =>
    head &&
    mapping && (
      <Choice
        label={label}
        value={String(mapping[name] ?? -1)}
        options={[
          ...(name === 'timeColumn' ? [{ value: '-1', name: 'none' }] : []),
          ...head.header.map((h, i) => ({ value: String(i), name: h || `column ${i + 1}` })),
        ]}
        onPick={(v) => setMapping({ ...mapping, [name]: Number(v) < 0 ? null : Number(v) })}
      />
    );
  return (
    <Sheet
      open={open}
      wide
      title="Import soundings"
      note={`Into ${waterName}: taken to chart datum by the tide at their time, gridded, holes left blank.`}
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-1">
          File: CSV with position and depth, or a recorded NMEA track
          <input
            type="file"
            accept=".csv,.txt,.tsv,.xyz,.log,.nmea"
            onChange={(e) => e.target.files?.[0] && void choose(e.target.files[0])}
          />
        </label>
        {fault && <FileFault {...fault} />}
        {head && mapping && (
          <div className="grid grid-cols-4 gap-3 text-[0.9rem]">
            {pick('Latitude', 'latColumn')}
            {pick('Longitude', 'lonColumn')}
            {pick('Depth', 'depthColumn')}
            {pick('Time', 'timeColumn')}
            <Choice
              label="Depth in"
              value={mapping.unit}
              options={unitsOf('depthM').map((u) => ({ value: u.id, name: u.name }))}
              onPick={(unit) => setMapping({ ...mapping, unit })}
            />
            <Choice
              label="Depth counts"
              value={mapping.positiveUp ? 'up' : 'down'}
              options={[
                { value: 'down', name: 'down from the surface' },
                { value: 'up', name: 'up (negative below)' },
              ]}
              onPick={(v) => setMapping({ ...mapping, positiveUp: v === 'up' })}
            />
            <DecimalChoice value={mapping.decimal} onChange={(decimal) => setMapping({ ...mapping, decimal })} />
            <ZoneChoice value={mapping.zone} outfitZone={zone} onChange={(z) => setMapping({ ...mapping, zone: z })} />
          </div>
        )}
        {file && (
          <label className="flex items-center gap-2">
            Transducer under the surface, m
            <input
              type="number"
              step="0.05"
              min={-5}
              max={10}
              value={transducerM}
              onChange={(e) => setTransducerM(Number(e.target.value))}
              className={`num w-24 ${field}`}
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
              : 'They have no times: the height of tide cannot be taken off.'}
          </p>
        )}
        {read && n < 3 && (
          <FileFault
            fault="A survey needs at least three soundings with a position."
            remedy="Check the columns; an NMEA track needs RMC or GGA beside DPT or DBT."
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
        {made && (
          <div className="flex gap-4">
            <ContourPicture contours={made.contours} />
            <p className="text-[0.9rem] text-ink-2">
              {(made.covered / 10_000).toFixed(1)} hectares covered, contours at{' '}
              {made.contours.map((c) => figure(c.depthM, 'depth', myUnits(), c.depthM % 1 === 0 ? 0 : 1).text).join(', ')} {myUnit('depth')}
              . Worked out in {(made.ms / 1000).toFixed(1)} s on this device.
            </p>
          </div>
        )}
        {(error ?? storing.error) !== null && <Fault error={error ?? storing.error} />}
        <div className="flex justify-end gap-2">
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

function ContourPicture({ contours }: { contours: readonly ContourLines[] }) {
  const size = 260;
  const points = contours.flatMap((c) => c.lines.flat());
  if (points.length === 0) return <p className="text-ink-2">No contour fits: the bottom is level.</p>;
  const [w, e] = points.reduce(([a, b], p) => [Math.min(a, p[0]), Math.max(b, p[0])] as [number, number], [180, -180] as [number, number]);
  const [s, n] = points.reduce(([a, b], p) => [Math.min(a, p[1]), Math.max(b, p[1])] as [number, number], [90, -90] as [number, number]);
  const k = Math.cos((((s + n) / 2) * Math.PI) / 180);
  const scale = (size - 8) / Math.max((e - w) * k, n - s, 1e-9);
  const path = (line: readonly (readonly [number, number])[]) =>
    `M${line.map(([x, y]) => `${(4 + (x - w) * k * scale).toFixed(1)} ${(4 + (n - y) * scale).toFixed(1)}`).join('L')}`;
  return (
    <svg width={size} height={size} role="img" aria-label="Contours of the soundings" className="border border-line bg-[#e6eeee]">
      {contours.map((c, i) => (
        <path key={c.depthM} d={c.lines.map(path).join('')} fill="none" stroke="#1f4a59" strokeWidth={i % 5 === 0 ? 1.3 : 0.7} />
      ))}
    </svg>
  );
}
