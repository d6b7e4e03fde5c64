// npm run shots: the pictures of the main views, from fresh demo data, into docs/screenshots.
import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { clusterFolder, ROOT } from './folders.mjs';
import { main, say } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const DESK = { width: 1280, height: 800 };
const POCKET = { width: 390, height: 844 };
const FOLDER = path.join(ROOT, 'docs', 'screenshots');
/** Whatever takes longer than this is not going to come. */
const PATIENCE_MS = 60_000;

await main(async () => {
  await ensurePackages();
  const { ensureChromium } = await import('./debian.mjs');
  const { buildServer, buildSim, buildWeb } = await import('./build.mjs');
  const { startWorld } = await import('./world.mjs');
  const { chromium } = await import('@playwright/test');
  const executablePath = await ensureChromium();
  await Promise.all([buildServer(), buildSim()]);
  await buildWeb();
  const world = await startWorld({ name: 'shots', reset: true, durable: false });
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  const sitting = (viewport) => browser.newContext({ viewport, baseURL: world.url, timezoneId: 'Etc/GMT+2', locale: 'en-GB' });
  try {
    const page = await (await sitting(DESK)).newPage();
    page.on('pageerror', (e) => say(`page error: ${e.message}`));
    await signIn(page, /Tobias Wend/);
    await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
    const board = await (await page.request.get('/api/board')).json();
    const trip = board.tomorrow[0];
    await plans(page, board);
    await lists(page);
    await water(page);
    await grounds(page);
    await rigs(page, trip);
    await theDayAfter(page, board, await (await sitting({ width: 800, height: 1000 })).newPage());
    await inThePocket(page, trip);
    await onDeck(page, trip);
  } finally {
    await browser.close();
    await world.stop();
    rmSync(clusterFolder('shots'), { recursive: true, force: true });
  }
});

async function signIn(page, who) {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: who }).click();
  await page.getByRole('button', { name: 'Sign in' }).click();
}

async function open(page, to) {
  await page.goto(to);
  await page.getByRole('heading', { level: 1 }).waitFor({ timeout: PATIENCE_MS });
}

async function shot(page, name) {
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(900);
  await page.screenshot({ path: path.join(FOLDER, `${name}.png`) });
  say(`  ${name}.png`);
}

/** Three trips of tomorrow laid and saved, then the boats of the day together. */
async function plans(page, board) {
  for (const trip of board.tomorrow.slice(0, 3)) {
    await page.goto(`/trips/${trip.id}`);
    await page.locator('[data-call]').first().waitFor({ timeout: PATIENCE_MS });
    await page.keyboard.press('s');
    await page.getByText(/no better day exists/).waitFor();
    if (trip === board.tomorrow[0]) {
      for (let i = 0; i < 11; i++) await page.keyboard.press('.');
      await shot(page, 'plan');
    }
    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByText(/Plan 1 saved/).waitFor();
  }
  await page.goto('/fleet/2026-06-19');
  await page.locator('[data-fleet-done=true]').waitFor({ timeout: PATIENCE_MS });
  await shot(page, 'fleet');
}

/** Views that are there as soon as they have a heading. */
async function lists(page) {
  for (const [name, to] of [
    ['board', '/'],
    ['brief', '/brief/2026-06-19'],
    ['log', '/log?show=rates'],
    ['crew', '/crew?tab=rules'],
    ['calendar', '/calendar?week=2026-06-15'],
  ]) {
    await open(page, to);
    await shot(page, name);
  }
}

async function water(page) {
  await open(page, '/water');
  await page.getByText('Since this time yesterday').waitFor();
  await shot(page, 'water');
}

async function grounds(page) {
  await open(page, '/grounds');
  await page.locator('[data-spot]').first().waitFor();
  await page.waitForTimeout(4000);
  for (let i = 0; i < 20; i++) await page.keyboard.press('>');
  await page.keyboard.press('.');
  await page.getByRole('combobox', { name: 'Order' }).click();
  await page.getByRole('option', { name: 'most sheltered first' }).click();
  await shot(page, 'grounds');
}

