// Figures that a party's plan has to respect, as they are sent and as they may be typed; null where it does not mind.
import { PARTY_FIGURE_NAMES, PARTY_FIGURES, type PartyFigureName } from '@bluffwind/core/plan/partyFigures';
import { z } from 'zod';

type Shape = Record<PartyFigureName, z.ZodNullable<z.ZodInt>>;
const shape = (of: (name: PartyFigureName) => z.ZodInt) =>
  Object.fromEntries(PARTY_FIGURE_NAMES.map((n) => [n, of(n).nullable()])) as Shape;

export const partyFigures = shape(() => z.int());
export const typedPartyFigures = shape((n) => z.int().min(PARTY_FIGURES[n].least).max(PARTY_FIGURES[n].most));
