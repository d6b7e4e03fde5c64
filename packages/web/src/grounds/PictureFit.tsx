import { PICTURE_BYTES } from '@bluffwind/contract/pictureLimits';
import type { NewPicture } from '@bluffwind/contract/pictures';
import { fitPicture, type PictureFit as Fit, type PicturePlace } from '@bluffwind/core/ground/fitPicture';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { base64Of, shrink } from '../data/shrink';
import { amount } from '../data/units';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import { Button, Fault } from '../ui/parts';
import type { FilesWork } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { FileFault } from '../imports/RefusedList';

const SIDE_PX = 3000;
const SMALL = { sidePx: SIDE_PX, mostBytes: PICTURE_BYTES - 100_000, qualities: [0.85, 0.7, 0.55, 0.4] };
const TYPED = 'typed';

/** A place that is known on the chart, to fit a picture by. */
export interface KnownPlace {
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
}

/** A point that was tapped in the picture, and where it is. */
interface Tapped {
  readonly xPx: number;
  readonly yPx: number;
  /** Name of a known place, or typed. */
  readonly at: string;
  readonly typed: string;
}

interface Chosen {
  readonly name: string;
  readonly jpeg: Blob;
  readonly url: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Where it lies, where the file says so itself. */
  readonly place: PicturePlace | null;
}

interface PictureFitProps {
  readonly known: readonly KnownPlace[];
  readonly saving: { readonly error: unknown; readonly busy: boolean; readonly save: (p: NewPicture) => void };
  readonly onLeave: () => void;
}

/** Chooses a picture and says where it lies: by its own file, or by three points of it that are known on the chart. */
export function PictureFit({ known, saving, onLeave }: PictureFitProps) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [name, setName] = useState('');
  const [points, setPoints] = useState<readonly Tapped[]>([]);
  const url = chosen?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  const fit = useMemo(() => fitOf(points, known), [points, known]);
  const place = chosen?.place ?? (fit.ok ? fit.fit.place : null);

  async function choose(file: File | undefined) {
    if (!file) return;
    setFault(null);
    setChosen(null);
    setPoints([]);
    setBusy(true);
    try {
      const read = await readPicture(file, worker.get());
      if ('fault' in read) setFault(read);
      else {
        setChosen(read);
        setName((n) => n || file.name.replace(/\.[a-z]+$/i, '').slice(0, 80));
      }
    } finally {
      setBusy(false);
    }
  }
  const store = async () => {
    if (!chosen || !place) return;
    const { widthPx, heightPx } = chosen;
    const [lon, lat] = [[...place.lon], [...place.lat]] as [NewPicture['lon'], NewPicture['lat']];
    saving.save({ id: v7(), name: name.trim(), widthPx, heightPx, lon, lat, data: await base64Of(chosen.jpeg) });
  };
  return (
    <div className="mt-3 flex flex-col gap-3 border-t border-line pt-3">
      <label className="flex flex-col gap-1">
        File: GeoTIFF, which says itself where it lies; or PNG or JPEG, taken from straight above
        <input type="file" accept=".tif,.tiff,image/png,image/jpeg,image/webp" onChange={(e) => void choose(e.target.files?.[0])} />
      </label>
      {busy && <p role="status">Reading the picture</p>}
      {fault && <FileFault {...fault} />}
      {chosen && (
        <>
          <label className="flex max-w-[420px] flex-col gap-0.5">
            Name
            <input className={FIELD} value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
          </label>
          {chosen.place ? (
            <img src={chosen.url} alt="From above, as it was chosen" className="max-h-[40vh] self-start rounded" />
          ) : (
            <>
              <p>
                Tap a point of it that you know on the chart, and say which it is; three at least, far apart and not in one line.{' '}
                <span className="text-ink-2">A rock, the end of a jetty, a house; not what the tide moves.</span>
              </p>
              <TapOn chosen={chosen} points={points} onTap={(xPx, yPx) => setPoints([...points, { xPx, yPx, at: '', typed: '' }])} />
              <ol>
                {points.map((p, i) => (
                  <PointRow
                    // biome-ignore lint/suspicious/noArrayIndexKey: points are told apart by their number
                    key={i}
                    number={i + 1}
                    point={p}
                    known={known}
                    onChange={(next) => setPoints(points.map((q, k) => (k === i ? next : q)))}
                    onRemove={() => setPoints(points.filter((_, k) => k !== i))}
                  />
                ))}
              </ol>
              <p role="status" className={fit.ok ? '' : 'text-ink-2'}>
                {fit.ok ? fitWords(fit.fit) : fit.says}
              </p>
            </>
          )}
        </>
      )}
      {saving.error !== null && <Fault error={saving.error} />}
      <div className="flex justify-end gap-2">
        <Button onClick={onLeave}>Leave it</Button>
        <Button strong disabled={!chosen || !place || name.trim() === '' || saving.busy} onClick={() => void store()}>
          Lay it under the chart
        </Button>
      </div>
    </div>
  );
}

