import { inOutfit } from '../db/database';
import type { Deps } from '../http/context';
import { markBriefs } from './kept';

/** Marks an outfit's briefs and has them worked out anew, soon and only once for many changes. */
export async function briefsChanged({ source, jobs, clock }: Pick<Deps, 'source' | 'jobs' | 'clock'>, outfitId: string): Promise<void> {
  await inOutfit(source, outfitId, async (entities) => {
    if (await markBriefs(entities, outfitId, clock.now())) await jobs.sendSoon(entities, 'make-briefs', { outfitId });
  });
}
