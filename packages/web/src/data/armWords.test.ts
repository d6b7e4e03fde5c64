import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { US } from '@bluffwind/core/units/measure';
import { afterEach, describe, expect, it, vi } from 'vitest';

afterEach(() => vi.unstubAllGlobals());

/** What it says for somebody who reads in these units. */
async function readIn(units: object) {
  const kept = JSON.stringify({ ...USUAL_SETTINGS, units });
  vi.stubGlobal('localStorage', { getItem: () => kept, setItem: () => undefined });
  vi.resetModules();
  return import('./armWords');
}

describe('leaders of a trial', () => {
  it('are typed, kept and read in kilograms by who reads so', async () => {
    const { armTyped, armWords, leaderKept } = await readIn(USUAL_SETTINGS.units);
    expect(leaderKept(' 6,8 ')).toBe('6.8 kg');
    expect(armTyped('6.8 kg')).toBe('6.8');
    expect(armWords('6.8 kg')).toBe('6.8 kg');
    expect(armWords('9 kg')).toBe('9 kg');
  });
  it('are typed and read in pounds by who reads in pounds, and kept in kilograms', async () => {
    const { armTyped, armWords, leaderKept } = await readIn(US);
    // 1 lb is 0.45359237 kg by definition (International Yard and Pound, 1959).
    expect(leaderKept('15')).toBe('6.8 kg');
    expect(armTyped('6.8 kg')).toBe('15');
    expect(armWords('6.8 kg')).toMatch(/^15 lb$/);
    // What is taken up again and begun anew is the same leader.
    expect(leaderKept(armTyped('6.8 kg'))).toBe('6.8 kg');
  });
  it('may be words, which stay as they are', async () => {
    const { armTyped, armWords, leaderKept } = await readIn(US);
    for (const said of ['wire', '0', '-4', '2 x 7']) expect(leaderKept(said)).toBe(said);
    expect([armTyped('wire'), armWords('circle 4/0')]).toEqual(['wire', 'circle 4/0']);
  });
});
