// Commands of the server: "serve" (default), "migrate", "load FILE".
import { readFile } from 'node:fs/promises';
import { serve } from '@hono/node-server';
import { scenario as scenarioSchema } from '@bluffwind/contract/scenario';
import { pino } from 'pino';
import { createApp } from './app';
import { realClock, settableClock } from './clock';
import { type Config, readConfig } from './config';
import { connect, inOutfit, migrate, requireBoundRole } from './db/database';
import { storeStopConditions } from './deck/stopConditions';
import { loadScenario } from './scenario/loadScenario';
import { listenToInstruments } from './water/instruments';
import { BACK_OFF, fetchHistory, pollStations } from './water/poll';
import { calibrateSpots } from './water/recompute';
import { stationClient } from './water/stationClient';

const POLL_MS = 60_000;
/** The demo's stations are asked more often, so that what happens to them is soon seen. */
const DEMO_POLL_MS = 5000;
const DEMO_BACK_OFF = { firstMs: 5000, longestMs: 60_000 };
const INSTRUMENT_STORE_MS = 60_000;
const DEMO_INSTRUMENT_STORE_MS = 10_000;
const CLOCK_MS = 2000;

async function migrateCommand(config: Config): Promise<void> {
  const owner = await connect(config.ownerUrl ?? config.databaseUrl);
  const ran = await migrate(owner);
  process.stdout.write(ran.length > 0 ? `migrated: ${ran.join(', ')}\n` : 'schema is up to date\n');
  await owner.destroy();
}

async function loadCommand(config: Config, file: string): Promise<void> {
  const owner = await connect(config.ownerUrl ?? config.databaseUrl);
  const source = await connect(config.databaseUrl);
  try {
    const [{ count }] = await owner.query('select count(*)::int as count from outfit');
    if (count > 0) throw new Error('The database already holds outfits; a scenario is loaded into an empty one only.');
    const parsed = scenarioSchema.safeParse(JSON.parse(await readFile(file, 'utf8')));
    if (!parsed.success) {
      const i = parsed.error.issues[0];
      throw new Error(`${file}: not usable at ${i?.path.join('.')}: ${i?.message}`);
    }
    const scenario = parsed.data;
    await loadScenario(owner, scenario, config.demo ? (scenario.outfits[0]?.people[0]?.password ?? null) : null);
    const nowMs = Date.parse(scenario.now);
    if (config.stationUrl) {
      const client = stationClient(config.stationUrl);
      const spans = scenario.history.map((h) => ({ from: Date.parse(h.from), to: Date.parse(h.to) }));
      const stored = (await fetchHistory(owner, client, spans, nowMs)) + (await pollStations(source, client, nowMs));
      process.stdout.write(`stored ${stored} readings from the stations\n`);
    }
    await owner.query('analyze');
    for (const { outfit, waters } of scenario.outfits) {
      await inOutfit(source, outfit.id, async (entities) => {
        for (const w of waters) await calibrateSpots(entities, w.id, nowMs);
      });
      const seen = await inOutfit(source, outfit.id, (entities) => storeStopConditions(entities, null, nowMs));
      process.stdout.write(`${outfit.name}: conditions of ${seen} stops\n`);
    }
    await owner.query('analyze');
  } finally {
    await source.destroy();
    await owner.destroy();
  }
}

async function serveCommand(config: Config): Promise<void> {
  const log = pino({ level: config.logLevel });
  const source = await connect(config.databaseUrl);
  await requireBoundRole(source);
  const demoClock = config.demo ? settableClock(await demoNow(source)) : null;
  const clock = demoClock ?? realClock;
  const app = createApp({ source, clock, demoClock, config, log });
  const server = serve({ fetch: app.fetch, port: config.port, hostname: config.host }, (address) => {
    process.stdout.write(`listening on http://${config.host}:${address.port}\n`);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    const text = error.code === 'EADDRINUSE' ? `Port ${config.port} is in use; choose another with PORT.` : error.message;
    process.stderr.write(`${text}\n`);
    process.exit(1);
  });
  const timers: NodeJS.Timeout[] = [];
  if (config.stationUrl) {
    const client = stationClient(config.stationUrl);
    let running = false;
    const poll = async () => {
      if (running) return;
      running = true;
      try {
        await pollStations(source, client, clock.now(), config.demo ? DEMO_BACK_OFF : BACK_OFF);
      } catch (error) {
        log.error({ err: error }, 'polling failed');
      } finally {
        running = false;
      }
    };
    timers.push(setInterval(poll, config.demo ? DEMO_POLL_MS : POLL_MS));
    void poll();
  }
  const stopListening = await listenToInstruments({
    source,
    clock,
    defaultAddress: config.instrumentAddress,
    storeEveryMs: config.demo ? DEMO_INSTRUMENT_STORE_MS : INSTRUMENT_STORE_MS,
  });
  if (demoClock) {
    timers.push(
      setInterval(() => {
        source
          .query('update demo_clock set demo_at = greatest(demo_at, $1)', [new Date(demoClock.now())])
          .catch((error) => log.warn({ err: error }, 'demo clock not stored'));
      }, CLOCK_MS),
    );
  }
  const stop = () => {
    for (const t of timers) clearInterval(t);
    stopListening();
    server.close(() => {
      void source.destroy().then(() => process.exit(0));
    });
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** The demo's time goes on from where it stood when it was last stopped. */
async function demoNow(source: { query(sql: string): Promise<{ at: Date }[]> }): Promise<number> {
  const [row] = await source.query('select demo_at as at from demo_clock');
  if (!row) throw new Error('This database was not loaded as a demo; start without BLUFFWIND_DEMO.');
  return row.at.getTime();
}

const [command = 'serve', file = ''] = process.argv.slice(2);
try {
  const config = readConfig(process.env);
  if (command === 'migrate') await migrateCommand(config);
  else if (command === 'load') await loadCommand(config, file);
  else if (command === 'serve') await serveCommand(config);
  else throw new Error(`unknown command ${command}; there are serve, migrate and load FILE`);
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exit(1);
}
