// Families of presentations with their envelopes, and the variants that the crew fishes.
import { type ClosedSpan, ENVELOPE_SPANS, type EnvelopeSpan, type OpenSpan } from '@bluffwind/core/catchrate/envelope';
import { said } from '@bluffwind/core/units/measure';
import { z } from 'zod';
import { id } from './ids';

const optional = (min: number, max: number) => z.number().min(min).max(max).nullable();

type Limits<S extends EnvelopeSpan, T> = { [K in S['lo' | 'hi']]: T };
const limits = <S extends EnvelopeSpan, T>(spans: readonly EnvelopeSpan[], of: (s: EnvelopeSpan) => T) =>
  Object.fromEntries(spans.flatMap((s) => [s.lo, s.hi].map((name) => [name, of(s)]))) as Limits<S, T>;

/** Limits that every family has, and those that it may leave open (null). */
export const closedLimits = limits<ClosedSpan, z.ZodNumber>(
  ENVELOPE_SPANS.filter((s) => s.start !== null),
  (s) => z.number().min(s.least).max(s.most),
);
export const openLimits = limits<OpenSpan, z.ZodNullable<z.ZodNumber>>(
  ENVELOPE_SPANS.filter((s) => s.start === null),
  (s) => optional(s.least, s.most),
);

/** Where a family is meant to work; null limits are open, empty lists are any. */
export const envelope = z.object({
  ...closedLimits,
  ...openLimits,
  /** 0 dark, 1 low sun and twilight, 2 middling, 3 high sun. */
  light: z.array(z.int().min(0).max(3)).max(4),
  cover: z.array(z.string().min(1).max(40)).max(20),
  months: z.array(z.int().min(1).max(12)).max(12),
});

const familyFields = envelope.extend({
  name: z.string().trim().min(1, 'a name is needed').max(80),
  coverRate: z.int().min(1).max(5),
  skill: z.int().min(1).max(3),
  snag: z.int().min(1).max(3),
  zone: z.enum(['bottom', 'middle', 'surface']),
  look: z.string().trim().min(1, 'a word for its look is needed').max(40),
  rods: z.int().min(1).max(12),
  costPerHour: z.number().min(0).max(10_000),
  forage: z.array(z.string().min(1).max(40)).max(12),
  handling: z.string().max(500),
});

const inOrder = (f: z.infer<typeof familyFields>, c: z.RefinementCtx): void => {
  for (const span of ENVELOPE_SPANS) {
    const [lo, hi] = [f[span.lo], f[span.hi]];
    const as = (v: number) => said(v, span.measure, Number.isInteger(v) ? 0 : 1);
    if (lo !== null && hi !== null && hi < lo)
      c.addIssue({ code: 'custom', path: [span.hi], message: `expected at least ${as(lo)}, got ${as(hi)}` });
  }
};

export const familyId = z.string().regex(/^[A-Za-z0-9-]{1,24}$/, 'expected letters, digits and hyphens');
export const familyEdit = familyFields.strict().superRefine(inOrder);
export const familyView = familyFields.extend({ id: z.string() });
export type FamilyView = z.infer<typeof familyView>;

const variant = z.object({
  familyId: z.string(),
  name: z.string().trim().min(1, 'a name is needed').max(120),
  habitat: z.enum(['salt', 'fresh', 'both']),
  sizeMm: optional(1, 2000),
  weightG: optional(0, 5000),
  colour: z.string().max(60),
  leaderKg: optional(0.1, 200),
  retrieve: z.string().max(120),
  pauseS: optional(0, 120),
  /** Null takes the family's. */
  look: z.string().trim().min(1).max(40).nullable(),
  active: z.boolean(),
  /** Trips of the crew that one day's bait lasts for; null for any number. */
  tripsADay: z.int().min(1).max(20).nullable().default(null),
});
export const presentationEdit = variant.extend({ id }).strict();
export const presentationView = variant.extend({
  id,
  /** Sets fished with it, their rod-hours and landed fish. */
  sets: z.int(),
  rodHours: z.number(),
  fish: z.number(),
});
export type PresentationView = z.infer<typeof presentationView>;

export const presentationsView = z.object({ families: z.array(familyView), presentations: z.array(presentationView) });
export type PresentationsView = z.infer<typeof presentationsView>;
