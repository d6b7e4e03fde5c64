// A day's trips as bars in lanes, one lane for each boat or each captain.
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { localDate, localTime } from '@bluffwind/core/units/time';

export type LaneKind = 'boat' | 'captain';

export interface Bar {
  readonly trip: TripView;
  /** Minutes after midnight, cut at the day's ends. */
  readonly fromMin: number;
  readonly toMin: number;
  /** False where the trip was cut at midnight: its hours are not those of its bar. */
  readonly whole: boolean;
  /** Row within its lane: trips that overlap stand below one another. */
  readonly row: number;
}

export interface Lane {
  readonly id: string;
  readonly name: string;
  readonly bars: readonly Bar[];
  readonly rows: number;
}

const DAY_MIN = 24 * 60;
/** A trip is moved by steps of so many minutes. */
export const STEP_MIN = 15;

const minutes = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
export const clockOf = (min: number) => `${String(Math.floor(min / 60)).padStart(2, '0')}:${String(min % 60).padStart(2, '0')}`;

/** Lanes of a day, boats or captains with nothing to do too; whoever is out of use stands last while he has a trip. */
export function lanesOf(
  outfit: Pick<OutfitView, 'boats' | 'crew'>,
  trips: readonly TripView[],
  { date, zone, by }: { readonly date: string; readonly zone: string; readonly by: LaneKind },
): Lane[] {
  const on = trips
    .filter((t) => localDate(Date.parse(t.startsAt), zone) <= date && localDate(Date.parse(t.endsAt) - 1, zone) >= date)
    .sort((a, b) => a.startsAt.localeCompare(b.startsAt));
  const whose = (t: TripView) => (by === 'boat' ? t.boat : t.captain);
  const all = [...(by === 'boat' ? outfit.boats : outfit.crew.filter((p) => p.role !== 'mate')), ...on.map(whose)];
  return all
    .filter((x, i) => all.findIndex((y) => y.id === x.id) === i)
    .map(({ id, name }) => {
      const bars: Bar[] = [];
      for (const trip of on.filter((t) => whose(t).id === id)) {
        const [starts, ends] = [Date.parse(trip.startsAt), Date.parse(trip.endsAt)];
        const fromMin = localDate(starts, zone) < date ? 0 : minutes(localTime(starts, zone));
        const toMin = localDate(ends, zone) > date ? DAY_MIN : minutes(localTime(ends, zone));
        const whole = localDate(starts, zone) === date && localDate(ends - 1, zone) === date;
        let row = 0;
        while (bars.some((b) => b.row === row && b.toMin > fromMin)) row++;
        bars.push({ trip, fromMin, toMin, whole, row });
      }
      return { id, name, bars, rows: Math.max(1, ...bars.map((b) => b.row + 1)) };
    });
}

/** First and last hour that a day shows: six to eight in the evening, and an hour round every trip. */
export function hoursShown(lanes: readonly Lane[]): { readonly from: number; readonly to: number } {
  const bars = lanes.flatMap((l) => l.bars);
  const from = Math.min(6, ...bars.map((b) => Math.floor(b.fromMin / 60) - 1));
  const to = Math.max(20, ...bars.map((b) => Math.ceil(b.toMin / 60) + 1));
  return { from: Math.max(0, from), to: Math.min(24, to) };
}

/** Clock times of a trip that is moved by some minutes; null where it would leave its day, or is in two. */
export function movedTo(bar: Pick<Bar, 'fromMin' | 'toMin' | 'whole'>, byMin: number): { from: string; to: string } | null {
  const step = Math.round(byMin / STEP_MIN) * STEP_MIN;
  const [from, to] = [bar.fromMin + step, bar.toMin + step];
  return !bar.whole || from < 0 || to >= DAY_MIN ? null : { from: clockOf(from), to: clockOf(to) };
}
