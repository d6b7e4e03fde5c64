// npm run check: types, lint and format, import rules, dead exports, bundle budget. Prints what it does; fails on any.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { run } from './children.mjs';
import { ROOT } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const bin = (name) => path.join(ROOT, 'node_modules', '.bin', name);

/** Largest gzipped size in kB of what a screen has to fetch, by the start of the file's name. */
const BUDGET = {
  index: 150,
  Chart: 110,
  Ribbon: 20,
  // React Router, named after a file of its own.
  chunk: 32,
  Plan: 19,
  // With the list before leaving, what is told of a fish, and photos.
  Deck: 26,
  Grounds: 28,
  waterRecord: 36,
  // Sun and moon (astronomy-engine), which the list before leaving asks for as well.
  skyDay: 27,
  // The chart of OpenLayers, named after the smallest part that shares its file.
  Menu: 125,
  // Fetched when a chart is looked at.
  'apexcharts.esm': 155,
  // The fields of every form (react-hook-form), and the month's leaf (react-day-picker); fetched by the screens that fill in.
  fields: 20,
  DayPick: 22,
  // Trips are dragged from day to day (dnd-kit).
  Calendar: 20,
  // The reader of workbooks, fetched when one is opened.
  'web-worker': 20,
  // The log's table and its rows in sight (TanStack Table and Virtual).
  Log: 30,
  // Readers that are fetched when such a file is opened: calendars (ical.js), projections (proj4), pictures of depths (geotiff's unpackers).
  bookings: 25,
  projections: 45,
  // What cameras write beside photos (exifr).
  photoFacts: 28,
  lerc: 40,
  zstd: 35,
  'plan.worker': 88,
  'fleet.worker': 67,
  'files.worker': 42,
  'ground.worker': 20,
};
const TOTAL_KB = 1300;

await main(async () => {
  await ensurePackages();
  const faults = [];
  const step = async (name, work) => {
    try {
      await work();
      say(`  passed  ${name}`);
    } catch (error) {
      faults.push(name);
      say(`  FAILED  ${name}`);
      say(String(error.message).trim());
    }
  };
  say('Checks:');
  await step('types', () => run(bin('tsc'), ['-p', '.'], { quiet: true }));
  await step('lint and format', () => run(bin('biome'), ['ci', '--error-on-warnings', '--colors=off', '.'], { quiet: true }));
  await step('import rules', () =>
    run(bin('depcruise'), ['packages', 'sim', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'], { quiet: true }),
  );
  await step('the import rules see the code', importRulesWork);
  await step('dead files, exports and dependencies', () => run(bin('knip'), ['--no-progress', '--no-config-hints'], { quiet: true }));
  await step('bundle budget', budget);
  if (faults.length > 0) throw new Stop(`${faults.length} of the checks failed: ${faults.join(', ')}`);
});

/** A checker that reads no TypeScript reports green on nothing: it must see at least the known number of modules. */
async function importRulesWork() {
  const output = await run(bin('depcruise'), ['packages', 'sim', '--config', '.dependency-cruiser.cjs'], { quiet: true });
  const modules = Number(/\((\d+) modules/.exec(output)?.[1] ?? 0);
  if (modules < 330) throw new Error(`dependency-cruiser saw only ${modules} modules`);
}

async function budget() {
  const { buildWeb } = await import('./build.mjs');
  await buildWeb();
  const folder = path.join(ROOT, 'packages', 'web', 'dist', 'assets');
  const over = [];
  let total = 0;
  for (const file of readdirSync(folder).filter((f) => f.endsWith('.js'))) {
    const kb = gzipSync(readFileSync(path.join(folder, file))).length / 1024;
    total += kb;
    const limit = Object.entries(BUDGET).find(([name]) => file.startsWith(`${name}-`))?.[1] ?? 15;
    if (kb > limit)
      over.push(`${file}: ${kb.toFixed(0)} kB gzipped, its budget is ${limit} kB (${statSync(path.join(folder, file)).size} bytes plain)`);
  }
  if (total > TOTAL_KB) over.push(`all scripts: ${total.toFixed(0)} kB gzipped, the budget is ${TOTAL_KB} kB`);
  if (over.length > 0) throw new Error(over.join('\n'));
}
