/** A line or element of a file that could not be taken, with what to do about it. */
export interface Refused {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly text: string;
  readonly reason: string;
  readonly remedy: string;
}

/** The whole file cannot be read; nothing of it was taken. */
export class UnreadableFile extends Error {
  constructor(
    readonly reason: string,
    readonly remedy: string,
  ) {
    super(`${reason} ${remedy}`);
  }
}

/** A line as it is quoted back, cut to what a reader needs. */
export const quote = (text: string): string => (text.length > 80 ? `${text.slice(0, 77)}...` : text);

/** Largest file that is read at all. */
export const MOST_BYTES = 64 * 1024 * 1024;

/** Refuses a file over the limit before any of it is read. */
export function requireSize(length: number): void {
  if (length > MOST_BYTES)
    throw new UnreadableFile(
      `The file is ${(length / 1024 / 1024).toFixed(0)} MB; ${MOST_BYTES / 1024 / 1024} MB is the most.`,
      'Split it by day or by track and import the parts.',
    );
}
