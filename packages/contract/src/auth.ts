import { z } from 'zod';
import { ownUnits } from './ownUnits';
import { id, instant } from './ids';

/** `code` from an authenticator or from paper, for who has asked to be asked for one. */
export const signIn = z
  .object({ email: z.email().max(200), password: z.string().min(1).max(200), code: z.string().trim().max(40).optional() })
  .strict();

/** Whether a person is asked for a code at sign-in. */
export const secondFactor = z.object({ onSince: instant.nullable(), codesLeft: z.int() });
export type SecondFactor = z.infer<typeof secondFactor>;
/** One's password again, before something that lets others in or oneself out. */
export const passwordAgain = z.object({ password: z.string().min(1).max(200) }).strict();
/** What an authenticator needs: the secret to type, and the same as an address to scan. Told once. */
export const authenticatorMade = z.object({ secret: z.string(), address: z.string() });
export type AuthenticatorMade = z.infer<typeof authenticatorMade>;
export const firstCode = z.object({ code: z.string().trim().min(6, 'six figures').max(40) }).strict();
/** Codes to write down, told once. */
export const recoveryCodes = z.object({ codes: z.array(z.string()) });

/** What a person sets for himself. */
export const ownSettings = z
  .object({
    units: ownUnits,
    /** Single keys do something; some read the screen with keys of their own. */
    keys: z.boolean(),
    /** What is written to him by mail, where a mail server is set up. */
    mail: z.object({ overdue: z.boolean(), brief: z.boolean() }).strict().default({ overdue: true, brief: false }),
    /** What his devices show though no page is open, where he has added them. */
    push: z.object({ overdue: z.boolean(), brief: z.boolean() }).strict().default({ overdue: true, brief: true }),
  })
  .strict();
export type OwnSettings = z.infer<typeof ownSettings>;

export const me = z.object({
  id,
  name: z.string(),
  role: z.enum(['owner', 'captain', 'mate']),
  outfit: z.object({ name: z.string(), zone: z.string() }),
  /** The server's time now. */
  now: instant,
  settings: ownSettings,
  /** Whether letters are sent from here. */
  mail: z.boolean(),
  /** True in the demo, where the clock can be set. */
  demo: z.boolean(),
});
export type Me = z.infer<typeof me>;

export const demoAccess = z.object({
  now: instant,
  signIns: z.array(z.object({ name: z.string(), email: z.string(), role: z.string(), outfit: z.string() })),
  password: z.string(),
});
export type DemoAccess = z.infer<typeof demoAccess>;

export const setClock = z.object({ now: instant }).strict();

/** A place where a person is signed in. */
export const sessionView = z.object({
  id,
  device: z.string(),
  from: z.string(),
  openedAt: instant,
  lastSeenAt: instant,
  here: z.boolean(),
});

export type SessionView = z.infer<typeof sessionView>;

/** A session to end; null ends all but the one that asks. */
export const endSession = z.object({ id: id.nullable() }).strict();

/** Whether a person's phone follows his trips by an address. */
export const calendarAddress = z.object({ madeAt: z.string().nullable() });
export type CalendarAddress = z.infer<typeof calendarAddress>;
/** The address, told once. */
export const calendarMade = z.object({ path: z.string() });
export type CalendarMade = z.infer<typeof calendarMade>;
