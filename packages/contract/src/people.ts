// People of an outfit and the ways in.
import { z } from 'zod';
import { id, instant } from './ids';

export const role = z.enum(['owner', 'captain', 'mate']);
export const personName = z.string().trim().min(1, 'needed').max(80);
export const email = z.email('expected an e-mail address').max(200).toLowerCase();
/** Length is what makes a password strong; nothing else is asked of it. */
export const newPassword = z.string().min(10, 'at least 10 letters or figures').max(200);

export const personView = z.object({
  id,
  name: z.string(),
  email: z.string(),
  role,
  active: z.boolean(),
  /** Trips from now on that he leads or is named for. */
  tripsAhead: z.int(),
  /** He is asked for a code at sign-in. */
  asksForCode: z.boolean(),
});
export type PersonView = z.infer<typeof personView>;

export const personEdit = z.object({ name: personName, role, active: z.boolean() }).strict();

/** Somebody is asked in; or, with `personId`, one of the crew is given a way to a new password. */
export const newInvitation = z
  .object({ id, personId: id.nullable(), name: personName, email, role, byMail: z.boolean().default(false) })
  .strict();

export const invitationRow = z.object({
  id,
  name: z.string(),
  email: z.string(),
  role,
  again: z.boolean(),
  madeAt: instant,
  expiresAt: instant,
});
export type InvitationRow = z.infer<typeof invitationRow>;

/** A new invitation with its key, which is shown once; null where it goes out by mail. */
export const invitationMade = z.object({ id, token: z.string().nullable(), expiresAt: instant });

/** Who has forgotten his password is written to, if there is such an account. */
export const passwordForgotten = z.object({ email }).strict();

export const passwordChange = z.object({ old: z.string().min(1).max(200), password: newPassword }).strict();
