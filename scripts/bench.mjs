// npm run bench: builds and runs the benchmarks; their figures are printed, never asserted.
import path from 'node:path';
import { run } from './children.mjs';
import { ROOT } from './folders.mjs';
import { main } from './output.mjs';
import { ensurePackages } from './packages.mjs';

await main(async () => {
  await ensurePackages();
  const { buildNode } = await import('./build.mjs');
  await buildNode('bench', 'bench/main.ts');
  await run(process.execPath, [path.join(ROOT, 'dist', 'bench.mjs')]);
});
