import { z } from 'zod';
import { id } from './ids';
import { PICTURE_BYTES } from './pictureLimits';

/** Degrees of a pixel: at the corner, more per pixel to the right, more per pixel down. */
const line = z.tuple([z.number(), z.number(), z.number()]);

const picture = z.object({
  id,
  name: z.string().trim().min(1, 'needed').max(80),
  widthPx: z.int().min(8).max(4096),
  heightPx: z.int().min(8).max(4096),
  lon: line,
  lat: line,
});

/** A picture from the air that lies under the chart. */
export const pictureView = picture;
export type PictureView = z.infer<typeof pictureView>;

/** One to be kept, as the bytes of a JPEG in base64. */
export const newPicture = picture
  .extend({
    data: z
      .base64()
      .min(100)
      .max(Math.ceil(PICTURE_BYTES / 3) * 4, 'the picture is too large'),
  })
  .strict();
export type NewPicture = z.infer<typeof newPicture>;

export const pictureData = z.object({ data: z.string() });
