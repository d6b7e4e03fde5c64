// Where each lane of the ribbon stands, what is drawn behind all of them and where the cursor's line is broken.
import { DAY, HOUR, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import type { LaneName, LaneSpec, OwnLane } from './laneProps';

/** Names and values stand at the left of the lanes; in the pocket each has a row of its own above its lane. */
export const LABELS = 146;
const POCKET_ROW = 34;
/** Pixels of the hours above the lanes. */
export const TOP = 24;

/** A lane in its place; top and height are those of what is drawn, pixels. */
export interface PlacedLane {
  readonly key: string;
  readonly name: LaneName | null;
  readonly own: OwnLane | null;
  readonly top: number;
  readonly height: number;
}

export interface Laid {
  readonly lanes: readonly PlacedLane[];
  /** Height of all, pixels. */
  readonly total: number;
  /** Pixels above a lane that its name and value take. */
  readonly row: number;
  /** How many lanes a person turns through; one or none where all are shown. */
  readonly inTurn: number;
  /** Whether the screen's own last lane is shown. */
  readonly ownShown: boolean;
  /** Where the line of the cursor is drawn: in the pocket it leaves the rows of names and values alone. */
  readonly segments: readonly (readonly [from: number, to: number])[];
}

interface Wanted {
  readonly specs: readonly LaneSpec[];
  /** Height of the screen's own last lane, pixels; null without one. */
  readonly ownHeight: number | null;
  readonly pocket: boolean;
  /** Lanes stand below each other; else a pocket shows one at a time. */
  readonly all: boolean;
  /** Which of the lanes in turn is shown, counted on without end; the screen's own comes first. */
  readonly turn: number;
}

/** Puts lanes below each other. */
export function layRibbon({ specs, ownHeight, pocket, all, turn }: Wanted): Laid {
  const row = pocket ? POCKET_ROW : 0;
  const every = specs.map((l) =>
    'render' in l ? { key: l.key, name: null, height: l.height, own: l } : { key: l[0], name: l[0], height: l[1], own: null },
  );
  const turning = pocket && !all;
  const named = every.filter((l) => l.name !== 'light');
  const ownFirst = ownHeight === null ? 0 : 1;
  const inTurn = named.length + ownFirst;
  const shownAt = (turn % Math.max(1, inTurn)) - ownFirst;
  const ownShown = ownHeight !== null && (!turning || shownAt < 0);
  let y = TOP;
  const lanes = every
    .filter((l) => !turning || l.name === 'light' || l === named[shownAt])
    .map((l) => {
      const top = y + (l.name === 'light' ? 0 : row);
      y = top + l.height;
      return { ...l, top };
    });
  const total = y + (ownShown ? ownHeight + row : 0);
  const broken: [number, number][] = [[18, TOP], ...lanes.map((l): [number, number] => [l.top, l.top + l.height])];
  if (y + row < total) broken.push([y + row, total]);
  return { lanes, total, row, inTurn: turning ? inTurn : 0, ownShown, segments: pocket ? broken : [[18, total]] };
}

/** Instants that a name of the hour stands at. */
export function hourTicks(from: number, to: number, zone: string, everyH: number): number[] {
  const start = startOfLocalDay(localDate(from, zone), zone);
  const out: number[] = [];
  for (let t = start; t < to; t += everyH * HOUR) if (t > from + HOUR / 2) out.push(t);
  return out;
}

/** Instants at which a local day begins; the first is no earlier than the span. */
export function dayStarts(from: number, to: number, zone: string): number[] {
  const out: number[] = [];
  for (let t = startOfLocalDay(localDate(from, zone), zone); t < to; t = startOfLocalDay(localDate(t + 1.5 * DAY, zone), zone))
    out.push(Math.max(t, from));
  return out;
}
