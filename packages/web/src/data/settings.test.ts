import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { US } from '@bluffwind/core/units/measure';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

let kept: Map<string, string>;
beforeEach(() => {
  kept = new Map();
  vi.stubGlobal('localStorage', { getItem: (k: string) => kept.get(k) ?? null, setItem: (k: string, v: string) => void kept.set(k, v) });
});
afterEach(() => vi.unstubAllGlobals());

async function fresh() {
  vi.resetModules();
  return import('./settings');
}

describe('what this device knows of a person’s settings', () => {
  it('is usual at first, and draws anew only for what is other than it was shown', async () => {
    const { learnSettings, mySettings } = await fresh();
    expect(mySettings()).toEqual(USUAL_SETTINGS);
    expect(learnSettings(USUAL_SETTINGS)).toBe(false);
    expect(learnSettings({ ...USUAL_SETTINGS, units: US })).toBe(true);
    expect(learnSettings({ ...USUAL_SETTINGS, units: US, keys: false })).toBe(false);
    expect(mySettings().keys).toBe(false);
    expect(learnSettings({ ...USUAL_SETTINGS, units: Object.fromEntries(Object.entries(US).reverse()) as unknown as typeof US })).toBe(
      false,
    );
  });
  it('is there at the next start, without asking', async () => {
    (await fresh()).learnSettings({ ...USUAL_SETTINGS, units: US, keys: false });
    const again = await fresh();
    expect(again.mySettings()).toEqual({ ...USUAL_SETTINGS, units: US, keys: false });
    expect(again.learnSettings({ ...USUAL_SETTINGS, units: US, keys: false })).toBe(false);
  });
  it.each(['', '{', '[]', '7', '{"units":{"depth":"ells","speed":7}}', '{"mail":7,"push":{"brief":"yes"}}'])(
    'is usual where what is kept is no setting: %s',
    async (text) => {
      kept.set('settings', text);
      expect((await fresh()).mySettings()).toEqual(USUAL_SETTINGS);
    },
  );
  it('never loads the page for ever where nothing can be kept', async () => {
    vi.stubGlobal('localStorage', {
      getItem: () => null,
      setItem: () => {
        throw new Error('full');
      },
    });
    const { learnSettings, mySettings } = await fresh();
    expect(learnSettings({ ...USUAL_SETTINGS, units: US })).toBe(false);
    expect(mySettings().units).toEqual(US);
  });
});
