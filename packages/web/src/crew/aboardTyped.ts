import type { AboardEdit } from '@bluffwind/contract/aboard';

/** As it is typed: lines of a list in one field, and a day left open as an empty word. */
export interface AboardTyped {
  checks: string;
  gear: { what: string; endsOn: string }[];
}

export const typedAboard = ({ checks, gear }: AboardEdit): AboardTyped => ({
  checks: checks.join('\n'),
  gear: gear.map((g) => ({ what: g.what, endsOn: g.endsOn ?? '' })),
});

/** As it is stored: empty lines say nothing. */
export const aboardOf = ({ checks, gear }: AboardTyped): AboardEdit => ({
  checks: checks
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== ''),
  gear: gear.map((g) => ({ what: g.what, endsOn: g.endsOn === '' ? null : g.endsOn })),
});
