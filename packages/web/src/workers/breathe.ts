/** Lets messages in between two pieces of a worker's work. */
export const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));
