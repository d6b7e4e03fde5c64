import { UnreadableFile } from './refused';

/** Fewer may lie at the datum by chance. */
const TELLING = 10;

/**
 * Depths of a file as they are, m, unless every one of them is 0: then the wrong column was taken, or the sounder was off.
 * @throws {UnreadableFile} Where all of ten or more are 0.
 */
export function requireSomeDepth<R extends { readonly soundings: readonly { readonly soundedM: number }[] }>(read: R): R {
  const { soundings } = read;
  if (soundings.length >= TELLING && soundings.every((s) => s.soundedM === 0))
    throw new UnreadableFile(`All ${soundings.length} depths are 0.`, 'Choose the column that holds the depths, or leave this file out.');
  return read;
}
