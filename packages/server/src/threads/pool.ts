// Threads that answer what takes long, so that the one which talks to the network stays free. Each has its own few connections; of one
// outfit's requests never so many are under way that another's would wait for all of them.
import { Worker } from 'node:worker_threads';
import { Problem } from '../errors';
import type { AskedOfThread, ThreadAnswer, ThreadStart } from './messages';

const AGAIN_S = 3;
const WAITING_PER_OUTFIT = 60;
const REOPEN_MS = 1000;
const MEMORY_MB = 160;
const YOUNG_MB = 12;

interface Waiting {
  readonly behind: () => boolean;
  readonly asked: AskedOfThread;
  readonly settle: (answer: ThreadAnswer) => void;
  readonly fail: (error: unknown) => void;
}

interface Thread {
  worker: Worker;
  at: Waiting | null;
  down: boolean;
}

export interface Threads {
  /**
   * Throws Problem `busy` when too much of that outfit waits already.
   * @param behind - Whether nobody waits for it at present: what somebody waits for comes before it.
   */
  ask(asked: AskedOfThread, behind?: () => boolean): Promise<ThreadAnswer>;
  close(): Promise<void>;
}

/** @param script - The program that a thread runs: this one. @param count - Threads, >= 1. */
export function startThreads(script: URL, count: number, start: Omit<ThreadStart, 'kind'>): Threads {
  const lines = new Map<string, Waiting[]>();
  const running = new Map<string, number>();
  const most = Math.max(1, count - 1);
  let closed = false;

  const open = (thread: Thread) => {
    const worker = new Worker(script, {
      workerData: { ...start, kind: 'requests' } satisfies ThreadStart,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB, maxYoungGenerationSizeMb: YOUNG_MB },
    });
    worker.on('message', (answer: ThreadAnswer) => {
      const { at } = thread;
      free(thread);
      at?.settle(answer);
    });
    worker.on('error', () => undefined);
    worker.on('exit', () => {
      const { at } = thread;
      if (closed) return at?.fail(new Problem('busy', '', [], AGAIN_S));
      // One that ends as soon as it begins is not begun again and again without a pause.
      thread.down = true;
      setTimeout(() => {
        if (closed) return;
        open(thread);
        thread.down = false;
        next();
      }, REOPEN_MS);
      free(thread);
      at?.fail(new Problem('busy', 'The work was too large and was stopped.', [], AGAIN_S));
    });
    thread.worker = worker;
  };
  const free = (thread: Thread) => {
    if (thread.at) {
      const outfit = thread.at.asked.holder.outfitId;
      const left = (running.get(outfit) ?? 1) - 1;
      if (left > 0) running.set(outfit, left);
      else running.delete(outfit);
      thread.at = null;
    }
    next();
  };
  const next = () => {
    for (const thread of threads) {
      if (thread.at || thread.down) continue;
      // The outfit that waits longest without being served comes first: it is put at the end when it was.
      const outfit = [...lines.keys()].find((o) => (running.get(o) ?? 0) < most);
      if (outfit === undefined) return;
      const line = lines.get(outfit) as Waiting[];
      const [waiting] = line.splice(
        Math.max(
          0,
          line.findIndex((w) => !w.behind()),
        ),
        1,
      ) as [Waiting];
      lines.delete(outfit);
      if (line.length > 0) lines.set(outfit, line);
      running.set(outfit, (running.get(outfit) ?? 0) + 1);
      thread.at = waiting;
      // The body goes over whole, it is not copied.
      thread.worker.postMessage(waiting.asked, waiting.asked.body ? [waiting.asked.body] : []);
    }
  };
  const threads: Thread[] = Array.from({ length: count }, () => {
    const thread = { at: null, down: false } as unknown as Thread;
    open(thread);
    return thread;
  });
  return {
    ask(asked, behind = () => false) {
      const { outfitId } = asked.holder;
      const line = lines.get(outfitId) ?? [];
      if (line.length >= WAITING_PER_OUTFIT) return Promise.reject(new Problem('busy', '', [], AGAIN_S));
      return new Promise((settle, fail) => {
        line.push({ asked, behind, settle, fail });
        lines.set(outfitId, line);
        next();
      });
    },
    async close() {
      closed = true;
      await Promise.all(threads.map((t) => t.worker.terminate()));
    },
  };
}
