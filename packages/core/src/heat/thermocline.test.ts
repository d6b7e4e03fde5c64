import { describe, expect, it } from 'vitest';
import { deepWater, longestStretchM, thermoclineM } from './thermocline';

describe('a parted lake', () => {
  it('has its break where Hanna 1990 (from memory) puts it: 6.95 m on 1 km, 10.6 m on 10 km', () => {
    expect(thermoclineM(1000)).toBeCloseTo(6.95, 2);
    expect(thermoclineM(10_000)).toBeCloseTo(10.64, 2);
  });
  it('is cold below it: falling by a degree a metre or more to the 4 to 8 of the spring turnover', () => {
    // Two layers by hand: 17 on top, break at 6.95 m. Three metres below: between 8 (17 - 9) and 14 (17 - 3).
    const near = deepWater(17, 9.95, 1000);
    expect(near?.lowC).toBeCloseTo(8, 1);
    expect(near?.highC).toBeCloseTo(14, 1);
    expect(deepWater(17, 25, 1000)).toMatchObject({ lowC: 4, highC: 8 });
    expect(deepWater(17, 6.9, 1000)).toBeNull();
  });
  it('is not parted while it is cold on top', () => {
    expect(deepWater(10.9, 25, 1000)).toBeNull();
    expect(deepWater(11, 25, 1000)).not.toBeNull();
  });
  it('never has warmer water below than on top, nor a range turned round', () => {
    for (let top = 11; top < 28; top += 0.5)
      for (let z = 1; z < 60; z += 1.5) {
        const deep = deepWater(top, z, 3000);
        if (deep) expect(deep.lowC <= deep.highC && deep.highC <= top, `${top} ${z}`).toBe(true);
      }
  });
  it('takes the longest way through a place: north and south together', () => {
    const rose = new Array(36).fill(200);
    rose[0] = 900;
    rose[18] = 1100;
    rose[9] = 1500;
    expect(longestStretchM(rose)).toBe(2000);
  });
});