/** The picture to be tapped; by keys, arrows move the cross and Enter sets the point. */
function TapOn({ chosen, points, onTap }: { chosen: Chosen; points: readonly Tapped[]; onTap: (xPx: number, yPx: number) => void }) {
  const box = useRef<HTMLButtonElement>(null);
  const [cross, setCross] = useState<readonly [number, number] | null>(null);
  const share = (x: number, of: number) => `${(100 * x) / of}%`;
  const { widthPx, heightPx } = chosen;
  const STEP = Math.max(widthPx, heightPx) / 100;
  const keys: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
  return (
    <div className="max-h-[52vh] overflow-auto rounded border border-line">
      <div className="relative">
        <button
          ref={box}
          type="button"
          aria-label="The picture: tap a point, or move the cross by arrow keys and press Enter"
          className="block w-full cursor-crosshair"
          onFocus={(e) => e.target.matches(':focus-visible') && setCross(cross ?? [widthPx / 2, heightPx / 2])}
          onKeyDown={(e) => {
            const move = keys[e.key];
            if (!move) return;
            e.preventDefault();
            const [x, y] = cross ?? [widthPx / 2, heightPx / 2];
            const by = e.shiftKey ? 10 * STEP : STEP;
            setCross([Math.min(widthPx, Math.max(0, x + move[0] * by)), Math.min(heightPx, Math.max(0, y + move[1] * by))]);
          }}
          onClick={(e) => {
            const r = box.current?.getBoundingClientRect();
            if (!r) return;
            // A key's click has no place of its own: it is the cross's.
            if (e.detail === 0) return cross && onTap(cross[0], cross[1]);
            onTap(((e.clientX - r.left) / r.width) * widthPx, ((e.clientY - r.top) / r.height) * heightPx);
          }}
        >
          <img src={chosen.url} alt="" className="block w-full select-none" draggable={false} />
        </button>
        {cross && (
          <span
            aria-hidden
            className="pointer-events-none absolute h-5 w-5 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-rust"
            style={{ left: share(cross[0], widthPx), top: share(cross[1], heightPx) }}
          />
        )}
        {points.map((p, i) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: points are told apart by their number
            key={i}
            aria-hidden
            className="num pointer-events-none absolute flex h-6 w-6 -translate-x-1/2 -translate-y-1/2 items-center justify-center rounded-full border-2 border-ink bg-paper text-[0.87rem] font-bold"
            style={{ left: share(p.xPx, widthPx), top: share(p.yPx, heightPx) }}
          >
            {i + 1}
          </span>
        ))}
      </div>
    </div>
  );
}

interface PointRowProps {
  readonly number: number;
  readonly point: Tapped;
  readonly known: readonly KnownPlace[];
  readonly onChange: (point: Tapped) => void;
  readonly onRemove: () => void;
}

