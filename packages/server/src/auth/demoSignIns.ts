import { allThrough, through } from '../db/doors';
import type { DataSource } from 'typeorm';

/** People of the demo's own outfits and the word they all sign in with; nobody's outside the demo. */
export async function demoSignIns(source: DataSource): Promise<{
  people: { name: string; email: string; role: string; outfit: string }[];
  password: string;
}> {
  const people = await allThrough(source, 'demo_sign_ins');
  const word = await through(source, 'demo_password');
  return { people, password: word?.password ?? '' };
}

/** Keeps where the demo's clock stands, so that it goes on from there after a stop. */
export async function keepDemoClock(source: Pick<DataSource, 'query'>, atMs: number): Promise<void> {
  await through(source, 'demo_clock_on', new Date(atMs));
}
