// Species that guides commonly fish for, with how each is measured and the lengths that anglers usually land. Lengths are from memory, common
// practice; they set the range of the size keys and say nothing of rules. What has no usual length here is left open.
import type { LengthKind } from '../rules/ruleKinds';

export interface LibrarySpecies {
  readonly name: string;
  readonly habitat: 'salt' | 'fresh';
  readonly lengthKind: LengthKind;
  /** Usual lengths, mm. */
  readonly leastMm: number;
  readonly mostMm: number;
  /** A fish that a client is glad of, mm. */
  readonly sizeGoalMm: number;
  /** How it is handled without harm to either. */
  readonly caution: string;
}

const DEEP = 'From about 10 m bring it up slowly, descending device ready.';
const WET = 'Wet hands, support the belly.';
const TEETH = 'Teeth: long pliers, support the belly, keep it in the water.';
const SPINES = 'Spiny back fin and sharp gill plates: hold by the lower jaw, wet hands.';

type Row = readonly [
  name: string,
  habitat: 'salt' | 'fresh',
  kind: LengthKind,
  leastMm: number,
  goalMm: number,
  mostMm: number,
  caution: string,
];

const ROWS: readonly Row[] = [
  ['Atlantic cod', 'salt', 'total', 250, 650, 1200, DEEP],
  ['Atlantic mackerel', 'salt', 'total', 180, 350, 480, WET],
  ['Ballan wrasse', 'salt', 'total', 180, 400, 560, 'Spiny back fin: smooth it down. From about 10 m bring it up slowly.'],
  ['Black seabream', 'salt', 'total', 160, 350, 500, 'Spiny back fin: smooth it down, wet hands.'],
  ['European flounder', 'salt', 'total', 180, 350, 480, WET],
  ['European plaice', 'salt', 'total', 200, 400, 600, WET],
  ['European sea bass', 'salt', 'total', 250, 600, 850, SPINES],
  ['Gilthead seabream', 'salt', 'total', 200, 450, 650, 'Crushing teeth: pliers. Spiny back fin: smooth it down.'],
  ['Pollack', 'salt', 'total', 250, 600, 950, DEEP],
  ['Thornback ray', 'salt', 'disc', 250, 550, 800, 'Thorns on back and tail: hold by the sides of the snout.'],
  ['Common dab', 'salt', 'total', 150, 280, 400, WET],
  ['Red drum', 'salt', 'total', 350, 750, 1200, 'Support the belly; big fish fight out quickly and go back at once.'],
  ['Spotted seatrout', 'salt', 'total', 250, 500, 750, 'Two large teeth above: pliers. Wet hands, soft skin.'],
  ['Striped bass', 'salt', 'total', 350, 750, 1200, SPINES],
  ['Common snook', 'salt', 'fork', 350, 750, 1050, 'Gill plates cut: hold by the lower jaw, support the belly.'],
  ['Brown trout', 'fresh', 'total', 180, 450, 750, WET],
  ['Rainbow trout', 'fresh', 'total', 200, 450, 700, WET],
  ['Common carp', 'fresh', 'total', 350, 700, 1000, 'Wet mat, wet hands; keep it low and out of the water briefly.'],
  ['Common bream', 'fresh', 'total', 250, 500, 700, WET],
  ['European perch', 'fresh', 'total', 130, 350, 500, 'Spiny back fin and gill plates: smooth the fin down.'],
  ['Largemouth bass', 'fresh', 'total', 200, 450, 650, 'By the lower jaw, straight down, or two hands: never by the jaw alone held level.'],
  ['Smallmouth bass', 'fresh', 'total', 200, 430, 560, 'By the lower jaw, straight down, or two hands.'],
  ['Northern pike', 'fresh', 'total', 350, 850, 1200, TEETH],
  ['Roach', 'fresh', 'total', 120, 280, 400, WET],
  ['Tench', 'fresh', 'total', 250, 480, 620, WET],
  ['Walleye', 'fresh', 'total', 250, 550, 800, 'Teeth and spiny fin; from about 10 m bring it up slowly.'],
  ['Zander', 'fresh', 'total', 300, 650, 950, 'Teeth and spiny fin; from about 10 m bring it up slowly.'],
  ['Wels catfish', 'fresh', 'total', 600, 1300, 2200, 'Glove in the jaw; keep it in the water, rope it nowhere.'],
];

/** The species of the library, salt water first. */
export const SPECIES: readonly LibrarySpecies[] = ROWS.map(([name, habitat, lengthKind, leastMm, sizeGoalMm, mostMm, caution]) => ({
  name,
  habitat,
  lengthKind,
  leastMm,
  mostMm,
  sizeGoalMm,
  caution,
}));
