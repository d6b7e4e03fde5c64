// The first step: an outfit of one's own, and coming into one by invitation.
import { z } from 'zod';
import { email, newPassword, personName } from './people';
import { id } from './ids';

/** Where the outfit's days begin and end: an IANA name such as Etc/GMT+2. */
export const zone = z
  .string()
  .max(60)
  .refine((name) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: name });
      return true;
    } catch {
      return false;
    }
  }, 'expected the name of a time zone, such as Etc/GMT+2');

export const beginView = z.object({
  /** Whether a stranger may make an outfit here. */
  open: z.boolean(),
  /** Whether there is no outfit yet. */
  empty: z.boolean(),
  /** Whether letters are sent from here. */
  mail: z.boolean(),
  /** Address of a demo that can be looked round first; null where there is none. */
  demo: z.string().nullable(),
});
export type BeginView = z.infer<typeof beginView>;

export const newOutfit = z
  .object({
    id,
    name: z.string().trim().min(1, 'needed').max(80),
    zone,
    /** Of the person who makes it; everybody sets his own later. */
    units: z.enum(['metric', 'us']),
    personId: id,
    personName,
    email,
    password: newPassword,
  })
  .strict();
export type NewOutfit = z.infer<typeof newOutfit>;

/** The key of an invitation, from the end of its address. */
/** One that was cut on its way, or is missing, is like one that never was. */
const token = z.string().max(100);
export const invitationLook = z.object({ token }).strict();
export const invitationView = z.object({
  outfit: z.string(),
  name: z.string(),
  email: z.string(),
  role: z.enum(['owner', 'captain', 'mate']),
  /** True where it gives somebody of the crew a new password. */
  again: z.boolean(),
});
export type InvitationView = z.infer<typeof invitationView>;
export const invitationTake = z.object({ token, name: personName, password: newPassword }).strict();
/** False where a code is still asked for: sign in with the new password. */
export const invitationTaken = z.object({ signedIn: z.boolean() });
