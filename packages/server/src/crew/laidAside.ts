// Jobs that were tried in vain: an owner sees those of his outfit and has them tried again.
import type { LaidAside } from '@bluffwind/contract/crew';
import type { EntityManager } from 'typeorm';
import { JOB_NAMES, type JobData, type JobName } from '../jobs/names';

/** What a job does, in words for who runs the outfit; only jobs of one outfit are listed. */
const WORDS: Partial<Record<JobName, string>> = {
  'see-stops': 'Conditions of stops that were fished',
  'refresh-stops': 'Conditions of stops after readings changed',
  'make-briefs': 'The brief',
  'calibrate-spots': "Spots' own temperatures from the crew's readings",
};

interface FailedRow {
  id: string;
  name: JobName;
  data: JobData[JobName];
  at: Date;
  reason: string | null;
}

const FAILED = `
  select id, name, data, at, reason from (
    select id, name, data, completed_on as at, output->>'message' as reason from pgboss.job where state = 'failed'
    union all select id, name, data, completed_on, output->>'message' from pgboss.archive where state = 'failed') j
  where name = any($1) and data->>'outfitId' = $2 and not coalesce((data->>'again')::boolean, false)`;

/** The newest first, a hundred at most. */
export async function laidAsideOf(entities: EntityManager, outfitId: string): Promise<LaidAside[]> {
  const rows: FailedRow[] = await entities.query(`${FAILED} order by at desc limit 100`, [JOB_NAMES, outfitId]);
  return rows.flatMap((r) => {
    const what = WORDS[r.name];
    return what ? [{ id: r.id, what, at: r.at.toISOString(), reason: r.reason ?? 'no reason was given' }] : [];
  });
}

/** One of them, taken out of the list; null when it is not there. */
export async function takeLaidAside(
  entities: EntityManager,
  outfitId: string,
  id: string,
): Promise<{ name: JobName; data: JobData[JobName] } | null> {
  const [row]: FailedRow[] = await entities.query(`${FAILED} and id = $3`, [JOB_NAMES, outfitId, id]);
  if (!row) return null;
  for (const table of ['job', 'archive'])
    await entities.query(`update pgboss.${table} set data = data || '{"again": true}' where id = $1 and state = 'failed'`, [id]);
  return { name: row.name, data: row.data };
}
