import { HTTPException } from 'hono/http-exception';

// One catalogue of errors; every answer that is not a success is a problem document (RFC 9457) made from it.

const CATALOGUE = {
  not_signed_in: { status: 401, title: 'Not signed in', remedy: 'Sign in and try again.' },
  wrong_sign_in: { status: 401, title: 'Wrong e-mail or password', remedy: 'Check both; ask the owner of the outfit for a new password.' },
  code_needed: {
    status: 401,
    title: 'A code is needed too',
    remedy: 'Type the six figures that your authenticator shows, or one of the codes that you wrote down.',
  },
  wrong_code: {
    status: 401,
    title: 'That code does not hold',
    remedy: 'Type the one that stands there now; each holds for half a minute and works once. Is the clock of the phone right?',
  },
  wrong_passkey: {
    status: 401,
    title: 'That passkey does not hold',
    remedy: 'Try again, or sign in with e-mail and password. One that was taken away, or made under another address, opens nothing.',
  },
  key_scope: { status: 403, title: 'This key is not for that', remedy: 'The owner can make a key with that scope (Crew, Keeping).' },
  too_many_tries: { status: 429, title: 'Too many tries', remedy: 'Wait a minute and try again.' },
  no_mail: {
    status: 409,
    title: 'No mail is sent from here',
    remedy: 'Ask the owner for a link that lets you choose a new password; it is made under Crew.',
  },
  not_open: {
    status: 403,
    title: 'No outfit can be made here by oneself',
    remedy: 'Ask whoever runs this server, or the owner of your outfit for an invitation.',
  },
  invitation_over: {
    status: 410,
    title: 'This invitation does not hold any more',
    remedy:
      'It was used, withdrawn or is too old, or its address was cut on the way. Who has just chosen a password signs in with it; otherwise ask the owner of the outfit for a new one.',
  },
  in_use: { status: 409, title: 'It is still needed', remedy: 'Change what is named first.' },
  last_owner: {
    status: 409,
    title: 'An outfit keeps an owner',
    remedy: 'Make somebody else an owner first.',
  },
  not_allowed: { status: 403, title: 'Not allowed for your role', remedy: 'Ask a captain or the owner.' },
  not_aboard: {
    status: 403,
    title: 'Not aboard this trip',
    remedy: 'Ask its captain or the owner to name you as a mate of the trip (Plan, Party).',
  },
  not_found: { status: 404, title: 'Not found', remedy: 'Go back to the list; it may have been removed.' },
  invalid: { status: 400, title: 'Something in the request is not usable', remedy: 'Correct the fields named and send it again.' },
  too_large: { status: 413, title: 'Too large', remedy: 'Send less at once.' },
  boat_taken: { status: 409, title: 'The boat already has a trip then', remedy: 'Choose another boat or another time.' },
  captain_taken: { status: 409, title: 'The captain already has a trip then', remedy: 'Choose another captain or another time.' },
  booking_there: { status: 409, title: 'That booking is in the calendar already', remedy: 'Change the trip that was made of it.' },
  person_away: { status: 409, title: 'Somebody is away then', remedy: 'Name somebody else, or take the days away out (Crew, People).' },
  too_many_guests: { status: 409, title: 'More guests than seats', remedy: 'Choose a larger boat or fewer guests.' },
  ends_before_start: { status: 400, title: 'The trip ends before it starts', remedy: 'Set the end after the start.' },
  conflict: { status: 409, title: 'It has changed meanwhile', remedy: 'Reload and try again.' },
  not_sure: {
    status: 409,
    title: 'Asked once, to be asked twice',
    remedy: 'Ask again and confirm that they may leave the outfit.',
  },
  spot_taken: {
    status: 409,
    title: 'Another boat of the crew has a spot then',
    remedy: 'Lay the day anew: it goes round what the others have. Or agree with the other captain first.',
  },
  bait_taken: {
    status: 409,
    title: 'Other trips have the last of a bait that day',
    remedy: 'Lay the day anew: it goes without. Or agree with the other captain, or say that the bait lasts for more trips.',
  },
  closed_season: { status: 409, title: 'A species of the goal is closed then', remedy: 'Choose other species or another date.' },
  not_feasible: { status: 422, title: 'This cannot be done on the water', remedy: 'Change what is named.' },
  not_seen: {
    status: 409,
    title: 'Something about this trip is not known',
    remedy: 'Say that you have seen it, then keep the plan: it is laid without it, and the brief prints so.',
  },
  entry_unknown: {
    status: 422,
    title: 'This server does not know that kind of entry',
    remedy: 'It stays on the phone and is sent again; the server needs the newer version.',
  },
  station_unreachable: {
    status: 502,
    title: 'A station does not answer',
    remedy: 'The last good readings stay in use; it is tried again.',
  },
  foreign_origin: {
    status: 403,
    title: 'Sent from a page of another site',
    remedy: 'Open Bluffwind by its own address and do it there.',
  },
  busy: {
    status: 503,
    title: 'The server has too much to do',
    remedy: 'Wait a few seconds and try again; what was stored already is not stored twice.',
  },
  too_slow: { status: 408, title: 'It took too long to arrive', remedy: 'Try again where the connection is better; nothing was changed.' },
  internal: { status: 500, title: 'The server failed', remedy: 'Try again; nothing that was shown as saved is lost.' },
} as const;

