import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';

// The map library itself needs a browser; what is tested here does not.
vi.mock('ol/layer/Image', () => ({ default: class {} }));
vi.mock('ol/source/ImageCanvas', () => ({ default: class {} }));
vi.mock('ol/proj', () => ({ fromLonLat: (p: number[]) => p }));
vi.mock('ol/style', () => ({ Fill: class {}, Stroke: class {}, Style: class {}, Text: class {} }));
const { Room, shoalest } = await import('./soundingsLayer');

describe('figures of soundings', () => {
  it('show the shoalest of each cell, the one that a keel meets first', () => {
    const x = [1, 2, 3, 101];
    const y = [1, 2, 3, 1];
    expect(shoalest(x, y, [5, 2, 9, 7], { west: 0, south: 0, east: 200, north: 200 }, 100).sort()).toEqual([1, 3]);
  });
  it('leave out what lies beyond the picture', () => {
    expect(shoalest([-5, 5], [5, 5], [1, 2], { west: 0, south: 0, east: 10, north: 10 }, 100)).toEqual([1]);
  });
  it('never touch, wherever they are', () => {
    const at = fc.tuple(fc.double({ min: 0, max: 400, noNaN: true }), fc.double({ min: 0, max: 300, noNaN: true }));
    fc.assert(
      fc.property(fc.array(at, { maxLength: 120 }), (points) => {
        const room = new Room(30, 15);
        const drawn = points.filter(([x, y]) => room.take(x, y));
        drawn.forEach(([x, y], i) => {
          for (const [px, py] of drawn.slice(i + 1)) expect(Math.abs(px - x) >= 30 || Math.abs(py - y) >= 15).toBe(true);
        });
        if (points.length > 0) expect(drawn.length).toBeGreaterThan(0);
      }),
    );
  });
});
