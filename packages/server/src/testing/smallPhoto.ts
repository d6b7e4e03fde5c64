import jpeg from 'jpeg-js';

/** Made once: the encoder works out its tables anew each time, twenty milliseconds, and tests ask thousands of times. */
const SMALL = (() => {
  const [width, height] = [24, 16];
  const data = Buffer.alloc(width * height * 4);
  for (let i = 0; i < width * height; i++) data.set([(i % width) * 10, Math.floor(i / width) * 15, 90, 255], i * 4);
  return jpeg.encode({ width, height, data }, 80).data;
})();

/** A JPEG of 24 by 16 px with a slope of colours, encoded by jpeg-js. */
export const smallPhoto = (): Buffer => Buffer.from(SMALL);
