// A thread of the server that answers what takes long.
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { gzipSync } from 'node:zlib';
import { pino } from 'pino';
import { createApp } from '../app';
import { realClock, settableClock } from '../clock';
import { connect } from '../db/connect';
import { whenUp } from '../db/database';
import { jobsOf, openBoss } from '../jobs/boss';
import type { AskedOfThread, ThreadAnswer, ThreadStart } from './messages';

/** Behind the thread that talks to the network, where there are fewer processors than threads: on Linux it is the priority of this thread alone. */
const NICE = 5;
const CONNECTIONS = 3;
/** A large water's ways take their time between two questions to the database. */
const IDLE_MS = 60_000;
const MARK_MS = 700;

export async function answerInThread({ config, demoNowMs }: ThreadStart): Promise<void> {
  if (process.platform === 'linux') setPriority(NICE);
  const source = await whenUp(() => connect(config.databaseUrl, { size: CONNECTIONS, limited: true, idleMs: IDLE_MS }));
  const { readUrl } = config;
  const copy = readUrl && (await whenUp(() => connect(readUrl, { size: CONNECTIONS, limited: true, idleMs: IDLE_MS })));
  const demoClock = demoNowMs === null ? null : settableClock(demoNowMs);
  const jobs = jobsOf(await whenUp(() => openBoss(config.databaseUrl)));
  const app = createApp({
    source,
    ...(copy ? { copy } : {}),
    clock: demoClock ?? realClock,
    demoClock,
    config: { ...config, webRoot: null },
    log: pino({ level: config.logLevel }),
    jobs,
    threads: null,
    markEveryMs: MARK_MS,
    keepsAnswers: false,
    inThread: true,
  });
  parentPort?.on('message', async ({ method, url, headers, body, holder, nowMs }: AskedOfThread) => {
    demoClock?.set(nowMs);
    const response = await app.fetch(new Request(url, { method, headers, body }), { holder });
    const bytes = response.status === 304 ? null : new Uint8Array(gzipSync(await response.text(), { level: 4 }));
    const answer: ThreadAnswer = {
      status: response.status,
      headers: Object.fromEntries(response.headers),
      gzip: bytes?.buffer ?? null,
    };
    parentPort?.postMessage(answer, bytes ? [bytes.buffer] : []);
  });
}
