// Figures that a party's plan has to respect: one entry for each. What is stored, checked and typed of it comes from here; the plan reads
// it by its name.

interface PartyFigure {
  /** What the form calls it. */
  readonly label: string;
  readonly unit: string;
  /** Least and greatest that may be typed, and the step of the field; whole numbers. */
  readonly least: number;
  readonly most: number;
  readonly step: number;
}

export const PARTY_FIGURES = {
  /** Longest wait for a fish that the party stands, minutes. */
  patienceMin: { label: 'Longest wait for a fish', unit: 'min', least: 5, most: 600, step: 5 },
} as const satisfies Record<string, PartyFigure>;

export type PartyFigureName = keyof typeof PARTY_FIGURES;
/** Null where the party does not mind. */
export type PartyFigures = { readonly [K in PartyFigureName]: number | null };
// biome-ignore lint/plugin: the keys of the table above
export const PARTY_FIGURE_NAMES = Object.keys(PARTY_FIGURES) as PartyFigureName[];

/** Those of something that holds them besides others. */
export function partyFiguresOf(from: PartyFigures): PartyFigures {
  // biome-ignore lint/plugin: every name of the table is given its own figure
  return Object.fromEntries(PARTY_FIGURE_NAMES.map((name) => [name, from[name]])) as PartyFigures;
}
