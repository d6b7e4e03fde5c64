// Pictures are made small before they are kept or sent, drawn anew, so that nothing is left of what the camera wrote beside them.
import Compressor from 'compressorjs';

/** How small a picture has to be: its longest side in px, its bytes, and the qualities that are tried from the best down. */
export interface SmallEnough {
  readonly sidePx: number;
  readonly mostBytes: number;
  readonly qualities: readonly number[];
}

/** A JPEG as small as asked. Throws when it is no picture, or cannot be made so small. */
export async function shrink(file: Blob, { sidePx, mostBytes, qualities }: SmallEnough): Promise<Blob> {
  for (const quality of qualities) {
    const small = await new Promise<Blob>((resolve, reject) => {
      new Compressor(file, {
        quality,
        maxWidth: sidePx,
        maxHeight: sidePx,
        mimeType: 'image/jpeg',
        retainExif: false,
        strict: false,
        success: resolve,
        error: reject,
      });
    });
    if (small.size <= mostBytes) return small;
  }
  throw new Error('This picture cannot be made small enough; choose another.');
}

/** Bytes as base64. */
export async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  // In parts: a call takes only so many arguments.
  for (let i = 0; i < bytes.length; i += 32_768) text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
  return btoa(text);
}
