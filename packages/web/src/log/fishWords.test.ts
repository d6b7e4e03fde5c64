import type { LoggedFish } from '@bluffwind/contract/logEntry';
import { describe, expect, it } from 'vitest';
import { changedOf } from './FishForm';
import { fishLine, wordOf } from './fishWords';

const names = { species: (id: string) => (id === 's' ? 'European sea bass' : '?'), guest: () => 'Ottoline Pell' };
const fish = (more: Partial<LoggedFish> = {}): LoggedFish => ({
  id: 'f',
  at: '2026-06-18T08:00:00.000Z',
  outcome: 'landed',
  speciesId: 's',
  clientId: null,
  lengthMm: 462,
  lengthKind: 'total',
  kept: false,
  more: {},
  photos: 0,
  words: [],
  ...more,
});

describe('a fish of the log in a line', () => {
  it('says its size, its fate, whose it was, what was told of it and its photos', () => {
    expect(fishLine(fish(), names)).toBe('European sea bass 46 cm, released');
    expect(fishLine(fish({ lengthMm: null, kept: true, clientId: 'g', more: { depthM: 12, hook: 'deep' }, photos: 2 }), names)).toBe(
      'European sea bass, not measured, kept, Ottoline Pell, depth it took at: 12.0 m, hook: deep, 2 photos',
    );
    expect(fishLine(fish({ outcome: 'lost', speciesId: null, lengthMm: null }), names)).toBe('lost');
  });
  it('tells each word by its trade name, and that something was taken back', () => {
    expect(wordOf({ field: 'lengthMm', value: null }, names)).toBe('length: not measured');
    expect(wordOf({ field: 'kept', value: true }, names)).toBe('fate: kept');
    expect(wordOf({ field: 'weightG', value: 2400 }, names)).toBe('weight: 2.4 kg');
    expect(wordOf({ field: 'speciesId', value: 's' }, names)).toBe('fish: European sea bass');
    expect(wordOf({ field: 'note', value: null }, names)).toBe('note: nothing');
  });
});

describe('what is said of a fish that is put right', () => {
  const before = { speciesId: 's', clientId: '', lengthMm: 460, kept: 'released', note: '' };
  it('is what was changed, and nothing when nothing was', () => {
    expect(changedOf(before, { ...before })).toEqual({});
    expect(changedOf(before, { ...before, lengthMm: 471.4, kept: 'kept' })).toEqual({ lengthMm: 471, kept: true });
  });
  it('takes an angler, a length and a note away with nothing in their place', () => {
    const told = changedOf({ ...before, clientId: 'g', note: 'x' }, { ...before, lengthMm: null });
    expect(told).toEqual({ clientId: null, lengthMm: null, note: null });
  });
});
