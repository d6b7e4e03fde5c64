// A photo told of by libraries that had no part in stripping it: jpeg-js draws it, piexifjs writes and exifr reads what a camera adds.
import exifr from 'exifr';
import jpeg from 'jpeg-js';
// @ts-expect-error: the library has no types
import piexif from 'piexifjs';
import { describe, expect, it } from 'vitest';
import { smallPhoto } from '../testing/smallPhoto';
import { bareJpeg } from './bareJpeg';

/** The photo as a camera writes it: where, when, by whom, with a preview and a note. */
function withTraces(photo: Buffer): Buffer {
  const exif = {
    '0th': { [piexif.ImageIFD.Make]: 'Camera works', [piexif.ImageIFD.Artist]: 'Somebody' },
    Exif: { [piexif.ExifIFD.DateTimeOriginal]: '2026:06:19 08:40:00' },
    GPS: {
      [piexif.GPSIFD.GPSLatitudeRef]: 'N',
      [piexif.GPSIFD.GPSLatitude]: [
        [47, 1],
        [35, 1],
        [42, 1],
      ],
      [piexif.GPSIFD.GPSLongitudeRef]: 'W',
      [piexif.GPSIFD.GPSLongitude]: [
        [35, 1],
        [14, 1],
        [11, 1],
      ],
    },
  };
  const told = Buffer.from(piexif.insert(piexif.dump(exif), photo.toString('latin1')), 'latin1');
  const comment = Buffer.concat([Buffer.from([0xff, 0xfe, 0, 18]), Buffer.from('at the old pier\0')]);
  const xmp = Buffer.from('http://ns.adobe.com/xap/1.0/\0<x:xmpmeta>47.595</x:xmpmeta>');
  const app1 = Buffer.concat([Buffer.from([0xff, 0xe1, 0, xmp.length + 2]), xmp]);
  return Buffer.concat([told.subarray(0, 2), app1, comment, told.subarray(2), Buffer.from('a film after the picture 47.595')]);
}

describe('a photo', () => {
  it('keeps every pixel and loses place, time, names, notes and what follows it', async () => {
    const shot = withTraces(smallPhoto());
    expect(await exifr.gps(shot)).toMatchObject({ latitude: expect.closeTo(47.595, 3), longitude: expect.closeTo(-35.236, 3) });
    const bare = bareJpeg(shot);
    expect(await exifr.parse(bare).catch(() => undefined)).toBeUndefined();
    expect(await exifr.gps(bare).catch(() => undefined)).toBeUndefined();
    for (const trace of ['Exif', '47.595', 'old pier', 'Camera works', 'Somebody', '2026', 'film'])
      expect(bare.includes(trace), trace).toBe(false);
    expect(Buffer.compare(jpeg.decode(bare).data, jpeg.decode(smallPhoto()).data)).toBe(0);
    expect(bareJpeg(bare)).toEqual(bare);
  });
  it.each([
    ['text', Buffer.from('x'.repeat(300)), /no JPEG/],
    ['a PNG', Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, ...Array(200).fill(0)]), /no JPEG/],
    ['one that is cut off', smallPhoto().subarray(0, 400), /ends too early|cut off/],
    ['a start and an end', Buffer.from([0xff, 0xd8, 0xff, 0xd9]), /holds no picture/],
    ['a segment that is longer than the file', Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff, 1, 2, 3]), /ends too early/],
  ])('that is %s is refused', (_, bytes, why) => {
    expect(() => bareJpeg(bytes)).toThrow(why);
  });
  it('is refused or bare, whatever bytes are changed', () => {
    const shot = withTraces(smallPhoto());
    for (let i = 0; i < shot.length; i += 3) {
      const broken = Buffer.from(shot);
      broken[i] = (broken[i] as number) ^ 0xff;
      try {
        const bare = bareJpeg(broken);
        expect(bare.length).toBeLessThanOrEqual(broken.length + 2);
      } catch (problem) {
        expect(problem).toMatchObject({ code: 'invalid' });
      }
    }
  });
});
