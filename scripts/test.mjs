// npm test: every test. "npm test -- unit" runs core, database and web units only, "npm test -- browser" the stories;
// either of files whose names hold what follows, if anything does.
import { spawnSync } from 'node:child_process';
import { createServer } from 'node:http';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { cleanEnv } from './children.mjs';
import { clusterFolder, ROOT, STATE } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

/** Lines of a failed story's page that are printed. */
const SHOWN_LINES = 80;
/** Files of stories that run in the first world; all others run in the second one, beside them. About as long each. */
const FIRST_LANE = ['answers', 'begin', 'calendar', 'fleet', 'keyboard', 'own', 'plan', 'screens'];
/** Processors from which two stories at a time are done sooner than one after the other. */
const CORES_FOR_TWO = Number(process.env.TEST_CORES_FOR_TWO) || 4;
/** Test files that run at a time, each in a database of its own: what one does to all outfits does not meet the others. Of two processors the runner would use one. */
const WORKERS = Number(process.env.TEST_WORKERS) || Math.min(4, Math.max(2, os.availableParallelism() - 1));
const counts = { passed: 0, failed: 0, skipped: 0 };
/** What failed and why, told once more at the end: where a long log is cut, its end is what is left. */
const failures = [];
/** Lines of a reason that are told there. */
const REASON_LINES = 12;

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
  if (failures.length > 0) say(`\nFailed:\n${failures.join('\n')}`);
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
    await db.copied(Array.from({ length: WORKERS }, (_, i) => `bluffwind_${i + 1}`));
    say('Unit and database tests ...');
    const report = path.join(STATE, 'vitest.json');
    rmSync(report, { force: true });
    const result = spawnSync(
      path.join(ROOT, 'node_modules/.bin/vitest'),
      ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`, ...process.argv.slice(3)],
      {
        cwd: ROOT,
        stdio: ['ignore', 'inherit', 'inherit'],
        env: cleanEnv({
          TEST_ADMIN_URL: db.adminUrl,
          TEST_OWNER_URL: db.ownerUrl,
          TEST_APP_URL: db.appUrl,
          TEST_WORKERS: String(WORKERS),
          PG_BIN: bin,
        }),
      },
    );
    const json = read(report);
    counts.passed += json?.numPassedTests ?? 0;
    counts.failed += (json?.numFailedTests ?? 0) + (result.status !== 0 && !json?.numFailedTests ? 1 : 0);
    counts.skipped += json?.numPendingTests ?? 0;
    for (const file of json?.testResults ?? []) {
      const failed = file.assertionResults.filter((t) => t.status === 'failed');
      for (const t of failed) noteFailure(`${path.relative(ROOT, file.name)}: ${t.fullName}`, t.failureMessages?.[0]);
      if (file.status === 'failed' && failed.length === 0) noteFailure(path.relative(ROOT, file.name), file.message);
    }
  } finally {
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function browser(chromium) {
  const { buildLab, buildServer, buildSim, buildWeb } = await import('./build.mjs');
  say('Building for the browser tests ...');
  await Promise.all([buildServer(), buildSim(), buildLab()]);
  await buildWeb();
  rmSync(path.join(ROOT, 'test-results'), { recursive: true, force: true });
  const wanted = process.argv.slice(3);
  if (wanted.length > 0) return lane('browser', chromium, wanted);
  const files = readdirSync(path.join(ROOT, 'e2e')).filter((f) => f.endsWith('.spec.ts'));
  const first = files.filter((f) => FIRST_LANE.includes(f.replace('.spec.ts', '')));
  const second = files.filter((f) => !first.includes(f));
  // Each lane has a world of its own, so that stories side by side do not meet in one database. A story alone keeps two processors busy.
  if (os.availableParallelism() >= CORES_FOR_TWO) await Promise.all([lane('browser', chromium, first), lane('beside', chromium, second)]);
  else await lane('browser', chromium, files);
}

/** Runs stories one after the other in a world of their own. */
async function lane(name, chromium, wanted) {
  const { startWorld } = await import('./world.mjs');
  const world = await startWorld({ name, reset: true, durable: false });
  const { startLine } = await import('./line.mjs');
  const line = await startLine(world.url);
  const { orders, end } = await ordersOf(name, world, line);
  const control = createServer((req, res) => {
    const work = orders[req.url]?.() ?? Promise.reject(new Error('unknown'));
    work.then(
      (said) => res.end(JSON.stringify(said ?? 'done')),
      (e) => res.writeHead(500).end(String(e)),
    );
  });
  await new Promise((r) => control.listen(0, '127.0.0.1', r));
  try {
    say(`Browser tests: ${wanted.map((f) => f.replace('.spec.ts', '')).join(', ')} ...`);
    const report = path.join(STATE, `playwright-${name}.json`);
    rmSync(report, { force: true });
    // Not spawnSync: the control above must be able to answer meanwhile.
    const { run } = await import('./children.mjs');
    const failed = await run(path.join(ROOT, 'node_modules/.bin/playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...wanted], {
      env: {
        BASE_URL: line.url,
        CHROMIUM: chromium,
        OWNER_URL: world.db.adminUrl,
        CONTROL_URL: `http://127.0.0.1:${control.address().port}`,
        LANE: name,
        PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      },
    }).then(
      () => false,
      () => true,
    );
    if (failed) showFailures(name);
    const json = read(report);
    counts.passed += json?.stats?.expected ?? 0;
    counts.failed += (json?.stats?.unexpected ?? 0) + (json?.stats?.flaky ?? 0) + (failed && !json?.stats?.unexpected ? 1 : 0);
    counts.skipped += json?.stats?.skipped ?? 0;
    const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
    for (const spec of (json?.suites ?? []).flatMap(specs).filter((x) => !x.ok))
      noteFailure(`${spec.file}: ${spec.title}`, spec.tests.flatMap((t) => t.results).find((r) => r.error)?.error.message);
  } finally {
    control.close();
    await line.cut();
    await end();
    await world.stop();
    rmSync(clusterFolder(name), { recursive: true, force: true });
  }
}

