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
        await page.getByRole('tab', { name: /What if/ }).click();
        await page.locator('[data-changes-done=true]').waitFor({ timeout: 60_000 });
        await shot('what-if');
      }
      await page.getByRole('button', { name: 'Save plan' }).click();
      await page.getByText(/Plan 1 saved/).waitFor();
    }
    await page.goto(`/trips/${board.tomorrow[0].id}/foretold`);
    await page.locator('[data-backtest=true]').waitFor({ timeout: 120_000 });
    await shot('foretold');
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
      ['log', '/log'],
      ['crew', '/crew'],
    ]) {
      await open(to);
      await shot(name);
    }
    await open('/water');
    await page.getByText('Since this time yesterday').waitFor();
    await shot('water');
    await page.keyboard.press('i');
    await page.locator('input[type=file]').setInputFiles({
      name: 'logger.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'Datum;Zeit;Wind (kn);Wind dir;Water temp (°F)\n17.06.2026;10:00;6,0;135;57,4\n17.06.2026;11:00;6,5;140;57,6\n17.06.2026;12:00;some;140;57,6\n',
      ),
    });
    await page.locator('[data-preview]').waitFor();
    await shot('import');
    await open('/grounds');
    await page.locator('[data-spot]').first().waitFor();
    await page.waitForTimeout(4000);
    for (let i = 0; i < 20; i++) await page.keyboard.press('>');
    await page.keyboard.press('.');
    await page.getByRole('combobox', { name: 'Order' }).click();
    await page.getByRole('option', { name: 'most sheltered first' }).click();
    await shot('grounds');
    await page.locator('[data-spot="Cold Kettle drain"]').click();
    await page.locator('[data-spot-panel]').waitFor();
    await page.waitForTimeout(2500);
    await shot('spot');
    // The same evening on a phone.
    await page.setViewportSize({ width: 390, height: 844 });
    for (const [name, to] of [
      ['pocket-board', '/'],
      ['pocket-water', '/water'],
      ['pocket-grounds', '/grounds'],
      ['pocket-plan', `/trips/${board.tomorrow[0].id}`],
      ['pocket-brief', '/brief/2026-06-19'],
    ]) {
      await open(to);
      if (name === 'pocket-plan') await page.locator('[data-call]').first().waitFor({ timeout: 60_000 });
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
      const all = (await keys.allInnerTexts()).map(Number);
      const near = all.reduce((best, k) => (Math.abs(k - cm) < Math.abs(best - cm) ? k : best));
      await keys.filter({ hasText: new RegExp(`^${near}$`) }).click();
      for (let k = near; k !== cm; k += Math.sign(cm - k))
        await page.getByRole('button', { name: `${cm > k ? '+' : '−'}1 centimetre` }).click();
      if (cm === 46) await shot('deck-catch');
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
