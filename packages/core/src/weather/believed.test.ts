import { expect, test } from 'vitest';
import { MINUTE } from '../units/time';
import { believed, type Said } from './believed';

const stations = [
  { id: 'a', name: 'Ansgar Dam' },
  { id: 'b', name: 'Hollin Harbour' },
];
const said = (by: string, min: number, value: number, flag = 1): Said => ({ by, variable: 'airTempC', atMs: min * MINUTE, value, flag });
const tell = (...readings: Said[]) => {
  const { tracks, sources } = believed(readings, stations);
  return { value: tracks.get('airTempC')?.value, speaks: sources.airTempC };
};

test('of two stations the first by name speaks, and the other is not heard beside it', () => {
  expect(tell(said('b', 0, 9), said('a', 0, 10), said('b', 30, 9.1), said('a', 30, 10.1))).toEqual({
    value: [10, 10.1],
    speaks: 'Ansgar Dam',
  });
});

test('of two stations the one with fewer failed readings speaks', () => {
  expect(tell(said('a', 0, 99, 4), said('a', 60, 10), said('b', 0, 9), said('b', 60, 9.2))).toEqual({
    value: [9, 9.2],
    speaks: 'Hollin Harbour',
  });
});

test('a source that is not believed is heard where the believed one says nothing for an hour on either side, and not in a shorter gap', () => {
  expect(tell(said('a', 0, 10), said('b', 60, 5), said('a', 90, 10.2)).value).toEqual([10, 10.2]);
  expect(tell(said('a', 0, 10), said('b', 120, 5), said('a', 300, 10.2)).value).toEqual([10, 5, 10.2]);
});

test('stations speak before instruments, instruments before files', () => {
  expect(tell(said('import', 0, 7), said('instrument', 0, 8), said('b', 0, 9))).toEqual({ value: [9], speaks: 'Hollin Harbour' });
  expect(tell(said('import', 0, 7), said('instrument', 0, 8))).toEqual({ value: [8], speaks: 'instrument' });
});

test('what the crew read is always taken, also in the place of a station’s', () => {
  expect(tell(said('a', 0, 10), said('crew', 0, 11), said('crew', 10, 12), said('a', 20, 10.4)).value).toEqual([11, 12, 10.4]);
});

test('suspect and failed readings are not drawn, and give no name to who speaks', () => {
  expect(tell(said('a', 0, 10, 3), said('a', 30, 40, 4))).toEqual({ value: [], speaks: undefined });
});
