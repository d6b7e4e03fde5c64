import type { PastRow } from '@bluffwind/core/formats/pastTrips';
import { describe, expect, it } from 'vitest';
import { pastTripsToSend } from './pastTripsToSend';

const row = (more: Partial<PastRow>): PastRow => ({
  line: 2,
  date: '2025-06-01',
  fromMs: null,
  toMs: null,
  hours: null,
  spot: 'pier',
  bait: 'rag',
  species: 'bass',
  fish: 0,
  lengthMm: null,
  rods: null,
  atMs: null,
  ...more,
});
const known: Record<string, string> = { pier: 's1', bar: 's2', rag: 'b1', bass: 'f1' };
const of = (name: string) => known[name] ?? '';
const means = { spot: of, bait: of, species: of };

describe('past trips as they are sent', () => {
  it('are those whose names are all known; the others are counted', () => {
    const made = pastTripsToSend([row({ hours: 2 }), row({ spot: 'somewhere', hours: 2 })], means, { hours: '', rods: '2' }, 'UTC');
    expect(made).toMatchObject({ unmatched: 1, stops: 1, fish: 0, without: 0 });
    expect(made.trips[0]?.stops[0]).toMatchObject({ spotId: 's1', sets: [{ presentationId: 'b1', rods: 2, fish: [] }] });
  });
  it('need no species for a line without fish, and need one for a fish', () => {
    const rows = [row({ species: '', hours: 1 }), row({ spot: 'bar', species: 'unheard', fish: 1, hours: 1 })];
    expect(pastTripsToSend(rows, means, { hours: '', rods: '1' }, 'UTC')).toMatchObject({ stops: 1, unmatched: 1 });
  });
  it('begin at seven of the local day where no line says when, and last as long as is usual there', () => {
    const made = pastTripsToSend([row({})], means, { hours: '1,5', rods: '2' }, 'Etc/GMT+2');
    const stop = made.trips[0]?.stops[0];
    expect(new Date(stop?.fromMs ?? 0).toISOString()).toBe('2025-06-01T09:00:00.000Z');
    expect((stop?.toMs ?? 0) - (stop?.fromMs ?? 0)).toBe(1.5 * 3_600_000);
  });
  it.each(['', '0', '-3', 'long', '25'])('leave out a line without hours where "%s" is said to be usual', (hours) => {
    expect(pastTripsToSend([row({})], means, { hours, rods: '2' }, 'UTC')).toMatchObject({ without: 1, stops: 0 });
  });
  it('fish with one rod at least and twenty at most, whatever was typed', () => {
    const rods = (typed: string, of: number | null = null) =>
      pastTripsToSend([row({ hours: 1, rods: of })], means, { hours: '', rods: typed }, 'UTC').trips[0]?.stops[0]?.sets[0]?.rods;
    expect([rods(''), rods('none'), rods('0'), rods('3'), rods('400'), rods('2', 90)]).toEqual([1, 1, 1, 3, 20, 20]);
  });
});