function PointRow({ number, point, known, onChange, onRemove }: PointRowProps) {
  return (
    <li className="flex flex-wrap items-end gap-3 border-t border-line py-1.5">
      <span className="num w-6 self-center font-bold">{number}</span>
      <Choice
        label={`Point ${number} is`}
        value={point.at}
        options={[
          { value: '', name: 'say where it is' },
          { value: TYPED, name: 'a position, typed' },
          ...known.map((k) => ({ value: k.name, name: k.name })),
        ]}
        onPick={(at) => onChange({ ...point, at })}
      />
      {point.at === TYPED && (
        <label className="flex flex-col gap-0.5">
          Latitude, longitude
          <input
            className={`num ${FIELD}`}
            value={point.typed}
            placeholder="47.6012, -35.2034"
            aria-invalid={point.typed !== '' && positionOf(point.typed) === null}
            onChange={(e) => onChange({ ...point, typed: e.target.value })}
          />
        </label>
      )}
      <Button aria-label={`Take away point ${number}`} onClick={onRemove}>
        Take away
      </Button>
    </li>
  );
}

/** Degrees with decimals, north and east positive. */
function positionOf(text: string): { lat: number; lon: number } | null {
  const m = /^\s*(-?\d{1,2}(?:\.\d+)?)\s*[,;\s]\s*(-?\d{1,3}(?:\.\d+)?)\s*$/.exec(text);
  if (!m) return null;
  const [lat, lon] = [Number(m[1]), Number(m[2])];
  return Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? { lat, lon } : null;
}

function fitOf(points: readonly Tapped[], known: readonly KnownPlace[]): { ok: true; fit: Fit } | { ok: false; says: string } {
  const placed = points.flatMap((p) => {
    const at = p.at === TYPED ? positionOf(p.typed) : known.find((k) => k.name === p.at);
    return at ? [{ xPx: p.xPx, yPx: p.yPx, lat: at.lat, lon: at.lon }] : [];
  });
  if (placed.length < 3) return { ok: false, says: `${placed.length} of 3 points are known.` };
  try {
    return { ok: true, fit: fitPicture(placed) };
  } catch (error) {
    const says = (error as Error).message.replace(/^points: /, '');
    return { ok: false, says: `${says.charAt(0).toUpperCase()}${says.slice(1)}.` };
  }
}

function fitWords({ offM, pixelM }: Fit): string {
  const fine = `A pixel is ${amount(pixelM, 'near', pixelM < 1 ? 2 : 1)}.`;
  if (offM === null) return `${fine} Three points fit whatever they are: a fourth shows how well.`;
  return `${fine} The points lie ${amount(offM, 'near', 0)} off on average.`;
}

async function readPicture(
  file: File,
  worker: ReturnType<ReturnType<typeof useWorker<FilesWork>>['get']>,
): Promise<Chosen | { fault: string; remedy: string }> {
  if (/\.tiff?$/i.test(file.name) || file.type === 'image/tiff') {
    const read = await worker.picture(file, SIDE_PX);
    if ('fault' in read) return read;
    const { jpeg, widthPx, heightPx, lon, lat } = read;
    if (jpeg.size > PICTURE_BYTES) return { fault: 'The picture is too large.', remedy: 'Cut it to the water.' };
    return { name: file.name, jpeg, url: URL.createObjectURL(jpeg), widthPx, heightPx, place: { lon, lat } };
  }
  try {
    const jpeg = await shrink(file, SMALL);
    const bitmap = await createImageBitmap(jpeg);
    return { name: file.name, jpeg, url: URL.createObjectURL(jpeg), widthPx: bitmap.width, heightPx: bitmap.height, place: null };
  } catch {
    return { fault: `${file.name} is no picture that can be read.`, remedy: 'Choose a PNG or JPEG of at least 8 pixels a side.' };
  }
}
