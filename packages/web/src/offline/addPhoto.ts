// Photos from the deck are made small on the phone and kept there until the server has them.
import Compressor from 'compressorjs';
import { v7 } from 'uuid';
import { keepPhoto } from './store';

/** Longest side, px, and what is tried until a photo is small enough to send from a boat. */
const SIDE_PX = 1600;
const QUALITIES = [0.8, 0.65, 0.5, 0.35];
const MOST_BYTES = 450_000;

/** A JPEG of at most 1600 px and 450 kB, drawn anew, so that nothing is left of what the camera wrote beside it. */
async function shrunk(file: Blob): Promise<Blob> {
  let last: Blob | null = null;
  for (const quality of QUALITIES) {
    last = await new Promise<Blob>((resolve, reject) => {
      new Compressor(file, {
        quality,
        maxWidth: SIDE_PX,
        maxHeight: SIDE_PX,
        mimeType: 'image/jpeg',
        retainExif: false,
        strict: false,
        success: resolve,
        error: reject,
      });
    });
    if (last.size <= MOST_BYTES) return last;
  }
  throw new Error('This picture cannot be made small enough; take it again from further away.');
}

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  // In parts: a call takes only so many arguments.
  for (let i = 0; i < bytes.length; i += 32_768) text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
  return btoa(text);
}

/** Makes a photo small and keeps it on the phone; when this resolves it is there for good. Throws when it is no picture. */
export async function addPhoto(tripId: string, catchId: string | null, at: string, file: Blob): Promise<void> {
  const data = await base64Of(await shrunk(file));
  await keepPhoto({ photoId: v7(), tripId, catchId, at, data, state: 'on this phone', message: '' });
}
