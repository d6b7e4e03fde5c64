import { z } from 'zod';
import { id, instant } from './ids';

/** Longest photo as it leaves the phone, bytes. */
export const PHOTO_BYTES = 500_000;

/** A photo from the deck, as the bytes of a JPEG in base64. */
export const newPhoto = z
  .object({
    id,
    /** The fish that it shows; null for one of the day. */
    catchId: id.nullable(),
    at: instant,
    data: z
      .base64()
      .min(100)
      .max(Math.ceil(PHOTO_BYTES / 3) * 4),
  })
  .strict();

export const photoList = z.object({
  photos: z.array(z.object({ id, catchId: id.nullable(), at: instant, bytes: z.int() })),
});
export type PhotoList = z.infer<typeof photoList>;

export const photoView = z.object({ id, data: z.string() });
