// npm run drill [-- NAME...] [--keep]: what the server must hold under load, bad networks and bad luck, tried on a world of its own on loopback.
// --keep goes on with the world that the last drill left when it failed. Each drill is bounded, prints its counts and says whether they are as they must be. Not part of npm test: all of them take minutes.
import { rmSync } from 'node:fs';
import { drill as stalled, title as stalledTitle } from './drills/stalled.mjs';
import { drill as flood, title as floodTitle } from './drills/flood.mjs';
import { drill as entries, title as entriesTitle } from './drills/entries.mjs';
import { drill as kills, title as killsTitle } from './drills/kills.mjs';
import { drill as readers, title as readersTitle } from './drills/readers.mjs';
import { drill as bringIn, title as bringInTitle } from './drills/import.mjs';
import { drill as two, title as twoTitle } from './drills/two.mjs';
import { drill as live, title as liveTitle } from './drills/live.mjs';
import { drill as addresses, title as addressesTitle } from './drills/addresses.mjs';
import { drill as large, title as largeTitle } from './drills/large.mjs';
import { clusterFolder } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const DRILLS = {
  stalled: [stalled, stalledTitle],
  flood: [flood, floodTitle],
  entries: [entries, entriesTitle],
  kills: [kills, killsTitle],
  readers: [readers, readersTitle],
  import: [bringIn, bringInTitle],
  two: [two, twoTitle],
  live: [live, liveTitle],
  addresses: [addresses, addressesTitle],
  large: [large, largeTitle],
};

await main(async () => {
  const keep = process.argv.includes('--keep');
  const wanted = process.argv.slice(2).filter((a) => a !== '--keep');
  const unknown = wanted.find((w) => !(w in DRILLS));
  if (unknown) throw new Stop(`No drill ${unknown}; there are ${Object.keys(DRILLS).join(', ')}.`);
  await ensurePackages();
  const { ensurePostgres } = await import('./debian.mjs');
  await ensurePostgres();
  const { buildServer, buildSim } = await import('./build.mjs');
  await Promise.all([buildServer(), buildSim()]);
  const { startWorld } = await import('./world.mjs');
  const failed = [];
  for (const name of wanted.length > 0 ? wanted : Object.keys(DRILLS)) {
    const [drill, title] = DRILLS[name];
    say(`\n${name}: ${title}`);
    const metricsPort = 19_000 + Math.floor(Math.random() * 5000);
    const world = await startWorld({ name: 'drill', reset: !keep, quiet: true, web: false, more: { METRICS_PORT: String(metricsPort) } });
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
