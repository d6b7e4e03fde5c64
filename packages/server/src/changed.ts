// Says that something of an outfit has changed, when it is committed: what was worked out from it before no longer holds.
import { markBriefs } from './brief/kept';
import { inOutfit } from './db/database';
import { ALL_TOPICS, type Topic } from './db/topics';
import { tellServers } from './events/changes';
import type { Deps } from './http/context';

type Telling = Pick<Deps, 'source' | 'jobs' | 'clock'>;

/**
 * Counts the change, and has the outfit's briefs worked out anew, soon and only once for many changes.
 * @param topics - What has changed; anything when left out.
 */
export async function outfitChanged(
  { source, jobs, clock }: Telling,
  outfitId: string,
  { briefs = true, topics = ALL_TOPICS }: { briefs?: boolean; topics?: readonly Topic[] } = {},
): Promise<void> {
  await inOutfit(source, outfitId, async (entities) => {
    const [{ version }] = await entities.query(
      `insert into outfit_version as v (outfit_id, version, topics) select $1, 1, jsonb_object_agg(t, 1) from unnest($2::text[]) t
       on conflict (outfit_id) do update set version = v.version + 1,
         topics = v.topics || (select jsonb_object_agg(t, v.version + 1) from unnest($2::text[]) t)
       returning version`,
      [outfitId, topics],
    );
    await tellServers(entities, outfitId, version, topics);
    if (briefs && (await markBriefs(entities, outfitId, clock.now()))) await jobs.sendSoon(entities, 'make-briefs', { outfitId });
  });
}

const AGAIN_MS = 2000;
const TRIES = 30;

/**
 * The same for a change that is committed whatever comes of telling it: its request has succeeded. Where the database is away it is told
 * again until it is heard.
 */
export async function tellChange(
  deps: Telling,
  outfitId: string,
  topics: readonly Topic[],
  { briefs = true, tries = TRIES }: { briefs?: boolean; tries?: number } = {},
): Promise<void> {
  try {
    await outfitChanged(deps, outfitId, { topics, briefs });
  } catch {
    if (tries > 0) setTimeout(() => void tellChange(deps, outfitId, topics, { briefs, tries: tries - 1 }), AGAIN_MS).unref();
  }
}

/**
 * The same for changes that follow each other closely: the first of them at once, all others together at the end of the span.
 * @param spanMs - 0 tells each at once.
 */
export function changedTogether(
  deps: Telling,
  spanMs: number,
  terms: { readonly briefs?: boolean } = {},
): (outfitId: string, topics: readonly Topic[]) => Promise<void> {
  const spans = new Map<string, { more: Set<Topic> }>();
  return async (outfitId, topics) => {
    if (spanMs === 0) return tellChange(deps, outfitId, topics, terms);
    const open = spans.get(outfitId);
    if (open) {
      for (const t of topics) open.more.add(t);
      return;
    }
    const span = { more: new Set<Topic>() };
    spans.set(outfitId, span);
    setTimeout(() => {
      spans.delete(outfitId);
      if (span.more.size > 0) void tellChange(deps, outfitId, [...span.more], terms);
    }, spanMs);
    await tellChange(deps, outfitId, topics, terms);
  };
}

/** The count of an outfit's changes as it stands. */
export function changesSoFar(source: Deps['source'], outfitId: string): Promise<string> {
  return inOutfit(source, outfitId, async (entities) => {
    const [row] = await entities.query('select version from outfit_version');
    return row?.version ?? '0';
  });
}
