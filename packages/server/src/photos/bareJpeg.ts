// A JPEG (ITU-T T.81) without what a camera writes beside the picture: place, time, device, previews, text, and bytes after its end.
import { Problem } from '../errors';

const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const COM = 0xfe;
/** JFIF's own header; all other application segments may tell where and when. */
const APP0 = 0xe0;
const APP15 = 0xef;
/** Longest side, px. */
const MOST_PX = 4096;

const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
const standsAlone = (marker: number) => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd7);

/** @param field - Where it came in. @returns The same picture with no segment but those that draw it. Throws Problem when it is no whole JPEG. */
export function bareJpeg(bytes: Uint8Array, field = 'data'): Buffer {
  try {
    return bared(bytes);
  } catch (e) {
    if (!(e instanceof NoPhoto)) throw e;
    const says = `${field}: not a photo that can be kept: ${e.message}; take it again or choose another`;
    throw new Problem('invalid', says, [{ field, message: e.message }]);
  }
}

class NoPhoto extends Error {}

function bared(bytes: Uint8Array): Buffer {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) throw noPhoto('it is no JPEG');
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let at = 2;
  let framed = false;
  for (;;) {
    if (bytes[at] !== 0xff) throw noPhoto('it is cut off or broken');
    // Any number of fill bytes may stand before a marker.
    while (bytes[at + 1] === 0xff) at++;
    const marker = bytes[at + 1];
    if (marker === undefined) throw noPhoto('it ends too early');
    if (marker === EOI) {
      if (!framed) throw noPhoto('it holds no picture');
      kept.push(Uint8Array.of(0xff, EOI));
      return Buffer.concat(kept);
    }
    if (standsAlone(marker)) {
      kept.push(bytes.subarray(at, at + 2));
      at += 2;
      continue;
    }
    const length = (at + 3 < bytes.length ? ((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number) : 0) + 2;
    if (length < 4 || at + length > bytes.length) throw noPhoto('it ends too early');
    if (isFrame(marker)) {
      const [high, wide] = [word(bytes, at + 5), word(bytes, at + 7)];
      if (high === 0 || wide === 0 || Math.max(high, wide) > MOST_PX) throw noPhoto(`it is larger than ${MOST_PX} px`);
      framed = true;
    }
    const end = marker === SOS ? endOfScan(bytes, at + length) : at + length;
    const told = marker === COM || (marker > APP0 && marker <= APP15);
    if (!told) kept.push(bytes.subarray(at, end));
    at = end;
  }
}

const word = (bytes: Uint8Array, at: number) => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);

/** Where the next marker stands: in a scan 0xff is followed by 0 or a restart marker. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let i = from; i + 1 < bytes.length; i++) {
    const next = bytes[i + 1] as number;
    if (bytes[i] === 0xff && next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return i;
  }
  throw noPhoto('it ends too early');
}

const noPhoto = (why: string) => new NoPhoto(why);
