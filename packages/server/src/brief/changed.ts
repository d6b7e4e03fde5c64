import { inOutfit } from '../db/database';
import type { Deps } from '../http/context';
import { markBriefs } from './kept';

type Marking = Pick<Deps, 'source' | 'jobs' | 'clock'>;

/** Marks an outfit's briefs and has them worked out anew, soon and only once for many changes. */
export async function briefsChanged({ source, jobs, clock }: Marking, outfitId: string): Promise<void> {
  await inOutfit(source, outfitId, async (entities) => {
    if (await markBriefs(entities, outfitId, clock.now())) await jobs.sendSoon(entities, 'make-briefs', { outfitId });
  });
}

/**
 * The same for changes that follow each other closely: the first of them at once, all others together at the end of the span.
 * @param spanMs - 0 marks each at once.
 */
export function markingBriefs(deps: Marking, spanMs: number): (outfitId: string) => Promise<void> {
  const spans = new Map<string, { more: boolean }>();
  return async (outfitId) => {
    if (spanMs === 0) return briefsChanged(deps, outfitId);
    const open = spans.get(outfitId);
    if (open) {
      open.more = true;
      return;
    }
    const span = { more: false };
    spans.set(outfitId, span);
    setTimeout(() => {
      spans.delete(outfitId);
      if (span.more) void briefsChanged(deps, outfitId).catch(() => undefined);
    }, spanMs);
    await briefsChanged(deps, outfitId);
  };
}
