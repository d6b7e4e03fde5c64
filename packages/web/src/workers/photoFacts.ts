// What cameras write beside their pictures (Exif 2.32, JEITA CP-3451): when and where. The picture itself is not looked at.
import type { PhotoFacts } from '@bluffwind/core/formats/photoTable';
import exifr from 'exifr';

/** Bytes at the head of a file that hold what is asked for. */
const HEAD_BYTES = 512 * 1024;
const WANTED = ['DateTimeOriginal', 'CreateDate', 'OffsetTimeOriginal', 'GPSDateStamp', 'GPSTimeStamp'];

interface Written {
  readonly DateTimeOriginal?: string;
  readonly CreateDate?: string;
  readonly OffsetTimeOriginal?: string;
  readonly GPSDateStamp?: string;
  readonly GPSTimeStamp?: readonly number[] | string;
  readonly latitude?: number;
  readonly longitude?: number;
}

export async function photoFacts(files: readonly File[]): Promise<PhotoFacts[]> {
  const out: PhotoFacts[] = [];
  for (const f of files) {
    const head = await f.slice(0, HEAD_BYTES).arrayBuffer();
    let written: Written = {};
    try {
      // A picture without a position is none the worse for its time.
      written = {
        ...((await exifr.parse(head, { pick: WANTED, reviveValues: false })) ?? {}),
        ...((await exifr.gps(head).catch(() => undefined)) ?? {}),
      };
    } catch {
      // It says nothing, which is told of it by name.
    }
    out.push(factsOf(f.name, written));
  }
  return out;
}

const STAMP = /^(\d{4})[:-](\d{2})[:-](\d{2})[ T](\d{2}):(\d{2})/;

/** Time by the satellites first, then by a clock with its zone, then by a clock alone. */
export function factsOf(name: string, w: Written): PhotoFacts {
  const place = Number.isFinite(w.latitude) && Number.isFinite(w.longitude) && !(w.latitude === 0 && w.longitude === 0);
  const stamp = STAMP.exec(w.DateTimeOriginal ?? w.CreateDate ?? '');
  const wall = stamp ? `${stamp[1]}-${stamp[2]}-${stamp[3]} ${stamp[4]}:${stamp[5]}` : null;
  const zoned =
    wall && /^[+-]\d{2}:\d{2}$/.test(w.OffsetTimeOriginal ?? '')
      ? Date.parse(`${wall.replace(' ', 'T')}:00${w.OffsetTimeOriginal}`)
      : Number.NaN;
  const byStars = satellites(w);
  return {
    name,
    atMs: Number.isFinite(byStars) ? byStars : Number.isFinite(zoned) ? zoned : null,
    wall,
    lat: place ? (w.latitude as number) : null,
    lon: place ? (w.longitude as number) : null,
  };
}

function satellites({ GPSDateStamp: date, GPSTimeStamp: time }: Written): number {
  if (!date || !time) return Number.NaN;
  const [h = Number.NaN, min = Number.NaN] = typeof time === 'string' ? time.split(':').map(Number) : time;
  return Date.parse(`${date.replaceAll(':', '-')}T${String(h).padStart(2, '0')}:${String(min).padStart(2, '0')}:00Z`);
}
