import { describe, expect, it } from 'vitest';
import { castsRead, castsWritten, plotOf, soundingsOf } from './countedCasts';

const HERE = { lat: 0, lon: 0 };

describe('casts counted down', () => {
  it('are the same after they were written down and read', () => {
    const casts = [
      { bearingDeg: 20, distanceM: 40, seconds: 2.1 },
      { bearingDeg: 350, distanceM: 12.5, seconds: 7 },
    ];
    expect(castsRead(castsWritten(casts))).toEqual(casts);
  });
  it('read what is no figure as nothing, which is then refused by number', () => {
    expect(castsRead('x~40~2')).toEqual([{ bearingDeg: 0, distanceM: 40, seconds: 2 }]);
    expect(soundingsOf(2, HERE, castsRead('10~40~2;10~~2'))).toMatch(/^cast 2: distance/);
    expect(soundingsOf(2, HERE, castsRead('10~40~'))).toMatch(/^cast 1: count/);
    expect(castsRead(Array(900).fill('1~2~3').join(';'))).toHaveLength(200);
  });
  it('sound what a bomb falls through in the time, where it fell', () => {
    const found = soundingsOf(2, HERE, [{ bearingDeg: 90, distanceM: 111.32, seconds: 3 }]);
    if (typeof found === 'string') throw new Error(found);
    expect(found[0]?.depthM).toBeCloseTo(6, 9);
    // A thousandth of a degree along the equator is 111.32 m (WGS 84, 6,378,137 m).
    expect(found[0]?.lon).toBeCloseTo(0.001, 5);
    expect(found[0]?.lat).toBeCloseTo(0, 9);
  });
  it('are drawn round whoever stands there, north up, all within the picture', () => {
    const plot = plotOf(castsRead('0~40~2;90~80~2;180~20~2'), [4, 4, 4]);
    const [you, north, east, south] = plot.marks;
    expect(north?.y).toBeLessThan(you?.y ?? 0);
    expect(north?.x).toBeCloseTo(you?.x ?? 0, 6);
    expect(east?.x).toBeGreaterThan(you?.x ?? 0);
    expect(south?.y).toBeGreaterThan(you?.y ?? 0);
    for (const m of plot.marks) expect(Math.max(m.x, m.y)).toBeLessThan(plot.widthM);
  });
});
