// npm run drill [-- NAME...]: what the server must hold under load, bad networks and bad luck, tried on a world of its own on loopback.
// Each drill is bounded, prints its counts and says whether they are as they must be. Not part of npm test: all of them take minutes.
import { rmSync } from 'node:fs';
import { clusterFolder } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const DRILLS = ['stalled', 'flood', 'entries', 'kills', 'readers', 'import', 'two'];

await main(async () => {
  const wanted = process.argv.slice(2);
  const unknown = wanted.find((w) => !DRILLS.includes(w));
  if (unknown) throw new Stop(`No drill ${unknown}; there are ${DRILLS.join(', ')}.`);
  await ensurePackages();
  const { ensurePostgres } = await import('./debian.mjs');
  await ensurePostgres();
  const { buildServer, buildSim } = await import('./build.mjs');
  await Promise.all([buildServer(), buildSim()]);
  const { startWorld } = await import('./world.mjs');
  const failed = [];
  for (const name of wanted.length > 0 ? wanted : DRILLS) {
    const { drill, title } = await import(`./drills/${name}.mjs`);
    say(`\n${name}: ${title}`);
    const metricsPort = 19_000 + Math.floor(Math.random() * 5000);
    const world = await startWorld({ name: 'drill', reset: true, quiet: true, web: false, more: { METRICS_PORT: String(metricsPort) } });
    try {
      const faults = await drill({ world, metrics: `http://127.0.0.1:${metricsPort}/metrics`, say: (t) => say(`  ${t}`) });
      for (const f of faults) say(`  NOT AS IT MUST BE: ${f}`);
      if (faults.length === 0) say('  as it must be');
      else failed.push(name);
    } finally {
      await world.stop();
    }
  }
  rmSync(clusterFolder('drill'), { recursive: true, force: true });
  if (failed.length > 0) throw new Stop(`Not as they must be: ${failed.join(', ')}.`);
});
