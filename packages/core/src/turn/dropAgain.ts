/** Two of a kind within so long are a school (common practice: where there is one there are more). */
const SCHOOL_MS = 10 * 60_000;
/** What is said is of use for so long. */
const SAID_MS = 5 * 60_000;

/**
 * Whether the lines belong down again at once: the last two fish of a stop are of one kind and came within ten minutes.
 * @param landed - Fish of the stop in their order. @param nowMs - Unix milliseconds.
 */
export function dropAgain(landed: readonly { readonly speciesId: string | null; readonly atMs: number }[], nowMs: number): boolean {
  const [last, before] = [landed.at(-1), landed.at(-2)];
  if (!last || !before || last.speciesId === null || last.speciesId !== before.speciesId) return false;
  return last.atMs - before.atMs <= SCHOOL_MS && nowMs - last.atMs <= SAID_MS;
}
