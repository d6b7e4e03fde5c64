// The thread that does the jobs, asks the stations and listens to the boats' instruments. Every server has one; among several the queues
// give each job to one of them, and one at a time listens to the instruments.
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { pino } from 'pino';
import { changedTogether } from '../changed';
import { realClock, settableClock } from '../clock';
import { connect } from '../db/connect';
import { whenUp } from '../db/database';
import { jobsOf, openBoss } from '../jobs/boss';
import { workOn } from '../jobs/work';
import { listenWhileHolding } from '../water/lease';
import { listenToInstruments } from '../water/instruments';
import type { ClockSet, ThreadStart } from './messages';

/** Behind the requests, where there are fewer processors than threads: on Linux it is the priority of this thread alone. */
const NICE = 10;
const POLL_S = 60;
/** The demo's stations are asked more often, so that what happens to them is soon seen. */
const DEMO_POLL_S = 5;
/** A job has longer than a request, and computes between its questions; one that takes longer still is tried again later. */
const PATIENCE = { statementMs: 120_000, idleMs: 300_000 };
const INSTRUMENT_STORE_MS = 60_000;
const DEMO_INSTRUMENT_STORE_MS = 10_000;
/** Every chart that is open is fetched again when soundings came. */
const INSTRUMENT_TOLD_MS = 60_000;
const SWEEP_S = 6 * 3600;

export async function workInThread({ config, demoNowMs }: ThreadStart): Promise<void> {
  if (process.platform === 'linux') setPriority(NICE);
  const log = pino({ level: config.logLevel });
  const source = await whenUp(() => connect(config.databaseUrl, { size: 4, limited: true, ...PATIENCE }));
  const demoClock = demoNowMs === null ? null : settableClock(demoNowMs);
  const clock = demoClock ?? realClock;
  parentPort?.on('message', (m: ClockSet) => demoClock?.set(m.setClockMs));
  const boss = await whenUp(() => openBoss(config.databaseUrl, { size: 2, supervise: true }));
  const deps = { source, clock, config, log, jobs: jobsOf(boss) };
  await workOn(boss, deps);
  // Both servers of two ask for it; the queue takes one a span.
  const every = (name: 'poll-stations' | 'look-overdue' | 'sweep', seconds: number) => {
    const ask = async () => {
      try {
        // What waits already will do; polls that take longer than their span must not pile up.
        if ((await boss.getQueueSize(name)) === 0) await boss.send(name, {}, { singletonKey: 'all', singletonSeconds: seconds });
      } catch {
        // The database is away; asked again after the next span.
      }
    };
    void ask();
    setInterval(ask, Math.min(seconds, 600) * 1000);
  };
  every('poll-stations', config.demo ? DEMO_POLL_S : POLL_S);
  every('sweep', SWEEP_S);
  every('look-overdue', config.demo ? DEMO_POLL_S : POLL_S);
  listenWhileHolding(config.databaseUrl, 'instruments', () =>
    listenToInstruments({
      source,
      clock,
      defaultAddress: config.instrumentAddress,
      allowPrivate: config.privateStations,
      changed: changedTogether(deps, INSTRUMENT_TOLD_MS, { briefs: false }),
      storeEveryMs: config.demo ? DEMO_INSTRUMENT_STORE_MS : INSTRUMENT_STORE_MS,
    }),
  );
}
