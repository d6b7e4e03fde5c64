// Photos as cameras write them: made by jpeg-js and piexifjs, read by exifr.
import jpeg from 'jpeg-js';
// @ts-expect-error: the library has no types
import piexif from 'piexifjs';
import { describe, expect, it } from 'vitest';
import { factsOf, photoFacts } from './photoFacts';

const plain = jpeg.encode({ width: 8, height: 8, data: Buffer.alloc(8 * 8 * 4, 90) }, 80).data.toString('binary');
const file = (name: string, binary: string) => new File([Buffer.from(binary, 'binary')], name, { type: 'image/jpeg' });
const { ExifIFD, GPSIFD } = piexif as unknown as { ExifIFD: Record<string, number>; GPSIFD: Record<string, number> };
const taken = (exif: object, gps: object = {}) => piexif.insert(piexif.dump({ Exif: exif, GPS: gps } as never), `${plain}`);
const tag = (of: Record<string, number>, name: string) => of[name] as number;
const AT = { [tag(ExifIFD, 'DateTimeOriginal')]: '2026:06:18 09:41:30' };
const HERE = {
  [tag(GPSIFD, 'GPSLatitudeRef')]: 'N',
  [tag(GPSIFD, 'GPSLatitude')]: [
    [47, 1],
    [36, 1],
    [0, 1],
  ],
  [tag(GPSIFD, 'GPSLongitudeRef')]: 'W',
  [tag(GPSIFD, 'GPSLongitude')]: [
    [35, 1],
    [12, 1],
    [3600, 100],
  ],
};

describe('what a camera writes', () => {
  it('is the hour of its clock and the place, west and south below nothing', async () => {
    const [facts] = await photoFacts([file('a.jpg', taken(AT, HERE))]);
    expect(facts).toEqual({
      name: 'a.jpg',
      atMs: null,
      wall: '2026-06-18 09:41',
      lat: expect.closeTo(47.6, 9),
      lon: expect.closeTo(-35.21, 9),
    });
  });
  it('is the instant of the satellites, or of a clock whose zone is told', async () => {
    const stars = {
      ...HERE,
      [tag(GPSIFD, 'GPSDateStamp')]: '2026:06:18',
      [tag(GPSIFD, 'GPSTimeStamp')]: [
        [11, 1],
        [41, 1],
        [30, 1],
      ],
    };
    expect((await photoFacts([file('a.jpg', taken(AT, stars))]))[0]?.atMs).toBe(Date.UTC(2026, 5, 18, 11, 41));
    expect(factsOf('a.jpg', { DateTimeOriginal: '2026:06:18 09:41:30', OffsetTimeOriginal: '-02:00' }).atMs).toBe(
      Date.UTC(2026, 5, 18, 11, 41),
    );
    expect(factsOf('a.jpg', { DateTimeOriginal: '2026:06:18 09:41:30', OffsetTimeOriginal: 'local' })).toMatchObject({
      atMs: null,
      wall: '2026-06-18 09:41',
    });
  });
  it('is its hour without a place, or neither, and what is no picture says nothing', async () => {
    const facts = await photoFacts([file('a.jpg', taken(AT)), file('b.jpg', plain), file('c.jpg', 'hello'), file('d.jpg', '')]);
    expect(facts.map((f) => [f.wall, f.lat])).toEqual([
      ['2026-06-18 09:41', null],
      [null, null],
      [null, null],
      [null, null],
    ]);
  });
  it('is no place where a camera without a fix writes zeros', () => {
    expect(factsOf('a.jpg', { latitude: 0, longitude: 0 })).toMatchObject({ lat: null, lon: null });
    expect(factsOf('a.jpg', { latitude: Number.NaN, longitude: 3 })).toMatchObject({ lat: null, lon: null });
  });
});
