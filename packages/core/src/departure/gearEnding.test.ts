import { describe, expect, it } from 'vitest';
import { departureList } from './departureList';
import { endingWords, GEAR_WARN_DAYS, gearEnding } from './gearEnding';

const thing = (what: string, endsOn: string | null) => ({ what, endsOn });

describe('things aboard that end', () => {
  it('are told two months before, the first to end first, and those without an end never', () => {
    const gear = [thing('Raft', '2026-08-17'), thing('Anchor', null), thing('Flares', '2026-05-31'), thing('Extinguisher', '2026-08-18')];
    expect(GEAR_WARN_DAYS).toBe(60);
    expect(gearEnding(gear, '2026-06-18').map((g) => g.what)).toEqual(['Flares', 'Raft']);
    expect(gearEnding(gear, '2026-06-19').map((g) => g.what)).toEqual(['Flares', 'Raft', 'Extinguisher']);
  });
  it('say on which day, and today and tomorrow by their names', () => {
    const said = (endsOn: string | null) => endingWords(thing('Flares', endsOn), '2026-06-18');
    expect(said('2026-06-17')).toMatch(/^Flares, last day was /);
    expect(said('2026-06-18')).toBe('Flares, last day today');
    expect(said('2026-06-19')).toBe('Flares, last day tomorrow');
    expect(said('2026-06-20')).toMatch(/^Flares, last day (?!was)/);
    expect(said(null)).toBe('Flares');
  });
});

describe('a boat’s own lines of the list', () => {
  const usual = { afloat: true, children: 0, nonSwimmers: 0, dark: false, medical: false };
  it('stand before the talk, keep their key while they are worded alike, and what has ended is asked for', () => {
    const list = departureList({ ...usual, own: ['Sounder’s fuse aboard', 'Anchor shackle wired'], ended: ['Flares'] });
    expect(list.slice(-4)).toEqual([
      { key: 'ended Flares', what: 'Flares: its day has passed; put a new one aboard' },
      { key: 'own Sounder’s fuse aboard', what: 'Sounder’s fuse aboard' },
      { key: 'own Anchor shackle wired', what: 'Anchor shackle wired' },
      { key: 'talk', what: 'Client talk given' },
    ]);
  });
  it('are none where the boat has none', () => {
    expect(departureList({ ...usual, own: [], ended: [] })).toEqual(departureList(usual));
  });
});
