// npm test: every test. "npm test -- unit" runs core, database and web units only, "npm test -- browser" the stories;
// either of files whose names hold what follows, if anything does.
import { spawnSync } from 'node:child_process';
import { createServer } from 'node:http';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { cleanEnv } from './children.mjs';
import { clusterFolder, ROOT, STATE } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

/** Lines of a failed story's page that are printed. */
const SHOWN_LINES = 80;
const counts = { passed: 0, failed: 0, skipped: 0 };

await main(async () => {
  const which = process.argv[2] ?? 'all';
  if (!['all', 'unit', 'browser'].includes(which)) throw new Stop(`Unknown part ${which}; there are unit and browser.`);
  const started = Date.now();
  await ensurePackages();
  const { ensureChromium, ensurePostgres, offerGpsbabel } = await import('./debian.mjs');
  const bin = await ensurePostgres();
  const chromium = which === 'unit' ? '' : await ensureChromium();
  await offerGpsbabel();
  if (which !== 'browser') await unit(bin);
  if (which !== 'unit') await browser(chromium);
  say('');
  say(`All tests ran in ${Math.round((Date.now() - started) / 1000)} s.`);
  say(`Tests: ${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
  if (counts.failed > 0 || counts.passed === 0) process.exitCode = 1;
});

async function unit(bin) {
  const { startPostgres } = await import('./postgres.mjs');
  const { buildServer, buildLab } = await import('./build.mjs');
  say('Database for the tests ...');
  const folder = clusterFolder('unit');
  rmSync(folder, { recursive: true, force: true });
  const db = await startPostgres(folder, { durable: false });
  try {
    await Promise.all([buildServer(), buildLab()]);
    const { run } = await import('./children.mjs');
    await run(process.execPath, [path.join(ROOT, 'dist', 'server.mjs'), 'migrate'], {
      env: { DATABASE_URL: db.appUrl, DATABASE_OWNER_URL: db.ownerUrl },
      quiet: true,
    });
    say('Unit and database tests ...');
    const report = path.join(STATE, 'vitest.json');
    rmSync(report, { force: true });
    const result = spawnSync(
      path.join(ROOT, 'node_modules/.bin/vitest'),
      ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`, ...process.argv.slice(3)],
      {
        cwd: ROOT,
        stdio: ['ignore', 'inherit', 'inherit'],
        env: cleanEnv({ TEST_ADMIN_URL: db.adminUrl, TEST_OWNER_URL: db.ownerUrl, TEST_APP_URL: db.appUrl, PG_BIN: bin }),
      },
    );
    const json = read(report);
    counts.passed += json?.numPassedTests ?? 0;
    counts.failed += (json?.numFailedTests ?? 0) + (result.status !== 0 && !json?.numFailedTests ? 1 : 0);
    counts.skipped += json?.numPendingTests ?? 0;
  } finally {
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function browser(chromium) {
  const { buildServer, buildSim, buildWeb } = await import('./build.mjs');
  const { startWorld } = await import('./world.mjs');
  const { startFront } = await import('./front.mjs');
  say('Building for the browser tests ...');
  await Promise.all([buildServer(), buildSim()]);
  await buildWeb();
  const world = await startWorld({ name: 'browser', reset: true, durable: false });
  let pair = null;
  let empty = null;
  let own = null;
  // The stories may ask for a crash of the server, for another station or for a second server, which they cannot do themselves.
  const orders = {
    '/crash': () => world.crashServer(),
    '/station/none': () => world.replaceStation(null),
    '/station/broken': () => world.replaceStation('broken-station'),
    '/station/good': () => world.replaceStation('station'),
    '/pair': async () => {
      const other = await world.oneMore();
      const front = await startFront([world.url, other.url]);
      pair = { front, other };
      return { url: front.url };
    },
    // npm start on a machine that has nothing, as the README says it.
    '/start': async () => {
      const { startListening } = await import('./children.mjs');
      own = await startListening('start', process.execPath, [path.join(ROOT, 'scripts', 'start.mjs')], {
        env: { PORT: '0', BLUFFWIND_CLUSTER: 'start-test', LOG_LEVEL: 'warn' },
        patienceMs: 120_000,
      });
      return { url: own.url };
    },
    '/start/kill': async () => {
      const gone = new Promise((r) => own.child.on('exit', r));
      own.child.kill('SIGKILL');
      await gone;
      own = null;
    },
    '/start/end': async () => {
      const { stopChild } = await import('./children.mjs');
      if (own) await stopChild(own.child, 20_000);
      own = null;
      rmSync(clusterFolder('start-test'), { recursive: true, force: true });
    },
    '/empty': async () => {
      empty = await startWorld({ name: 'empty', reset: true, durable: false, empty: true, quiet: true, more: { SIGN_UP: 'open' } });
      return { url: empty.url };
    },
    '/empty/end': async () => {
      await empty?.stop();
      own?.child.kill('SIGKILL');
      empty = null;
    },
    '/pair/counts': async () => pair?.front.counts ?? [],
    '/pair/end': async () => {
      pair?.front.close();
      await pair?.other.stop();
      pair = null;
    },
  };
  const control = createServer((req, res) => {
    const work = orders[req.url]?.() ?? Promise.reject(new Error('unknown'));
    work.then(
      (said) => res.end(JSON.stringify(said ?? 'done')),
      (e) => res.writeHead(500).end(String(e)),
    );
  });
  await new Promise((r) => control.listen(0, '127.0.0.1', r));
  try {
    say('Browser tests ...');
    const report = path.join(STATE, 'playwright.json');
    rmSync(report, { force: true });
    // Not spawnSync: the control above must be able to answer meanwhile.
    const { run } = await import('./children.mjs');
    const failed = await run(
      path.join(ROOT, 'node_modules/.bin/playwright'),
      ['test', '--config', 'e2e/playwright.config.ts', ...process.argv.slice(3)],
      {
        env: {
          BASE_URL: world.url,
          CHROMIUM: chromium,
          OWNER_URL: world.db.adminUrl,
          CONTROL_URL: `http://127.0.0.1:${control.address().port}`,
          PLAYWRIGHT_JSON_OUTPUT_NAME: report,
        },
      },
    ).then(
      () => false,
      () => true,
    );
    if (failed) showFailures();
    const json = read(report);
    counts.passed += json?.stats?.expected ?? 0;
    counts.failed += (json?.stats?.unexpected ?? 0) + (json?.stats?.flaky ?? 0) + (failed && !json?.stats?.unexpected ? 1 : 0);
    counts.skipped += json?.stats?.skipped ?? 0;
  } finally {
    control.close();
    await empty?.stop();
    await world.stop();
    rmSync(clusterFolder('browser'), { recursive: true, force: true });
  }
}

/** What the pages showed where stories failed: the only trace that is left where nobody can look at the machine. */
function showFailures() {
  const results = path.join(ROOT, 'test-results');
  if (!existsSync(results)) return;
  for (const folder of readdirSync(results)) {
    const page = path.join(results, folder, 'error-context.md');
    if (!existsSync(page)) continue;
    say(`What the page showed in ${folder}:`);
    const lines = (readFileSync(page, 'utf8').split('# Page snapshot')[1] ?? '').split('\n').filter((l) => !l.includes('/url:'));
    say(lines.slice(0, SHOWN_LINES).join('\n'));
  }
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}
