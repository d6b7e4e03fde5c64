import { z } from 'zod';
import { date, id, instant } from './ids';
import { typedPartyFigures } from './partyFigures';
import { party } from './risk';
import { type SeenWords, TRIP_WORD_NAMES, TRIP_WORDS, type TripWordName, tripWord } from './tripWords';

export const goal = z.enum(['numbers', 'size', 'table', 'learn']);
export const tripStatus = z.enum(['planned', 'under way', 'done', 'cancelled']);

const typedWords = Object.fromEntries(TRIP_WORD_NAMES.map((n) => [n, z.string().trim().max(TRIP_WORDS[n].most).default('')])) as Record<
  TripWordName,
  z.ZodDefault<z.ZodString>
>;
type Seen = { [K in TripWordName]: null extends SeenWords[K] ? z.ZodNullable<z.ZodString> : z.ZodString };
const seenWords = Object.fromEntries(TRIP_WORD_NAMES.map((n) => [n, tripWord(n).captains ? z.string().nullable() : z.string()])) as Seen;

export const newTrip = z
  .object({
    id,
    boatId: id,
    captainId: id,
    waterId: id,
    startsAt: instant,
    endsAt: instant,
    goal,
    speciesIds: z.array(id).min(1, 'name at least one species').max(30),
    /** Weight of each species' fish in the trip's goal; 1 where absent. */
    speciesWeights: z.record(z.string(), z.number().min(0.05).max(10)).default({}),
    rods: z.int().min(1).max(20),
    skill: z.int().min(1).max(3),
    clientIds: z.array(id).max(20),
    /** Mates aboard; left out, they stay as they are. */
    mateIds: z.array(id).max(20).optional(),
    ...typedWords,
    /** What the calendar calls it that its booking came from: it comes in once. */
    booking: z.string().max(400).nullable().default(null),
  })
  .strict();

export type NewTrip = z.infer<typeof newTrip>;

/** A trip as it is changed: its water stays, since plans and stops lie there. */
export const tripEdit = newTrip.omit({ id: true, waterId: true, booking: true });
export type TripEdit = z.input<typeof tripEdit>;

export const tripCancel = z.object({ reason: z.string().trim().min(1, 'say why, in a word').max(200) }).strict();

/** An address that a calendar of bookings can be fetched from. */
export const bookingsAt = z.object({ url: z.url().max(500) }).strict();
/** That calendar's own text (RFC 5545). */
export const bookingsText = z.object({ text: z.string() });

/** Trips of some days, for the calendar. */
export const tripSpan = z.object({ from: date, to: date });

const guest = z.object({ id, name: z.string(), child: z.boolean(), note: z.string(), medicalNote: z.string().nullable() });

export const tripView = z.object({
  id,
  boat: z.object({ id, name: z.string(), windLimitMps: z.number().nullable() }),
  captain: z.object({ id, name: z.string() }),
  /** Mates aboard. */
  mates: z.array(z.object({ id, name: z.string() })),
  water: z.object({ id, name: z.string() }),
  startsAt: instant,
  endsAt: instant,
  goal,
  rods: z.int(),
  skill: z.int(),
  ...seenWords,
  cancelReason: z.string(),
  booking: z.string().nullable(),
  status: tripStatus,
  /** Who is aboard, as far as limits go. */
  party,
  guests: z.array(guest),
  species: z.array(z.object({ id, name: z.string() })),
  plan: z
    .object({ version: z.int(), expected: z.number(), lo80: z.number(), hi80: z.number(), madeAt: instant, stale: z.boolean() })
    .nullable(),
});
export type TripView = z.infer<typeof tripView>;

/** What planning has to respect of a party. */
export const tripFit = z
  .object({
    ...typedPartyFigures,
    /** Hardest footing that the party manages: 1 from the boat, 2 sure feet, 3 a climb. Left out, it stays as it is. */
    footing: z.int().min(1).max(3).optional(),
    /** Share of the boat's limits that holds for children, first-timers and people who do not swim. Left out, it stays as it is. */
    limitShare: z.number().min(0.3, 'expected 0.3 to 1').max(1, 'expected 0.3 to 1').optional(),
    breaks: z.array(z.object({ name: z.string().trim().min(1).max(40), from: instant, to: instant }).strict()).max(6),
    aboard: z.array(id).min(1, 'at least one presentation must be aboard').max(200).nullable(),
    /** Weight of a fish of each of the trip's species; those left out stay as they are. */
    speciesWeights: z.record(id, z.number().min(0.05, 'expected 0.05 to 10').max(10, 'expected 0.05 to 10')).default({}),
  })
  .strict();

/** What the crew knows of a client that planning uses. */
export const clientNotes = z
  .object({
    experience: z.int().min(1).max(3),
    hand: z.enum(['left', 'right']).nullable(),
    wishes: z.string().max(500),
    swims: z.boolean().nullable().optional(),
  })
  .strict();

/** Mates who are aboard on a trip. */
export const tripMates = z.object({ personIds: z.array(id).max(20) }).strict();

export const tripsOf = z.object({ date });

export const board = z.object({
  today: z.array(tripView),
  tomorrow: z.array(tripView),
  /** What needs a hand before tomorrow. */
  open: z.array(z.object({ tripId: id.nullable(), text: z.string() })),
  /** Boats that are out: where they fish as far as the reader may know it, and what they have. */
  out: z.array(
    z.object({
      tripId: id,
      boat: z.string(),
      /** Null between stops, and where the spot is not for the reader. */
      spot: z.string().nullable(),
      fishing: z.boolean(),
      sinceAt: instant,
      fish: z.int(),
      dueAt: instant,
    }),
  ),
  /** Boats that are not back when they said, whatever the day: an alarm on every screen. */
  overdue: z.array(z.object({ tripId: id, boat: z.string(), captain: z.string(), dueAt: instant, ashore: z.string() })),
});
export type Board = z.infer<typeof board>;
