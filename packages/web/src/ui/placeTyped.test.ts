import { describe, expect, it } from 'vitest';
import { placeTyped, placeWords } from './placeTyped';

describe('a place that is typed', () => {
  const near = (text: string, lat: number, lon: number) => {
    const p = placeTyped(text);
    expect(p?.lat, text).toBeCloseTo(lat, 5);
    expect(p?.lon, text).toBeCloseTo(lon, 5);
  };
  it('is read as decimal degrees, or as degrees and minutes', () => {
    near('47.61, -35.2', 47.61, -35.2);
    near('47.61 -35.2', 47.61, -35.2);
    near('47.61;-35.2', 47.61, -35.2);
    near('47 36.6 N 35 12.0 W', 47.61, -35.2);
    near("47°36.6'N, 35°12.0'W", 47.61, -35.2);
    near('N 47 36 36, W 35 12 0', 47.61, -35.2);
  });
  it('is none where it cannot be one', () => {
    for (const text of ['', 'the harbour', '47.61', '97, 10', '47.61, 200', '47 66 N 35 12 W', '47 W, 35 N'])
      expect(placeTyped(text), text).toBeNull();
  });
  it('comes back as it was written', () => {
    expect(placeTyped(placeWords({ lat: -0.5, lon: 12.25 }))).toEqual({ lat: -0.5, lon: 12.25 });
  });
});
