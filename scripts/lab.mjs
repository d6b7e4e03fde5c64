// npm run --silent lab -- CALCULATION < input.json > output.json
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { cleanEnv } from './children.mjs';
import { ROOT } from './folders.mjs';
import { main } from './output.mjs';
import { ensurePackages } from './packages.mjs';

await main(async () => {
  // Standard output is the answer's alone.
  const write = process.stdout.write.bind(process.stdout);
  process.stdout.write = (text) => process.stderr.write(text);
  await ensurePackages();
  const { buildLab } = await import('./build.mjs');
  await buildLab();
  process.stdout.write = write;
  const result = spawnSync(process.execPath, [path.join(ROOT, 'dist', 'lab.mjs'), ...process.argv.slice(2)], {
    stdio: 'inherit',
    env: cleanEnv(),
  });
  process.exitCode = result.status ?? 1;
});
