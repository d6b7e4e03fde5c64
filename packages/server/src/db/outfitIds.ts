import { allThrough } from './doors';
import type { DataSource } from 'typeorm';

/** Keys of all outfits, for work that goes through them one by one; a job sees one outfit at a time like anybody else. */
export async function outfitIds(source: DataSource): Promise<string[]> {
  return (await allThrough(source, 'outfit_ids')).map((r) => r.id);
}
