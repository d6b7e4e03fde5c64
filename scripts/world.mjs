// Starts everything that the application needs, in order, and stops it in reverse.
import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { FEW_ARENAS, run, startListening, stopChild } from './children.mjs';
import { clusterFolder, ROOT, STATE } from './folders.mjs';
import { freePort } from './freePort.mjs';
import { say } from './output.mjs';
import { startPostgres } from './postgres.mjs';

const file = (name) => path.join(ROOT, 'dist', name);

/**
 * Database, station and server with demo data; or with none, for an outfit that begins.
 * @param {{ name: string, reset?: boolean, durable?: boolean, port?: number, web?: boolean }} options
 */
export async function startWorld({ name, reset = false, durable = true, port = 0, web = true, quiet = false, empty = false, more = {} }) {
  const tell = quiet ? () => {} : say;
  let smtp;
  const folder = clusterFolder(name);
  if (reset) rmSync(folder, { recursive: true, force: true });
  tell('Starting PostgreSQL ...');
  const stops = [];
  const stop = async () => {
    for (const s of stops.splice(0).reverse()) await s();
  };
  try {
    let db = await startPostgres(folder, { durable });
    stops.push(() => db.stop());
    tell('Starting the simulated station and boat instrument ...');
    let station = await startListening('station', process.execPath, [file('sim.mjs'), 'station']);
    stops.push(() => stopChild(station.child));
    const mailbox = await startListening('mailbox', process.execPath, [file('sim.mjs'), 'mailbox'], {
      log: (t) => {
        smtp ??= /takes mail on (\S+)/.exec(t)?.[1];
      },
    });
    stops.push(() => stopChild(mailbox.child));
    // Letters hold links: the address has to be known before the server stands.
    const ownPort = port || (await freePort());
    const env = {
      SMTP_URL: smtp,
      PUBLIC_URL: `http://127.0.0.1:${ownPort}`,
      DATABASE_URL: db.appUrl,
      DATABASE_OWNER_URL: db.ownerUrl,
      STATION_URL: station.url,
      SAMPLE: file('sample.json'),
      BLUFFWIND_DEMO: empty ? 'no' : 'yes',
      LOG_LEVEL: 'warn',
      ...more,
    };
    await run(process.execPath, [file('server.mjs'), 'migrate'], { env, quiet: true });
    if (!empty && (await isEmpty(db.adminUrl))) {
      tell('Making three seasons of demo data (about half a minute) ...');
      mkdirSync(STATE, { recursive: true });
      const world = path.join(STATE, `${name}-world.json`);
      await run(process.execPath, [file('sim.mjs'), 'scenario', world], { quiet: true });
      await run(process.execPath, [file('server.mjs'), 'load', world], { env, quiet: true });
      rmSync(world, { force: true });
    }
    // A world without the demo has no boat whose instrument could be heard.
    const instrument = empty
      ? null
      : await startListening('instrument', process.execPath, [file('sim.mjs'), 'instrument', await demoTime(db.adminUrl)]);
    if (instrument) stops.push(() => stopChild(instrument.child));
    const serverEnv = {
      ...env,
      ...FEW_ARENAS,
      ...(instrument ? { INSTRUMENT_ADDRESS: instrument.url } : {}),
      PORT: String(ownPort),
      ...(web ? { WEB_ROOT: path.join(ROOT, 'packages', 'web', 'dist') } : {}),
    };
    const start = () =>
      startListening('server', process.execPath, [file('server.mjs'), 'serve'], {
        env: serverEnv,
        log: (t) => (/"level":(40|50|60)/.test(t) ? process.stderr.write(t) : undefined),
      });
    let server = await start();
    stops.push(() => stopChild(server.child));
    return {
      url: server.url,
      /** Where what was written to people can be read. */
      letters: mailbox.url,
      db,
      env: serverEnv,
      stop,
      /** Ends the server without warning and starts it again at the same address. */
      async crashServer() {
        const exited = new Promise((r) => server.child.on('exit', r));
        server.child.kill('SIGKILL');
        await exited;
        serverEnv.PORT = String(new URL(server.url).port);
        server = await start();
      },
      /** Ends PostgreSQL without warning and starts it again at the same address. */
      async crashPostgres() {
        await db.crash();
        db = await startPostgres(folder, { durable, port: db.port });
      },
      /** Starts one more server on the same database; returns its address and how to stop it. */
      async oneMore(env = {}) {
        const other = await startListening('server', process.execPath, [file('server.mjs'), 'serve'], {
          env: { ...withoutMetrics(serverEnv), PORT: '0', ...env },
        });
        stops.push(() => stopChild(other.child));
        return { url: other.url, pid: () => other.child.pid, stop: () => stopChild(other.child) };
      },
      serverPid: () => server.child.pid,
      /** Puts another station in the place of the one that runs: 'station', 'broken-station', or null for none. */
      async replaceStation(kind) {
        await stopChild(station.child);
        if (kind) station = await startListening(kind, process.execPath, [file('sim.mjs'), kind, new URL(station.url).port]);
      },
    };
  } catch (error) {
    await stop();
    throw error;
  }
}

const withoutMetrics = ({ METRICS_PORT: _, ...env }) => env;

/** Where the demo's clock stands: the instrument's shows the same. */
async function demoTime(ownerUrl) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const { rows } = await client.query('select demo_at from demo_clock');
  await client.end();
  return rows[0].demo_at.toISOString();
}

async function isEmpty(ownerUrl) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const { rows } = await client.query('select exists (select from outfit) as filled');
  await client.end();
  return !rows[0].filled;
}
