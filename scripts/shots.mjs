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
  const folder = path.join(ROOT, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      baseURL: world.url,
      timezoneId: 'Etc/GMT+2',
      locale: 'en-GB',
    });
    const page = await context.newPage();
    page.on('pageerror', (e) => say(`page error: ${e.message}`));
    const shot = async (name) => {
      await page.evaluate(() => document.fonts.ready);
      await page.waitForTimeout(900);
      await page.screenshot({ path: path.join(folder, `${name}.png`) });
      say(`  ${name}.png`);
    };
    await page.goto('/sign-in');
    await page.getByRole('button', { name: /Tobias Wend/ }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
    const board = await (await page.request.get('/api/board')).json();
    for (const trip of board.tomorrow.slice(0, 3)) {
      await page.goto(`/trips/${trip.id}`);
      await page.locator('[data-call]').first().waitFor({ timeout: 60_000 });
      await page.keyboard.press('s');
      await page.getByText(/no better day exists/).waitFor();
      if (trip === board.tomorrow[0]) {
        for (let i = 0; i < 11; i++) await page.keyboard.press('.');
        await shot('plan');
      }
      await page.getByRole('button', { name: 'Save plan' }).click();
      await page.getByText(/Plan 1 saved/).waitFor();
    }
    await page.goto('/fleet/2026-06-19');
    await page.locator('[data-fleet-done=true]').waitFor({ timeout: 60_000 });
    await shot('fleet');
    const open = async (to) => {
      await page.goto(to);
      await page.getByRole('heading', { level: 1 }).waitFor({ timeout: 60_000 });
    };
    for (const [name, to] of [
      ['board', '/'],
      ['brief', '/brief/2026-06-19'],
      ['log', '/log?show=rates'],
      ['crew', '/crew?tab=rules'],
      ['calendar', '/calendar?week=2026-06-15'],
    ]) {
      await open(to);
      await shot(name);
    }
    await open('/water');
    await page.getByText('Since this time yesterday').waitFor();
    await shot('water');
    // A tide out of a table that somebody pastes: of two constituents, to the minute.
    await open('/crew?tab=waters');
    await page.getByRole('button', { name: 'Tide of Hollin Sound' }).click();
    await page.getByLabel('Or paste it here').fill(tideTable());
    await page.locator('[data-tide-read]').waitFor();
    await shot('tide');
    await page.keyboard.press('Escape');
    await open('/grounds');
    await page.locator('[data-spot]').first().waitFor();
    await page.waitForTimeout(4000);
    for (let i = 0; i < 20; i++) await page.keyboard.press('>');
    await page.keyboard.press('.');
    await page.getByRole('combobox', { name: 'Order' }).click();
    await page.getByRole('option', { name: 'most sheltered first' }).click();
    await shot('grounds');
    await open(`/trips/${board.tomorrow[0].id}/rigs`);
    await page.locator('[data-rig-picture]').first().waitFor({ timeout: 60_000 });
    await shot('rigs');
    for (const sum of ['feeder', 'boards', 'plumb']) {
      await open(`/bench?sum=${sum}`);
      await page.locator('[data-sum]').waitFor({ timeout: 60_000 });
      await page.waitForTimeout(2000);
      await shot(`bench-${sum}`);
    }
    // The day that is over: what the crew says of it, and the page that the guests get.
    const over = board.today.find((t) => t.status === 'done' && t.captain.name === 'Tobias Wend');
    await open(`/trips/${over.id}/after`);
    await page.locator('[data-stop]').first().waitFor({ timeout: 60_000 });
    await page.getByRole('button', { name: 'easy fishing' }).click();
    await page.getByLabel('In your words').fill('Best in the hour before the turn. The guests want the jetty again.');
    await shot('debrief');
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
    const guest = await browser.newContext({ viewport: { width: 800, height: 1000 }, baseURL: world.url, locale: 'en-GB' });
    const theirs = await guest.newPage();
    await theirs.goto((await sent.json()).path);
    await theirs.getByRole('heading', { level: 1 }).waitFor();
    await theirs.waitForTimeout(900);
    await theirs.screenshot({ path: path.join(folder, 'report.png') });
    say('  report.png');
    await guest.close();
    // Another outfit, which has begun and laid no day yet.
    const other = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: world.url, locale: 'en-GB' });
    const first = await other.newPage();
    await first.goto('/sign-in');
    await first.getByRole('button', { name: /Ottoline Speck/ }).click();
    await first.getByRole('button', { name: 'Sign in' }).click();
    await first.getByRole('heading', { name: 'The first evening' }).waitFor();
    await first.waitForTimeout(1500);
    await first.screenshot({ path: path.join(folder, 'first-evening.png') });
    say('  first-evening.png');
    await other.close();
    // The same evening on a phone.
    await page.setViewportSize({ width: 390, height: 844 });
    for (const [name, to] of [['pocket-rig', `/trips/${board.tomorrow[0].id}/rigs`]]) {
      await open(to);
      if (name === 'pocket-rig') await page.locator('[data-rig-picture]').first().waitFor({ timeout: 60_000 });
      await page.waitForTimeout(2500);
      await shot(name);
    }
    await page.request.post('/api/demo/clock', { data: { now: '2026-06-19T08:40:00.000Z' } });
    await page.goto(`/deck/${board.tomorrow[0].id}`);
    await page.getByRole('button', { name: 'Begin the trip' }).click();
    await page.getByRole('button', { name: /Lines in at/ }).click();
    for (const cm of [38, 46]) {
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
    await page.getByRole('button', { name: 'Missed', exact: true }).click();
    await page.request.post('/api/demo/clock', { data: { now: '2026-06-19T09:12:00.000Z' } });
    await page.reload();
    await page.getByText(/entries are with the crew/).waitFor({ timeout: 30_000 });
    await page.waitForTimeout(6000);
    await shot('deck');
  } finally {
    await browser.close();
    await world.stop();
    rmSync(clusterFolder('shots'), { recursive: true, force: true });
  }
});

/** Sixty days of high and low waters of a plain tide, with springs and neaps, as a table has them. */
function tideTable() {
  const from = Date.UTC(2026, 5, 1);
  const [m2, s2] = [(2 * Math.PI) / 44_714_164, (2 * Math.PI) / 43_200_000];
  const height = (t) => 2 + 1.1 * Math.cos(m2 * t) + 0.35 * Math.cos(s2 * t);
  const rows = [];
  for (let t = 0; t < 60 * 86_400_000; t += 60_000) {
    const [a, b, c] = [height(t - 60_000), height(t), height(t + 60_000)];
    if ((b >= a && b > c) || (b <= a && b < c)) {
      const at = new Date(from + t).toISOString();
      rows.push(`${at.slice(0, 10)}, ${at.slice(11, 16)}, ${b.toFixed(2)}, ${b > c ? 'H' : 'L'}`);
    }
  }
  return rows.join('\n');
}
