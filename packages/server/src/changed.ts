// Says that something of an outfit has changed, when it is committed: what was worked out from it before no longer holds.
import { markBriefs } from './brief/kept';
import { inOutfit } from './db/database';
import { tellServers } from './events/changes';
import type { Deps } from './http/context';

type Telling = Pick<Deps, 'source' | 'jobs' | 'clock'>;

/** Counts the change, and has the outfit's briefs worked out anew, soon and only once for many changes. */
export async function outfitChanged({ source, jobs, clock }: Telling, outfitId: string, { briefs = true } = {}): Promise<void> {
  await inOutfit(source, outfitId, async (entities) => {
    const [{ version }] = await entities.query(
      `insert into outfit_version as v (outfit_id, version) values ($1, 1) on conflict (outfit_id) do update set version = v.version + 1
       returning version`,
      [outfitId],
    );
    await tellServers(entities, outfitId, version);
    if (briefs && (await markBriefs(entities, outfitId, clock.now()))) await jobs.sendSoon(entities, 'make-briefs', { outfitId });
  });
}

const AGAIN_MS = 2000;
const TRIES = 30;

/**
 * The same for a change that is committed whatever comes of telling it: its request has succeeded. Where the database is away it is told
 * again until it is heard.
 */
export async function tellChange(deps: Telling, outfitId: string, tries = TRIES): Promise<void> {
  try {
    await outfitChanged(deps, outfitId);
  } catch {
    if (tries > 0) setTimeout(() => void tellChange(deps, outfitId, tries - 1), AGAIN_MS).unref();
  }
}

/**
 * The same for changes that follow each other closely: the first of them at once, all others together at the end of the span.
 * @param spanMs - 0 tells each at once.
 */
export function changedTogether(deps: Telling, spanMs: number): (outfitId: string) => Promise<void> {
  const spans = new Map<string, { more: boolean }>();
  return async (outfitId) => {
    if (spanMs === 0) return tellChange(deps, outfitId);
    const open = spans.get(outfitId);
    if (open) {
      open.more = true;
      return;
    }
    const span = { more: false };
    spans.set(outfitId, span);
    setTimeout(() => {
      spans.delete(outfitId);
      if (span.more) void tellChange(deps, outfitId);
    }, spanMs);
    await tellChange(deps, outfitId);
  };
}

/** The count of an outfit's changes as it stands. */
export function changesSoFar(source: Deps['source'], outfitId: string): Promise<string> {
  return inOutfit(source, outfitId, async (entities) => {
    const [row] = await entities.query('select version from outfit_version');
    return row?.version ?? '0';
  });
}
