// What is written down of a trip in words: one entry for each, from which its column, its checks, its field and who sees it come.

interface TripWord {
  /** What its field is called. */
  readonly label: string;
  /** Letters at most. */
  readonly most: number;
  readonly hint?: string;
  /** Of four columns of the form. */
  readonly columns: 2 | 3;
  /** Nothing for mates. */
  readonly captains?: true;
}

export const TRIP_WORDS = {
  wish: { label: 'What they said they wish for', most: 500, columns: 3 },
  /** Where the party is met. */
  meeting: { label: 'Met where', most: 200, columns: 2 },
  priceNote: { label: 'Price and deposit', most: 200, hint: 'Seen by captains and the owner.', columns: 2, captains: true },
} as const satisfies Record<string, TripWord>;

export type TripWordName = keyof typeof TRIP_WORDS;
export const TRIP_WORD_NAMES = Object.keys(TRIP_WORDS) as TripWordName[];
type CaptainsWord = { [K in TripWordName]: (typeof TRIP_WORDS)[K] extends { captains: true } ? K : never }[TripWordName];

/** As they are kept. */
export type TripWords = Record<TripWordName, string>;
/** As somebody sees them: null is not for these eyes. */
export type SeenWords = Record<Exclude<TripWordName, CaptainsWord>, string> & Record<CaptainsWord, string | null>;

/** The entry of a name, with what not all of them have. */
export const tripWord = (name: TripWordName): TripWord => TRIP_WORDS[name];

/** Words of a trip for a captain or the owner, or for a mate. */
export function wordsFor(trip: TripWords, captain: boolean): SeenWords {
  return Object.fromEntries(TRIP_WORD_NAMES.map((n) => [n, captain || !tripWord(n).captains ? trip[n] : null])) as SeenWords;
}

/** Words to be typed over: what is not for these eyes is empty. */
export function typedWords(trip: SeenWords | null): TripWords {
  return Object.fromEntries(TRIP_WORD_NAMES.map((n) => [n, trip?.[n] ?? ''])) as TripWords;
}
