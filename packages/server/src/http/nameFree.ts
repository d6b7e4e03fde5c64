import { nameKey } from '@bluffwind/core/units/nameKey';
import { Problem } from '../errors';

/**
 * Throws Problem when another of these has the name, or one that only looks different.
 * @param what - What they are, such as boat.
 */
export function requireNameFree(
  rows: readonly { readonly id: string; readonly name: string; readonly retiredAt: Date | null }[],
  wanted: { readonly id: string; readonly name: string },
  what: string,
): void {
  const key = nameKey(wanted.name);
  const same = rows.find((r) => r.id !== wanted.id && nameKey(r.name) === key);
  if (!same) return;
  throw new Problem('conflict', `name: there is a ${what} ${same.name} already${same.retiredAt ? ', off the list' : ''}.`, [
    { field: 'name', message: 'taken' },
  ]);
}
