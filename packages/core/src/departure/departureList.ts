/** What a list before leaving depends on. */
export interface Leaving {
  /** False for people on foot. */
  readonly afloat: boolean;
  readonly children: number;
  readonly nonSwimmers: number;
  /** Whether a part of the trip is in the dark. */
  readonly dark: boolean;
  /** Whether somebody has told of his health. */
  readonly medical: boolean;
  /** The boat's own lines, as its captain wrote them. */
  readonly own?: readonly string[];
  /** Things aboard whose last day has passed. */
  readonly ended?: readonly string[];
}

export interface ListItem {
  /** Stays the same over versions: what was signed is kept by it. */
  readonly key: string;
  readonly what: string;
}

/**
 * What is gone through before the lines are cast off, in the order in which it is done.
 * Usual practice; local rules, the licensed captain's judgement and the makers' instructions come first.
 */
export function departureList({ afloat, children, nonSwimmers, dark, medical, own = [], ended = [] }: Leaving): ListItem[] {
  const items: (ListItem | false)[] = [
    afloat && { key: 'plug', what: 'Drain plug in, bilge dry, pump tried' },
    afloat && { key: 'lanyard', what: 'Engine cut-off lanyard on the helm’s wrist' },
    {
      key: 'jackets',
      what:
        `Life jackets for all, ${children > 0 ? `${count(children, 'child’s', 'children’s')} among them` : 'by size'}` +
        `${nonSwimmers > 0 ? `; worn by ${count(nonSwimmers, 'guest who does', 'guests who do')} not swim` : ''}`,
    },
    { key: 'radio', what: afloat ? 'Radio tried, phone charged and dry' : 'Phone charged and dry' },
    { key: 'light', what: dark ? 'Flares, head torches, lights tried: part of the trip is in the dark' : 'Flares and a torch' },
    { key: 'first-aid', what: 'First aid, with side cutters for hooks' },
    afloat && { key: 'fire', what: 'Fire extinguisher in reach' },
    afloat && { key: 'fuel', what: 'Fuel for there and back with a third over' },
    { key: 'weather', what: 'Weather looked at within the hour' },
    { key: 'plan-ashore', what: 'Somebody ashore knows where to and when back' },
    medical && { key: 'medical', what: 'What guests told of their health was read' },
    ...ended.map((what) => ({ key: `ended ${what}`, what: `${what}: its day has passed; put a new one aboard` })),
    ...own.map((what) => ({ key: `own ${what}`, what })),
    { key: 'talk', what: 'Client talk given' },
  ];
  return items.filter((i) => i !== false);
}

/** What a party is told before leaving, a line each. Usual practice. */
export function clientTalk({ afloat, children, nonSwimmers }: Pick<Leaving, 'afloat' | 'children' | 'nonSwimmers'>): string[] {
  const lines: (string | false)[] = [
    afloat && 'Where each sits, and who moves when: one at a time, one hand for the boat.',
    !afloat && 'Where to stand and where not; nobody wades alone.',
    'Look behind you before each cast. Hooks stay in the keeper on the move.',
    afloat && 'Rods stay clear of the motor when it runs.',
    'Glove for the leader; a line is never wrapped round a hand.',
    'Closed shoes, and glasses on while anybody casts.',
    'The captain unhooks the fish: spines, gills and teeth cut.',
    (children > 0 || nonSwimmers > 0) && 'Jackets stay on and closed all day for children and all who do not swim.',
    afloat && 'If the captain goes overboard: motor off, ring thrown, one points and does not look away, radio on the calling channel.',
    !afloat && 'If somebody goes in: something that floats is thrown, nobody follows, the emergency number is called.',
  ];
  return lines.filter((l) => l !== false);
}

function count(n: number, one: string, many: string): string {
  return n === 1 ? `one ${one}` : `${n} ${many}`;
}
