// A line that is fished under way: its length and ground from the chart, its passes from the drift or the towing speed.
import { describe, expect, it } from 'vitest';
import { metresPerDegree, type SeaBed } from '../ground/seaBed';
import { spotTrack } from '../ground/spotTrack';
import { driftSpeed } from './driftSpeed';
import { trackLeg, trackWords } from './trackLeg';

const m = metresPerDegree(47.5);
const at = (x: number, y: number): [number, number] => [-35.2 + x / m.lon, 47.5 + y / m.lat];
/** Depth grows eastward by 1 m each 100 m from a beach that dries at its west side; its northern strip is not sounded. */
const bed: SeaBed = {
  lat0: 47.5,
  lon0: -35.2,
  cellM: 50,
  columns: 41,
  rows: 41,
  openBeyond: false,
  depthM: Float64Array.from({ length: 41 * 41 }, (_, k) => (Math.floor(k / 41) > 30 ? Number.NaN : ((k % 41) * 50) / 100 - 1)),
};
const calm = { windMps: 0, windFromDeg: null, currentMps: 0, currentToDeg: null, tideM: 0 };
const boat = { windageM2: 6, hullM2: 2, draughtM: 0.5, anchorM: 0 };

describe('a spot drawn as a line', () => {
  it('is as long as its parts, leads from end to end, and has the chart under it', () => {
    const t = spotTrack(bed, [at(300, 500), at(700, 500), at(700, 800)]);
    expect(Math.abs(t.lengthM - 700)).toBeLessThanOrEqual(1);
    expect(Math.abs(t.bearingDeg - 53)).toBeLessThanOrEqual(1);
    expect(t.bedM[0]).toBeCloseTo(2, 1);
    expect(t.bedM.at(-1)).toBeCloseTo(6, 1);
    // The last 300 m run north: the depth stays.
    expect(t.bedM.slice(-17).every((d) => d !== null && Math.abs(d - 6) < 0.11)).toBe(true);
    expect(spotTrack(bed, [at(300, 1400), at(300, 1900)]).bedM.filter((d) => d === null).length).toBeGreaterThan(28);
    expect(() => spotTrack(bed, [at(0, 0)])).toThrow(/at least 2/);
  });
});

describe('a pass', () => {
  const east = spotTrack(bed, [at(400, 500), at(1000, 500)]);
  it('of boards or trolled baits takes the line at its towing speed, with a wide turn at its end', () => {
    const boards = trackLeg('boards', east, calm, boat);
    expect(boards?.passMin).toBeCloseTo(600 / 0.67 / 60, 1);
    expect(boards?.passesPerHour).toBeCloseTo(3600 / (600 / 0.67 + 150), 2);
    expect(trackLeg('troll', east, calm, boat)?.passesPerHour).toBeGreaterThan(boards?.passesPerHour ?? 99);
    expect(boards?.depthM).toEqual({ least: 3, middle: 6, most: 9 });
    expect(trackLeg('boards', east, { ...calm, tideM: 1.5 }, boat)?.depthM?.least).toBeCloseTo(4.5, 6);
  });
  it('of a drift goes at the speed of the drift, with the wind or against the drawn way, and back up under power', () => {
    for (const windFromDeg of [270, 90]) {
      const wind = { ...calm, windMps: 8, windFromDeg };
      const drift = trackLeg('drift', east, wind, boat);
      // 0.451961 m/s: the check value of the drift's closed form.
      expect(drift?.speedMps).toBeCloseTo(0.451961, 5);
      expect(drift?.across).toBe(false);
      expect(drift?.passMin).toBeCloseTo(600 / 0.451961 / 60, 1);
      expect(drift?.passesPerHour).toBeCloseTo(3600 / (600 / 0.451961 + 600 / 2.5 + 120), 2);
    }
    // At 30 degrees off the line what leads along it counts.
    const slant = trackLeg('drift', east, { ...calm, windMps: 8, windFromDeg: 240 }, boat);
    expect(slant?.passMin).toBeCloseTo(600 / (0.451961 * Math.cos(Math.PI / 6)) / 60, 1);
  });
  it('of a drift square to the line crosses it, in short passes', () => {
    const drift = trackLeg('drift', east, { ...calm, windMps: 8, windFromDeg: 0 }, boat);
    expect(drift).toMatchObject({ across: true, lengthM: 120 });
    expect(drift?.passMin).toBeCloseTo(120 / 0.451961 / 60, 1);
    expect(trackWords(drift as never).text).toMatch(/^Drift across it without a sea anchor/);
  });
  it('behind a sea anchor is as slow as the anchor makes it, and longer', () => {
    const wind = { ...calm, windMps: 8, windFromDeg: 270 };
    const slow = trackLeg('drift', east, wind, { ...boat, anchorM: 1.5 });
    const expected = driftSpeed({ ...wind, windFromDeg: 270, currentToDeg: 0, windageM2: 6, hullM2: 2, anchorDiameterM: 1.5 }).speedMps;
    expect(slow?.speedMps).toBe(expected);
    expect(slow?.passMin).toBeGreaterThan(trackLeg('drift', east, wind, boat)?.passMin ?? 0);
    expect(trackWords(slow as never).text).toContain('behind a sea anchor of {height 1.5}');
  });
  it('is no drift where nothing moves the boat, or nobody knows the wind', () => {
    expect(trackLeg('drift', east, calm, boat)).toBeNull();
    expect(trackLeg('drift', east, { ...calm, windMps: null }, boat)).toBeNull();
    expect(trackLeg('drift', east, { ...calm, currentMps: 0.4, currentToDeg: 90 }, boat)?.speedMps).toBeGreaterThan(0.1);
  });
  it('whose current nobody knows says that it is by the wind alone; on still water there is none to know', () => {
    const wind = { ...calm, windMps: 8, windFromDeg: 270, currentMps: null };
    expect(trackWords(trackLeg('drift', east, wind, boat) as never).mind).toBe('The current is not known: this is by the wind alone.');
    expect(trackWords(trackLeg('drift', east, { ...wind, stillWater: true }, boat) as never).mind).toBeNull();
  });
  it('over ground that dries or has too little water says so, and over what nobody has sounded too', () => {
    const beach = spotTrack(bed, [at(60, 500), at(400, 500)]);
    const low = trackLeg('troll', beach, calm, boat);
    expect(low?.tooShoal).toBeGreaterThan(0.3);
    expect(trackWords(low as never).mind).toMatch(/too little water under the keel/);
    expect(trackWords(trackLeg('troll', beach, { ...calm, tideM: 3 }, boat) as never).mind).toBeNull();
    const north = spotTrack(bed, [at(600, 1200), at(600, 1800)]);
    expect(trackWords(trackLeg('boards', north, calm, boat) as never).mind).toMatch(/nobody has sounded/);
    expect(trackWords(trackLeg('boards', spotTrack(bed, [at(600, 1700), at(900, 1700)]), calm, boat) as never).text).toContain(
      'nobody has sounded it',
    );
  });
});
