import { CHIPS } from '@bluffwind/core/brief/chips';
import { z } from 'zod';
import { id, instant } from './ids';

/** What is written down when a trip is over. */
export const debriefEdit = z
  .object({
    said: z.string().trim().max(2000),
    chips: z.array(z.enum(CHIPS)).max(CHIPS.length),
    lost: z.array(z.object({ what: z.string().trim().min(1).max(60), number: z.int().min(1).max(500) }).strict()).max(20),
    baitLeft: z.string().trim().max(300),
    /** Signed off by the captain: done. */
    signed: z.boolean(),
  })
  .strict();
export type DebriefEdit = z.infer<typeof debriefEdit>;

const stop = z.object({
  spotId: id,
  spot: z.string(),
  rodHours: z.number(),
  fish: z.int(),
  expected: z.number().nullable(),
  lo80: z.int().nullable(),
  hi80: z.int().nullable(),
  /** How long no lines were in and why; empty for never. */
  out: z.string(),
  /** In words: what came against what was expected. */
  words: z.string(),
});

export const debriefView = z.object({
  tripId: id,
  edit: debriefEdit,
  signedAt: instant.nullable(),
  signedBy: z.string().nullable(),
  stops: z.array(stop),
  /** The day on the chart: places in the order they were fished, with the ways gone at them. */
  waterId: id,
  places: z.array(
    z.object({
      name: z.string(),
      lat: z.number(),
      lon: z.number(),
      from: instant,
      to: instant.nullable(),
      track: z.array(z.object({ lat: z.number(), lon: z.number(), atMs: z.number() })),
    }),
  ),
  fish: z.array(
    z.object({
      at: instant,
      spot: z.string(),
      species: z.string(),
      lengthMm: z.int().nullable(),
      outcome: z.enum(['landed', 'lost', 'missed']),
      kept: z.boolean(),
    }),
  ),
  /** Names by which things are lost: baits of the trip, then the boxes. */
  tackle: z.array(z.string()),
  mayWrite: z.boolean(),
});
export type DebriefView = z.infer<typeof debriefView>;