/** What stories may ask for and cannot do themselves: a lost signal, a crash of the server, another station, a second server, a machine that has nothing. */
async function ordersOf(name, world, line) {
  const { startWorld } = await import('./world.mjs');
  const { startFront } = await import('./front.mjs');
  const { startListening, stopChild } = await import('./children.mjs');
  const cluster = `${name}-start`;
  let pair = null;
  let empty = null;
  let own = null;
  const orders = {
    '/crash': () => world.crashServer(),
    '/line/cut': () => line.cut(),
    '/line/mend': () => line.mend(),
    '/letters': async () => (await fetch(`${world.letters}/letters`)).json(),
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
      own = await startListening('start', process.execPath, [path.join(ROOT, 'scripts', 'start.mjs')], {
        env: { PORT: '0', BLUFFWIND_CLUSTER: cluster, LOG_LEVEL: 'warn', DEMO_URL: world.url },
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
      if (own) await stopChild(own.child, 20_000);
      own = null;
      rmSync(clusterFolder(cluster), { recursive: true, force: true });
    },
    '/empty': async () => {
      empty = await startWorld({
        name: `${name}-empty`,
        reset: true,
        durable: false,
        empty: true,
        quiet: true,
        more: { SIGN_UP: 'open' },
      });
      return { url: empty.url };
    },
    '/empty/end': async () => {
      await empty?.stop();
      empty = null;
    },
    '/pair/counts': async () => pair?.front.counts ?? [],
    '/pair/end': async () => {
      pair?.front.close();
      await pair?.other.stop();
      pair = null;
    },
  };
  const end = async () => {
    own?.child.kill('SIGKILL');
    await empty?.stop();
  };
  return { orders, end };
}

/** What the pages showed where stories failed: the only trace that is left where nobody can look at the machine. */
function showFailures(name) {
  const results = path.join(ROOT, 'test-results', name);
  if (!existsSync(results)) return;
  for (const folder of readdirSync(results)) {
    const page = path.join(results, folder, 'error-context.md');
    if (!existsSync(page)) continue;
    say(`What the page showed in ${folder}:`);
    const lines = (readFileSync(page, 'utf8').split('# Page snapshot')[1] ?? '').split('\n').filter((l) => !l.includes('/url:'));
    say(lines.slice(0, SHOWN_LINES).join('\n'));
  }
}

function noteFailure(name, reason) {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: the colours of a terminal begin with one.
  const plain = String(reason ?? 'no reason was given').replace(/\u001b\[[0-9;]*m/g, '');
  failures.push(
    `- ${name}`,
    ...plain
      .split('\n')
      .slice(0, REASON_LINES)
      .map((l) => `    ${l}`),
  );
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}
