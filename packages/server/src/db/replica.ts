// A copy of the database for questions. It may lag: what a person has just changed he must see, so an outfit whose copy is behind is
// asked of the database itself, and so is everything that the copy cannot answer: when it is away, or something is to be written.
import type { DataSource, EntityManager } from 'typeorm';
import { Problem } from '../errors';
import { inOutfit } from './database';

class Behind extends Error {}

/**
 * Work that only reads, in the copy where that has heard of every change that the person may have seen, else in the database itself.
 * @param version - Count of the outfit's changes as the database itself has it.
 */
export async function inOutfitOfCopy<T>(
  copy: DataSource,
  source: DataSource,
  { outfitId, version, ...who }: { outfitId: string; version: string; personId: string; role: string },
  work: (entities: EntityManager) => Promise<T>,
): Promise<T> {
  try {
    return await inOutfit(
      copy,
      outfitId,
      async (entities) => {
        const [row] = await entities.query('select version >= $1::bigint as current from outfit_version', [version]);
        if (!row?.current && version !== '0') throw new Behind();
        return work(entities);
      },
      who,
    );
  } catch (error) {
    // What the request itself is refused for it would be refused for there as well.
    if (error instanceof Problem) throw error;
    return inOutfit(source, outfitId, work, who);
  }
}