export type ErrorCode = keyof typeof CATALOGUE;

/** What is wrong with one field. */
export interface FieldFault {
  readonly field: string;
  readonly message: string;
}

/** An error that the client is told about. */
export class Problem extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly detail = '',
    readonly fields: readonly FieldFault[] = [],
    /** Seconds after which it may be tried again. */
    readonly retryAfterS: number | null = null,
  ) {
    super(`${code}: ${detail}`);
  }

  get status(): (typeof CATALOGUE)[ErrorCode]['status'] {
    return CATALOGUE[this.code].status;
  }

  /** Body after RFC 9457. */
  body(): Record<string, unknown> {
    const { title, status, remedy } = CATALOGUE[this.code];
    return { type: `about:blank#${this.code}`, code: this.code, title, status, detail: this.detail || title, remedy, fields: this.fields };
  }
}

/** Every code with its status, for the documents and their test. */
export const errorCodes = Object.entries(CATALOGUE).map(([code, e]) => ({ code, ...e }));

interface DriverError {
  readonly code?: string;
  readonly constraint?: string;
  readonly message?: string;
}

/** The problem behind a database refusal, or null when it is not one that a client can cause. */
export function problemOfDatabase(error: unknown): Problem | null {
  const e = ((error as { driverError?: DriverError }).driverError ?? error) as DriverError;
  if (busy(e)) return new Problem('busy', '', [], 2);
  if (e?.code === '23P01' && e.constraint === 'trip_boat_once') return new Problem('boat_taken');
  if (e?.code === '23505' && e.constraint === 'trip_booking_once') return new Problem('booking_there');
  if (e?.code === '23P01' && e.constraint === 'trip_captain_once') return new Problem('captain_taken');
  if (e?.code === '23514' && e.constraint === 'party_fits_boat') return new Problem('too_many_guests', e.message ?? '');
  if (e?.code === '23514' && e.constraint === 'trip_ends_after_start') return new Problem('ends_before_start');
  if (e?.code === '23503') return new Problem('not_found', 'Something that the request refers to does not exist.');
  if (e?.code === '23505') return new Problem('conflict', 'It exists already.');
  // A NUL in a text or a document: every other character is stored as it is.
  if (e?.code === '22021' || e?.code === '22P05')
    return new Problem('invalid', 'A text holds a character that cannot be stored (NUL); type it again without pasting.');
  return null;
}

/** No connection came free in time, the database is away or stopping, a limit of time was reached, or two transactions met. */
function busy(e: DriverError | undefined): boolean {
  const states = [
    '57014',
    '57P01',
    '57P02',
    '57P03',
    '53300',
    '55P03',
    '40001',
    '40P01',
    '25P03',
    '08000',
    '08003',
    '08006',
    'ECONNREFUSED',
    'ECONNRESET',
    'EPIPE',
  ];
  return (
    states.includes(e?.code ?? '') ||
    // The connection was lost under a request.
    /QueryRunner(Provider)?AlreadyReleased/.test((e as Error | undefined)?.name ?? '') ||
    /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/.test(e?.message ?? '')
  );
}

/** Any error as the problem that the client is told. */
export function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof HTTPException) {
    if (error.status === 413) return new Problem('too_large');
    if (error.status === 404) return new Problem('not_found', error.message);
    return error.status < 500 ? new Problem('invalid', error.message) : new Problem('internal');
  }
  return problemOfDatabase(error) ?? new Problem('internal');
}