async function rigs(page, trip) {
  await open(page, `/trips/${trip.id}/rigs`);
  await page.locator('[data-rig-picture]').first().waitFor({ timeout: PATIENCE_MS });
  await shot(page, 'rigs');
  await open(page, '/bench?sum=plumb');
  await page.locator('[data-sum]').waitFor({ timeout: PATIENCE_MS });
  await page.waitForTimeout(2000);
  await shot(page, 'bench');
}

/** The day that is over: what the crew says of it, and the page that the guests get. */
async function theDayAfter(page, board, theirs) {
  const over = board.today.find((t) => t.status === 'done' && t.captain.name === 'Tobias Wend');
  await open(page, `/trips/${over.id}/after`);
  await page.locator('[data-stop]').first().waitFor({ timeout: PATIENCE_MS });
  await page.getByRole('button', { name: 'easy fishing' }).click();
  await page.getByLabel('In your words').fill('Best in the hour before the turn. The guests want the jetty again.');
  await shot(page, 'debrief');
  const text = await page.getByLabel('To the party').inputValue();
  const sent = await page.request.post(`/api/trips/${over.id}/report`, {
    data: {
      id: '019ee000-0000-7000-8000-00000000e001',
      text,
      learned: 'To let the line fall slack before the strike.',
      photoIds: [],
      days: 60,
    },
  });
  await open(theirs, (await sent.json()).path);
  await shot(theirs, 'report');
}

/** The same evening on a phone. */
async function inThePocket(page, trip) {
  await page.setViewportSize(POCKET);
  for (const [name, to, what] of [
    ['board', '/', 'main'],
    ['water', '/water', 'main svg'],
    ['plan', `/trips/${trip.id}`, '[data-call]'],
    ['grounds', '/grounds', '[data-spot]'],
    ['brief', '/brief/2026-06-19', 'main'],
  ]) {
    await open(page, to);
    await page.locator(what).first().waitFor({ timeout: PATIENCE_MS });
    await page.waitForTimeout(2500);
    await shot(page, `pocket-${name}`);
  }
}

async function onDeck(page, trip) {
  await page.request.post('/api/demo/clock', { data: { now: '2026-06-19T08:40:00.000Z' } });
  await page.goto(`/deck/${trip.id}`);
  await page.getByRole('button', { name: 'Begin the trip' }).click();
  await page.getByRole('button', { name: /Lines in at/ }).click();
  for (const cm of [38, 46]) await bass(page, cm);
  await page.getByRole('button', { name: 'Missed', exact: true }).click();
  await page.request.post('/api/demo/clock', { data: { now: '2026-06-19T09:12:00.000Z' } });
  await page.reload();
  await page.getByText(/entries are with the crew/).waitFor({ timeout: 30_000 });
  await page.waitForTimeout(6000);
  await shot(page, 'deck');
}

/** Logs a bass of a length, by the nearest key and steps from there. */
async function bass(page, cm) {
  await page.getByRole('button', { name: 'Other', exact: true }).click();
  await page.getByRole('button', { name: 'European sea bass', exact: true }).click();
  const keys = page.getByRole('dialog').getByRole('button', { name: /^\d+$/ });
  // The sheet's contents come a frame after it.
  await keys.first().waitFor();
  const all = (await keys.allInnerTexts()).map(Number);
  const near = all.reduce((best, k) => (Math.abs(k - cm) < Math.abs(best - cm) ? k : best));
  await keys.filter({ hasText: new RegExp(`^${near}$`) }).click();
  for (let k = near; k !== cm; k += Math.sign(cm - k))
    await page.getByRole('button', { name: `${cm > k ? '+' : '−'}1 centimetre` }).click();
  await page.getByRole('button', { name: 'Released', exact: true }).click();
}
