// npm run mutate -- FOLDER: plants faults in a folder of the core (such as stay or itinerary/solve.ts), one at a time, and counts how many
// the core's tests find. Not part of npm test: a folder takes minutes to an hour. With --own only the folder's own tests are asked, which is
// many times faster; what they miss another folder's may find.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { cleanEnv } from './children.mjs';
import { ROOT, STATE } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

await main(async () => {
  const wanted = (process.argv[2] ?? '').replace(/^(packages\/)?core\/(src\/)?/, '').replace(/\/$/, '');
  const target = path.join(ROOT, 'packages/core/src', wanted);
  if (wanted === '' || wanted.includes('..') || !existsSync(target))
    throw new Stop(`No folder "${process.argv[2] ?? ''}" in packages/core/src. Say for example: npm run mutate -- core/stay`);
  const own = process.argv.includes('--own');
  await ensurePackages();
  mkdirSync(STATE, { recursive: true });
  const config = path.join(STATE, 'mutate.json');
  const files = wanted.endsWith('.ts') ? wanted : `${wanted}/**/*.ts`;
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'vitest',
      plugins: ['@stryker-mutator/vitest-runner'],
      vitest: { configFile: 'vitest.core.config.ts' },
      mutate: [`packages/core/src/${files}`, '!packages/core/src/**/*.test.ts', '!packages/core/src/**/test*.ts'],
      coverageAnalysis: 'perTest',
      reporters: ['clear-text', 'json', 'progress-append-only'],
      clearTextReporter: { allowColor: false, reportTests: false },
      jsonReporter: { fileName: path.join(STATE, 'mutate-report.json') },
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
  say(`Planting faults in core/${wanted} ...`);
  const result = spawnSync(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', config], {
    cwd: ROOT,
    stdio: 'inherit',
    env: cleanEnv({ FEW_CASES: 'yes', ...(own ? { FOLDER_OF_TESTS: wanted.split('/')[0] } : {}) }),
  });
  process.exitCode = result.status ?? 1;
});
