// What the scripts say, and how they fail.

/** Prints one line of what is being done. */
export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** An error whose message is all that the user needs. */
export class Stop extends Error {}

/** Runs a script's main function and turns errors into an exit code with a plain message. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    process.stderr.write(`${error instanceof Stop ? error.message : error.stack}\n`);
    process.exitCode = 1;
  }
}
