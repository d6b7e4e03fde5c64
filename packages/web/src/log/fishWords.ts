// A logged fish and what was said of it, in words.
import type { LoggedFish } from '@bluffwind/contract/logEntry';
import { amount } from '../data/units';

/** Names of the keys that a word of a fish holds. */
export interface Names {
  readonly species: (id: string) => string;
  readonly guest: (id: string) => string;
}

const FIELDS: Readonly<Record<string, string>> = {
  speciesId: 'fish',
  clientId: 'angler',
  lengthMm: 'length',
  lengthKind: 'measured as',
  kept: 'fate',
  weightG: 'weight',
  girthMm: 'girth',
  hook: 'hook',
  depthM: 'depth it took at',
  take: 'when it took',
  leader: 'leader',
  colour: 'colour of the bait',
  tag: 'tag number',
  forage: 'what it had eaten',
  note: 'note',
};

/** What was said of one thing, such as "length 46 cm". */
export function wordOf({ field, value }: { field: string; value: unknown }, names: Names): string {
  return `${FIELDS[field] ?? field}: ${said(field, value, names)}`;
}

function said(field: string, value: unknown, names: Names): string {
  if (value === null || value === undefined) return field === 'lengthMm' ? 'not measured' : 'nothing';
  switch (field) {
    case 'speciesId':
      return names.species(String(value));
    case 'clientId':
      return names.guest(String(value));
    case 'lengthMm':
    case 'girthMm':
      return amount(Number(value), 'fish', 0);
    case 'weightG':
      return amount(Number(value) / 1000, 'weight', 1);
    case 'depthM':
      return amount(Number(value), 'depth', 1);
    case 'kept':
      return value === true ? 'kept' : 'released';
    case 'lengthKind':
      return value === 'disc' ? 'across the disc' : `${String(value)} length`;
    default:
      return String(value);
  }
}

/** One fish in a line. */
export function fishLine(f: LoggedFish, names: Names): string {
  if (f.outcome !== 'landed') return f.outcome;
  return [
    `${f.speciesId ? names.species(f.speciesId) : 'a fish'}${f.lengthMm ? ` ${amount(f.lengthMm, 'fish', 0)}` : ', not measured'}`,
    f.kept ? 'kept' : 'released',
    ...(f.clientId ? [names.guest(f.clientId)] : []),
    ...Object.entries(f.more).map(([field, value]) => wordOf({ field, value }, names)),
    ...(f.photos > 0 ? [f.photos === 1 ? 'a photo' : `${f.photos} photos`] : []),
  ].join(', ');
}
