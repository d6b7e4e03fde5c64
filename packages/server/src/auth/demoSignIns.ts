import type { DataSource, EntityManager } from 'typeorm';

/** People of the demo's own outfits and the word they all sign in with; nobody's outside the demo. */
export async function demoSignIns(source: DataSource): Promise<{
  people: { name: string; email: string; role: string; outfit: string }[];
  password: string;
}> {
  const people = await source.query('select * from demo_sign_ins()');
  const [word] = await source.query('select password from demo_password()');
  return { people, password: word?.password ?? '' };
}

/** Keeps where the demo's clock stands, so that it goes on from there after a stop. */
export async function keepDemoClock(entities: EntityManager, atMs: number): Promise<void> {
  await entities.query('select demo_clock_on($1)', [new Date(atMs)]);
}
