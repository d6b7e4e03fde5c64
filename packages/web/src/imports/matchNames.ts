import { nameKey } from '@bluffwind/core/units/nameKey';

/** What may be chosen for a name of a file. */
interface Named {
  readonly id: string;
  readonly name: string;
}

const plain = (name: string): string =>
  nameKey(name)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/**
 * The thing that a name of a file means: the same name whatever its case and signs, else the only one whose name holds it or is held by it.
 * @returns Its id, or null where it is not clear.
 */
export function matchName(name: string, among: readonly Named[]): string | null {
  const key = plain(name);
  if (key === '') return null;
  const same = among.find((a) => plain(a.name) === key);
  if (same) return same.id;
  const near = among.filter((a) => ` ${plain(a.name)} `.includes(` ${key} `) || ` ${key} `.includes(` ${plain(a.name)} `));
  return near.length === 1 ? (near[0]?.id ?? null) : null;
}
