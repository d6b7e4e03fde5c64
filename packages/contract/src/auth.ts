import { z } from 'zod';
import { UNIT_CHOICES, type Units } from '@bluffwind/core/units/measure';
import { id, instant } from './ids';

export const signIn = z.object({ email: z.email().max(200), password: z.string().min(1).max(200) }).strict();

const choice = <K extends keyof Units>(of: K) => z.enum(UNIT_CHOICES[of] as unknown as [Units[K], ...Units[K][]]);

/** What a person sets for himself. */
export const ownSettings = z
  .object({
    units: z
      .object({
        depth: choice('depth'),
        speed: choice('speed'),
        temp: choice('temp'),
        length: choice('length'),
        mass: choice('mass'),
        distance: choice('distance'),
        volume: choice('volume'),
        pressure: choice('pressure'),
        clock: choice('clock'),
        dates: choice('dates'),
      })
      .strict(),
    /** Single keys do something; some read the screen with keys of their own. */
    keys: z.boolean(),
    /** What is written to him by mail, where a mail server is set up. */
    mail: z.object({ overdue: z.boolean(), brief: z.boolean() }).strict().default({ overdue: true, brief: false }),
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
