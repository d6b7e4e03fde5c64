// What a trial compares. A leader's strength is kept in kilograms, so that rig cards learn from it whatever unit it was typed in.
import { amount, fromMine, inMine } from './units';

const KEPT = /^(\d+(?:\.\d+)?) kg$/;
const TENTH = 10;
const tidy = (n: number) => String(Math.round(n * TENTH) / TENTH);

/** A leader as it is kept, of what was typed in this person's unit; words that are no figure stay as they are. */
export function leaderKept(typed: string): string {
  const n = Number(typed.replace(',', '.').trim());
  if (typed.trim() === '' || !Number.isFinite(n) || n <= 0) return typed.trim();
  return `${tidy(fromMine(n, 'weight'))} kg`;
}

/** What one would type for an arm as it is kept. */
export function armTyped(kept: string): string {
  const kg = KEPT.exec(kept)?.[1];
  return kg === undefined ? kept : tidy(inMine(Number(kg), 'weight'));
}

/** An arm as this person reads it. */
export function armWords(kept: string): string {
  const kg = KEPT.exec(kept)?.[1];
  return kg === undefined ? kept : amount(Number(kg), 'weight', 1).replace('.0 ', ' ');
}
