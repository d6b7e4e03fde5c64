// npm run mutate -- FOLDER: plants faults in a folder of the core (such as stay or itinerary/labels.ts), one at a time, and counts how many
// the core's tests find. Not part of npm test: a folder takes minutes to an hour. With --own only the folder's own tests are asked, which is
// many times faster; what they miss another folder's may find. Each file is a run of its own: only its own code is then slowed by the faults.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { cleanEnv } from './children.mjs';
import { ROOT, STATE } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const CORE = path.join(ROOT, 'packages/core/src');

await main(async () => {
  const wanted = (process.argv[2] ?? '').replace(/^(packages\/)?core\/(src\/)?/, '').replace(/\/$/, '');
  if (wanted === '' || wanted.includes('..') || !existsSync(path.join(CORE, wanted)))
    throw new Stop(`No folder "${process.argv[2] ?? ''}" in packages/core/src. Say for example: npm run mutate -- core/stay`);
  const own = process.argv.includes('--own');
  await ensurePackages();
  mkdirSync(STATE, { recursive: true });
  const files = filesOf(wanted);
  const rows = [];
  for (const [i, file] of files.entries()) {
    say(`\nPlanting faults in core/${file} (${i + 1} of ${files.length}) ...`);
    const report = path.join(STATE, 'mutate-report.json');
    writeFileSync(report, '{"files":{}}');
    const result = plant(file, report, own);
    if (result !== 0) throw new Stop(`core/${file}: the run failed (${result}).`);
    rows.push(countOf(file, JSON.parse(readFileSync(report, 'utf8'))));
  }
  say('');
  for (const r of [
    ...rows,
    rows.reduce((a, b) => ({ file: 'all', found: a.found + b.found, faults: a.faults + b.faults }), { found: 0, faults: 0 }),
  ])
    say(`${r.file.padEnd(40)} ${r.faults === 0 ? '   -' : `${((100 * r.found) / r.faults).toFixed(0).padStart(3)} %`} of ${r.faults}`);
  say('\nFaults that no test found are listed above, file by file.');
});

/** The files of a folder that are code, not tests of it or what tests use. */
function filesOf(wanted) {
  if (statSync(path.join(CORE, wanted)).isFile()) return [wanted];
  return readdirSync(path.join(CORE, wanted), { recursive: true })
    .map((f) => path.join(wanted, String(f)))
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && !path.basename(f).startsWith('test'))
    .sort();
}

function plant(file, report, own) {
  const config = path.join(STATE, 'mutate.json');
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'vitest',
      plugins: ['@stryker-mutator/vitest-runner'],
      vitest: { configFile: 'vitest.core.config.ts' },
      mutate: [`packages/core/src/${file}`],
      coverageAnalysis: 'perTest',
      reporters: ['clear-text', 'json'],
      clearTextReporter: { allowColor: false, reportTests: false, reportMutants: true, reportScoreTable: false },
      jsonReporter: { fileName: report },
      tempDirName: path.join(STATE, 'mutate'),
      ignorePatterns: ['dist', 'docs', 'test-results', 'e2e', 'bench', 'packages/web', 'packages/server'],
      // A whole string or message changed is no fault of behaviour.
      mutator: { excludedMutations: ['StringLiteral'] },
      ignoreStatic: true,
      timeoutMS: own ? 4000 : 20_000,
      concurrency: 2,
      allowEmpty: true,
    }),
  );
  const env = cleanEnv({ FEW_CASES: 'yes', ...(own ? { FOLDER_OF_TESTS: file.split(path.sep)[0] } : {}) });
  return spawnSync(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', config], { cwd: ROOT, stdio: 'inherit', env }).status ?? 1;
}

function countOf(file, report) {
  const mutants = Object.values(report.files).flatMap((f) => f.mutants);
  const of = (...states) => mutants.filter((m) => states.includes(m.status)).length;
  const found = of('Killed', 'Timeout');
  return { file, found, faults: found + of('Survived', 'NoCoverage') };
}
