import { randomUUID } from 'node:crypto';
import { startOfLocalDay } from '@bluffwind/core/units/time';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { inOutfit } from '../db/database';
import { type Harness, startHarness } from '../testing/harness';
import { tiredSpots } from './tiredSpots';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const ZONE = 'Etc/GMT+2';
const tired = (date = '2031-03-10', zone = ZONE) => {
  const [spot] = h.mine.spots;
  const spots = [{ id: spot?.id as string, name: 'Near stone' }];
  return inOutfit(h.source, h.mine.outfit.id, (e) => tiredSpots(e, spots, startOfLocalDay(date, zone), zone));
};
const stop = (at: string) =>
  h.owner.query('insert into stop (id, outfit_id, trip_id, spot_id, started_at) values ($1, $2, $3, $4, $5)', [
    randomUUID(),
    h.mine.outfit.id,
    h.mine.trips[0]?.id,
    h.mine.spots[0]?.id,
    at,
  ]);

test('a spot is tired that was fished on four of five local days; an evening is of its own day', async () => {
  // 23:00 of the 6th to the 8th, and twice on the 8th: three local days, though four by UTC.
  for (const at of ['2031-03-07T01:00Z', '2031-03-08T01:00Z', '2031-03-08T12:00Z', '2031-03-09T01:00Z']) await stop(at);
  expect(await tired()).toEqual([]);
  await stop('2031-03-11T01:30Z');
  expect(await tired()).toEqual([{ spotId: h.mine.spots[0]?.id, words: 'Near stone: fished 4 days of 5' }]);
  // Of the day after.
  await h.owner.query(`update stop set started_at = '2031-03-11T02:30Z' where started_at = '2031-03-11T01:30Z'`);
  expect(await tired()).toEqual([]);
});

test('the five days are those of the calendar where the clocks change between them', async () => {
  // Of the sixth day back, half an hour before midnight; clocks go forward an hour on 30 March.
  for (const at of ['2031-03-26T22:30Z', '2031-03-28T12:00Z', '2031-03-29T12:00Z', '2031-03-30T12:00Z']) await stop(at);
  expect(await tired('2031-03-31', 'Europe/Berlin')).toEqual([]);
  await stop('2031-03-31T12:00Z');
  expect(await tired('2031-03-31', 'Europe/Berlin')).toHaveLength(1);
});
