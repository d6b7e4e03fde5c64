// The queues live in the same database as everything else: a job is stored with what it follows from, or not at all.
import PgBoss from 'pg-boss';
import type { DataSource, EntityManager } from 'typeorm';
import { DEAD, JOB_NAMES, type JobData, type JobName } from './names';

const SCHEMA = 'pgboss';
/** Changes that follow each other so closely are answered together. */
const SOON_S = 60;
const RETRIES = { retryLimit: 6, retryDelay: 5, retryBackoff: true } as const;

/** Puts jobs in their queues. */
export interface Jobs {
  /** Within the transaction: the job is there when that is committed. */
  send<N extends JobName>(entities: EntityManager, name: N, data: JobData[N]): Promise<void>;
  /** The same, once for all that is sent of an outfit within a while, and after it. */
  sendSoon<N extends 'make-briefs'>(entities: EntityManager, name: N, data: JobData[N]): Promise<void>;
}

/** Makes the queues, as the owner of the schema, and lets the application's role use them. */
export async function prepareQueues(owner: DataSource, ownerUrl: string, appRole: string): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, schema: SCHEMA, max: 1, supervise: false, schedule: false });
  await boss.start();
  try {
    await boss.createQueue(DEAD);
    for (const name of JOB_NAMES) await boss.createQueue(name, { name, deadLetter: DEAD, ...RETRIES });
  } finally {
    await boss.stop({ graceful: false });
  }
  const role = owner.driver.escape(appRole);
  await owner.query(`grant usage on schema ${SCHEMA} to ${role};
    grant select, insert, update, delete on all tables in schema ${SCHEMA} to ${role};
    grant execute on all functions in schema ${SCHEMA} to ${role}`);
}

/** A connection to the queues for the application's role. @param size - Connections. */
export async function openBoss(url: string, { size = 1, supervise = false }: { size?: number; supervise?: boolean } = {}): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: url, schema: SCHEMA, max: size, migrate: false, supervise, schedule: supervise });
  // Told by what fails because of it; an unheard event would end the process.
  boss.on('error', () => {});
  await boss.start();
  return boss;
}

export function jobsOf(boss: PgBoss): Jobs {
  return {
    async send(entities, name, data) {
      const executeSql = async (text: string, values: unknown[]) => ({ rows: await entities.query(text, values) });
      await boss.send(name, data, { db: { executeSql } });
    },
    async sendSoon(entities, name, data) {
      const executeSql = async (text: string, values: unknown[]) => ({ rows: await entities.query(text, values) });
      await boss.sendDebounced(name, data, { db: { executeSql } }, SOON_S, data.outfitId);
    },
  };
}
