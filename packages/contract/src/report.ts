import { z } from 'zod';
import { date, id, instant } from './ids';
import { ownUnits } from './ownUnits';

/** Longest logo that is kept, bytes. */
export const LOGO_BYTES = 200_000;

/** How an outfit's pages to its guests look: its own name on them, one colour, a last line, a logo. */
const reportLook = z.object({
  /** In place of the outfit's name; empty means that name. */
  name: z.string().trim().max(80),
  colour: z.string().regex(/^#[0-9a-f]{6}$/, 'a colour such as #1f5f6b'),
  /** Stands at the end of every page: how to book again, thanks. */
  words: z.string().trim().max(300),
});

/** The look as a captain is shown it. */
export const lookView = reportLook.extend({ logo: z.boolean() });
export type LookView = z.infer<typeof lookView>;

/** A look to be kept; a logo is a JPEG in base64, null takes it away, and what is left out stays. */
export const newLook = reportLook
  .extend({
    logo: z
      .base64()
      .max(Math.ceil(LOGO_BYTES / 3) * 4, 'the logo is too large')
      .nullable()
      .optional(),
  })
  .strict();
export type NewLook = z.infer<typeof newLook>;

/** A fish as the client reads of it: when and how large, never where. */
const reportFish = z.object({
  atMs: z.number(),
  species: z.string(),
  lengthMm: z.int().nullable(),
  kept: z.boolean(),
  angler: z.string().nullable(),
});

/** The page that a client keeps of his day: no place, no spot, no bearing. */
export const reportBody = z.object({
  outfit: z.string(),
  captain: z.string(),
  boat: z.string(),
  date,
  /** Offset of the clock on the day, min, so that the page needs no zone. */
  offsetMin: z.int(),
  fromMs: z.number(),
  toMs: z.number(),
  tally: z.array(z.object({ species: z.string(), landed: z.int(), kept: z.int(), bestMm: z.int().nullable() })),
  fish: z.array(reportFish),
  /** Height of the tide through the day, each quarter of an hour; empty without a tide. */
  tideM: z.array(z.number()),
  weather: z.string(),
  learned: z.string(),
  text: z.string(),
  photos: z.array(id),
  /** As the outfit wanted it when the page was sent; pages of before have none. */
  look: lookView.optional(),
  /** What its captain reads in, and so do his guests; pages of before are metric. */
  units: ownUnits.optional(),
});
export type ReportBody = z.infer<typeof reportBody>;

/** What a captain sends to his party. */
export const newReport = z
  .object({
    id,
    text: z.string().trim().min(1, 'write a sentence to the party').max(3000),
    learned: z.string().trim().max(1000),
    photoIds: z.array(id).max(12),
    days: z.int().min(1).max(365),
  })
  .strict();
export type NewReport = z.infer<typeof newReport>;

export const reportDraft = z.object({
  /** As it would be sent, with a first text. */
  body: reportBody,
  /** What is out already. */
  sent: z.object({ at: instant, expiresAt: instant, opened: z.boolean() }).nullable(),
});
export type ReportDraft = z.infer<typeof reportDraft>;

/** The address, told once. */
export const reportMade = z.object({ path: z.string(), expiresAt: instant });
