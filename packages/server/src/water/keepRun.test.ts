import { afterAll, beforeAll, expect, it } from 'vitest';
import { ForecastMemberEntity, StationEntity } from '../db/entities/water';
import { type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { keepRun, type Series } from './keepRun';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

it('keeps a run of more members than one statement takes, once', async () => {
  const station = await h.owner.manager.findOneByOrFail(StationEntity, { outfitId: h.mine.outfit.id });
  const series = Array.from(
    { length: 12_000 },
    (_, member): Series => ({ member, variable: 'windMps', at: [new Date(TEST_NOW)], value: [5] }),
  );
  expect(await keepRun(h.owner.manager, station, TEST_NOW, TEST_NOW, series)).toBe(true);
  expect(await keepRun(h.owner.manager, station, TEST_NOW, TEST_NOW, series)).toBe(false);
  expect(await h.owner.manager.countBy(ForecastMemberEntity, { outfitId: h.mine.outfit.id })).toBe(12_000);
});
