import type { ReadingKind } from '@bluffwind/core/formats/readingFile';
import type { ReadingsRead } from '@bluffwind/core/formats/readingsCsv';
import { DAY } from '@bluffwind/core/units/time';
import { variableWords } from '@bluffwind/core/weather/variables';
import { serverNow } from '../data/clock';
import { clock, dayName } from '../ui/format';
import { FileFault, RefusedList } from './RefusedList';

/** Readings that one file may hold. */
export const MOST_READINGS = 200_000;

/** What was read of a file: how much of what, from when to when, and what was refused. */
export function ReadingsFound({ read, kind, zone }: { read: ReadingsRead; kind: ReadingKind; zone: string }) {
  const n = read.readings.length;
  const variables = [...new Set(read.readings.map((r) => r.variable))];
  const [from, to] = read.readings.reduce(([a, b], r) => [Math.min(a, r.atMs), Math.max(b, r.atMs)], [Number.POSITIVE_INFINITY, 0]);
  const ahead = read.readings.filter((r) => r.atMs > serverNow()).length;
  return (
    <>
      {n > 0 && (
        <p data-preview>
          <span className="num">{n}</span> readings of {variables.map((v) => variableWords(v)).join(', ')}, from {dayName(from, zone)}{' '}
          {clock(from, zone)} to {dayName(to, zone)} {clock(to, zone)}
          {ahead > 0 && kind !== 'forecast' ? `; ${ahead} of them lie ahead and are taken as a forecast` : ''}
          {(to - from) / DAY > 400 ? ' (over a year: check the date order)' : ''}.
        </p>
      )}
      {n === 0 && <FileFault fault="The file gives no readings." remedy="Choose a time column and at least one value." />}
      {n > MOST_READINGS && (
        <FileFault fault={`It holds more than ${MOST_READINGS} readings.`} remedy="Split it by month and import the parts." />
      )}
      <RefusedList refused={read.refused} />
    </>
  );
}
