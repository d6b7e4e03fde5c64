// npm run bench: builds and runs the benchmarks; their figures are printed, never asserted. "-- core" leaves the browser out,
// "-- season" runs the simulated seasons instead, "-- tide" and "-- tackle" only what has to do with those, "-- taps" and "-- log" the browser's
// part of that name alone.
import { rmSync } from 'node:fs';
import path from 'node:path';
import { run } from './children.mjs';
import { clusterFolder, ROOT } from './folders.mjs';
import { main, say } from './output.mjs';
import { ensurePackages } from './packages.mjs';

await main(async () => {
  await ensurePackages();
  const { buildNode, buildServer, buildSim, buildWeb } = await import('./build.mjs');
  await buildNode('bench', 'bench/main.ts');
  const alone = ['season', 'tackle', 'tide'].find((part) => process.argv.includes(part));
  const part = ['taps', 'log'].find((name) => process.argv.includes(name));
  if (!part) await run(process.execPath, ['--expose-gc', path.join(ROOT, 'dist', 'bench.mjs'), ...(alone ? [alone] : [])]);
  if (alone || process.argv.includes('core')) return;
  const { ensureChromium } = await import('./debian.mjs');
  const { startWorld } = await import('./world.mjs');
  const { benchPan } = await import('../bench/pan.mjs');
  const { benchDrag } = await import('../bench/drag.mjs');
  const { benchTaps } = await import('../bench/taps.mjs');
  const { benchLog } = await import('../bench/log.mjs');
  const chromium = await ensureChromium();
  await Promise.all([buildServer(), buildSim()]);
  await buildWeb();
  const world = await startWorld({ name: 'bench', reset: true, durable: false });
  try {
    if (!part) {
      say('\nChart: dragged about at 1280 x 800');
      await benchPan(world.url, chromium, say);
      say('\nA leg dragged on the ribbon: from the move to the worth of the day');
      await benchDrag(world.url, chromium, say);
    }
    if (part !== 'taps') {
      say('\nLog: from the tap on its name to its first entries');
      await benchLog(world, chromium, say);
    }
    if (part !== 'log') {
      say('\nDeck: every tap on a slow phone');
      await benchTaps(world.url, chromium, say);
    }
  } finally {
    await world.stop();
    rmSync(clusterFolder('bench'), { recursive: true, force: true });
  }
});
