// Fetches jobs and does them: by a worker for as long as the process lives, or until none is left.
import type PgBoss from 'pg-boss';
import type { Deps } from '../http/context';
import { handlersOf, type JobDeps } from './handlers';
import { JOB_NAMES, type JobData, type JobName } from './names';

const POLL_S = 0.5;

type Handlers = ReturnType<typeof handlersOf>;

function run<N extends JobName>(handlers: Handlers, name: N, data: unknown): Promise<unknown> {
  // Stored by `send`, which takes nothing else for this name.
  return handlers[name](data as JobData[N]);
}

/** Works on every queue; a job that throws is tried again later and at last laid aside. */
export async function workOn(boss: PgBoss, deps: JobDeps & Pick<Deps, 'log'>): Promise<void> {
  const handlers = handlersOf(deps);
  for (const name of JOB_NAMES)
    await boss.work(name, { pollingIntervalSeconds: POLL_S }, async ([job]) => {
      if (!job) return;
      try {
        await run(handlers, name, job.data);
      } catch (error) {
        deps.log.warn({ job: name, reason: (error as Error).message.slice(0, 200) }, 'a job failed and is tried again');
        throw error;
      }
    });
}

/** Does what waits in the queues until nothing is left; returns how many jobs were done. Throws what a job throws. */
export async function drain(boss: PgBoss, deps: JobDeps): Promise<number> {
  const handlers = handlersOf(deps);
  let done = 0;
  for (;;) {
    const before = done;
    for (const name of JOB_NAMES) {
      const jobs = await boss.fetch(name, { batchSize: 20, ignoreStartAfter: true });
      for (const job of jobs ?? []) {
        await run(handlers, name, job.data);
        await boss.complete(name, job.id);
        done++;
      }
    }
    if (done === before) return done;
  }
}
