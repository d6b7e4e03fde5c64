// A trip as it is typed: days and clock times of the outfit's own zone.
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripEdit, TripView } from '@bluffwind/contract/trips';
import { type TripWords, typedWords } from '@bluffwind/contract/tripWords';
import { fromWallClock } from '@bluffwind/core/formats/localTime';
import { addDays, localDate, localTime } from '@bluffwind/core/units/time';

export interface TripDraft extends TripWords {
  readonly date: string;
  readonly from: string;
  readonly to: string;
  readonly waterId: string;
  readonly boatId: string;
  readonly captainId: string;
  readonly mateIds: readonly string[];
  readonly goal: string;
  readonly speciesIds: readonly string[];
  readonly rods: number | null;
  readonly skill: string;
  readonly clientIds: readonly string[];
}

/** A new trip on a day: the outfit's first boat, water and captain, or those of the trip before it. */
export function newDraft(outfit: OutfitView, date: string, myId: string, like?: TripView): TripDraft {
  const water = outfit.waters.find((w) => w.id === like?.water.id) ?? outfit.waters[0];
  const captains = outfit.crew.filter((p) => p.role !== 'mate');
  return {
    date,
    from: '07:00',
    to: '13:00',
    waterId: water?.id ?? '',
    boatId: like?.boat.id ?? outfit.boats[0]?.id ?? '',
    captainId: (captains.find((p) => p.id === myId) ?? captains[0])?.id ?? '',
    mateIds: [],
    goal: 'numbers',
    speciesIds: like && like.water.id === water?.id ? like.species.map((s) => s.id) : [],
    rods: 2,
    skill: '2',
    clientIds: [],
    ...typedWords(null),
    meeting: like?.meeting ?? '',
  };
}

/** A trip that is there, to be changed, or copied to another day. */
export function draftOf(t: TripView, zone: string): TripDraft {
  return {
    date: localDate(Date.parse(t.startsAt), zone),
    from: localTime(Date.parse(t.startsAt), zone),
    to: localTime(Date.parse(t.endsAt), zone),
    waterId: t.water.id,
    boatId: t.boat.id,
    captainId: t.captain.id,
    mateIds: t.mates.map((m) => m.id),
    goal: t.goal,
    speciesIds: t.species.map((s) => s.id),
    rods: t.rods,
    skill: String(t.skill),
    clientIds: t.guests.map((g) => g.id),
    ...typedWords(t),
  };
}

/** A clock time as people type it: 7, 7:30, 07.30, 7:30 pm. @returns HH:MM, or null. */
export function clockTyped(text: string): string | null {
  const m = /^\s*(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a|p)?\s*$/i.exec(text);
  if (!m) return null;
  const [hour, minute, half] = [Number(m[1]), Number(m[2] ?? 0), m[3]?.[0]?.toLowerCase()];
  if (minute > 59 || hour > 24 || (half !== undefined && (hour < 1 || hour > 12))) return null;
  const h = half === undefined ? hour : (hour % 12) + (half === 'p' ? 12 : 0);
  return h > 23 ? null : `${String(h).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}

/** Instants of a draft's hours; an end before the start is on the next morning. Null for the time that is none. */
export function hoursOf(draft: Pick<TripDraft, 'date' | 'from' | 'to'>, zone: string): { startsAt: string; endsAt: string } | null {
  const [from, to] = [clockTyped(draft.from), clockTyped(draft.to)];
  if (from === null || to === null) return null;
  const start = at(draft.date, from, zone);
  const end = at(to > from ? draft.date : addDays(draft.date, 1), to, zone);
  return { startsAt: new Date(start).toISOString(), endsAt: new Date(end).toISOString() };
}

/** An hour that a clock change leaves out is the one after it; of one that comes twice the first is meant. */
function at(date: string, time: string, zone: string): number {
  const wall = Date.parse(`${date}T${time}:00Z`);
  const one = fromWallClock(wall, zone);
  if (one.kind === 'one') return one.atMs;
  if (one.kind === 'twice') return one.firstMs;
  const next = fromWallClock(wall + 3_600_000, zone);
  return next.kind === 'one' ? next.atMs : wall;
}

/** A draft as it is sent. */
export function tripOf({ date, from, to, waterId: _, rods, skill, goal, ...rest }: TripDraft, zone: string): TripEdit {
  const hours = hoursOf({ date, from, to }, zone);
  return {
    ...rest,
    mateIds: [...rest.mateIds],
    speciesIds: [...rest.speciesIds],
    clientIds: [...rest.clientIds],
    startsAt: hours?.startsAt ?? '',
    endsAt: hours?.endsAt ?? '',
    goal: goal as TripEdit['goal'],
    rods: rods ?? 1,
    skill: Number(skill),
  };
}
