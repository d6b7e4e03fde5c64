import { beforeEach, describe, expect, it, vi } from 'vitest';
import { noteWay, wayNotKept } from './wayNotKept';

const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  });
});
const points = [{ lat: 47.6, lon: -35.2, atMs: 1000 }];

describe('a part of a way that is in no entry yet', () => {
  it('is there again after the phone died, for its own trip and stop, until it was given away', () => {
    noteWay('t', 's', points);
    expect(wayNotKept('t')).toEqual({ stopId: 's', points });
    expect(wayNotKept('other')).toBeNull();
    noteWay('t', 's', []);
    expect(wayNotKept('t')).toBeNull();
  });
  it('that is damaged is none, and neither is one on a phone that keeps nothing', () => {
    for (const text of ['{', '[]', '{"stopId":"s","points":[]}', '{"stopId":"s","points":[{"lat":"x"}]}', '{"points":[]}']) {
      kept.set('way not kept t', text);
      expect(wayNotKept('t'), text).toBeNull();
    }
    vi.stubGlobal('localStorage', undefined);
    expect(() => noteWay('t', 's', points)).not.toThrow();
    expect(wayNotKept('t')).toBeNull();
  });
});
