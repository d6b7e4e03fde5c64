import { describe, expect, it } from 'vitest';
import { fitPicture, type PicturePoint, placeOfPixel } from './fitPicture';
import { metresPerDegree } from './seaBed';
import { nth } from '../units/indexed';

const [LAT, LON] = [47.6, -35.2];
/** A picture with its corner at a place, a pixel of so many metres, turned clockwise. */
function taken(pixels: readonly (readonly [number, number])[], { pixelM = 0.5, turnedDeg = 0, tall = 1 } = {}): PicturePoint[] {
  const per = metresPerDegree(LAT);
  const a = (turnedDeg * Math.PI) / 180;
  return pixels.map(([xPx, yPx]) => {
    const [right, down] = [xPx * pixelM, yPx * pixelM * tall];
    return {
      xPx,
      yPx,
      lon: LON + (right * Math.cos(a) - down * Math.sin(a)) / per.lon,
      lat: LAT - (right * Math.sin(a) + down * Math.cos(a)) / per.lat,
    };
  });
}
const CORNERS = [
  [0, 0],
  [2000, 0],
  [2000, 1500],
  [0, 1500],
] as const;

describe('a picture from the air', () => {
  it.each([0, 30, 90, 200, 315])('turned by %s degrees lies where it was taken, by any three points of it', (turnedDeg) => {
    const all = taken([...CORNERS, [700, 400]], { turnedDeg });
    const { place, offM, pixelM } = fitPicture([all[0], all[2], all[4]].map((p, i) => p ?? nth(all, i)));
    expect(offM).toBeNull();
    expect(pixelM).toBeCloseTo(0.5, 3);
    for (const p of all) {
      const at = placeOfPixel(place, p.xPx, p.yPx);
      // Within a centimetre over a kilometre.
      expect(Math.abs(at.lat - p.lat) * 111_200).toBeLessThan(0.01);
      expect(Math.abs(at.lon - p.lon) * 75_000).toBeLessThan(0.01);
    }
  });
  it('says how far more points lie off, and by how much each pulls it', () => {
    const exact = taken(CORNERS);
    expect(fitPicture(exact).offM).toBeCloseTo(0, 4);
    // One corner of four is off by eight metres: a straight map takes up three quarters of it, two metres are left at each.
    const [first, ...rest] = exact as [PicturePoint, ...PicturePoint[]];
    const off = fitPicture([{ ...first, lat: first.lat + 8 / metresPerDegree(LAT).lat }, ...rest]);
    expect(off.offM).toBeCloseTo(2, 2);
  });
  it('needs three points that do not lie on one line', () => {
    expect(() => fitPicture(taken([[0, 0]]))).toThrow('three are needed, there is 1');
    expect(() =>
      fitPicture(
        taken([
          [0, 0],
          [9, 9],
        ]),
      ),
    ).toThrow('there are 2');
    expect(() =>
      fitPicture(
        taken([
          [0, 0],
          [500, 510],
          [1000, 1000],
        ]),
      ),
    ).toThrow('on one line');
    expect(() =>
      fitPicture(
        taken([
          [5, 5],
          [5, 5],
          [5, 5],
        ]),
      ),
    ).toThrow('on one line');
    expect(
      fitPicture(
        taken([
          [0, 0],
          [500, 700],
          [1000, 1000],
        ]),
      ).pixelM,
    ).toBeCloseTo(0.5, 3);
  });
  it('is refused where two points are exchanged, or one is far off', () => {
    const [a, b, c] = taken([
      [0, 0],
      [2000, 0],
      [0, 1500],
    ]) as [PicturePoint, PicturePoint, PicturePoint];
    expect(() => fitPicture([a, { ...b, lat: c.lat, lon: c.lon }, { ...c, lat: b.lat, lon: b.lon }])).toThrow('mirrored');
    expect(() => fitPicture([a, b, { ...c, lat: c.lat - 0.02 }])).toThrow(/stretched \d+\.\d times as long as wide/);
    expect(fitPicture(taken(CORNERS, { tall: 1.55, turnedDeg: 40 })).offM).toBeCloseTo(0, 4);
    expect(() => fitPicture(taken(CORNERS, { tall: 1.65, turnedDeg: 40 }))).toThrow('stretched 1.6 times');
  });
});
