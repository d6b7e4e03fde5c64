// Every tap of the deck on a slow phone: from the finger to what is painted next (Event Timing, as INP counts it), at a processor slowed four times.
import { chromium, devices } from '@playwright/test';

const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-sync'];
const SLOWER = 4;
const ROUNDS = 4;
const GOAL_MS = 100;

/** Taps through a stop of tomorrow's first trip. */
export async function benchTaps(url, executablePath, say) {
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const context = await browser.newContext({ ...devices['Pixel 5'], viewport: { width: 390, height: 844 }, baseURL: url });
    const page = await context.newPage();
    await page.goto(`${url}/sign-in`);
    await page.getByRole('button', { name: /Tobias Wend/ }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page
      .getByRole('heading', { name: /Tonight and|Board/ })
      .first()
      .waitFor();
    const { tomorrow } = await (await page.request.get(`${url}/api/board`)).json();
    const [trip] = tomorrow;
    await page.request.post(`${url}/api/demo/clock`, { data: { now: new Date(Date.parse(trip.startsAt) + 600_000).toISOString() } });
    await page.goto(`${url}/deck/${trip.id}`);
    await page.getByRole('button', { name: 'Begin the trip' }).click({ timeout: 60_000 });
    // Planned or not: the first spot of the list.
    await page.getByRole('button', { name: 'Another spot' }).click();
    await page.getByRole('dialog').getByRole('button').first().click();
    await page.locator('[data-advice]').waitFor({ timeout: 60_000 });
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await page.evaluate(() => {
      window.__taps = [];
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) if (e.interactionId > 0) window.__taps.push([e.interactionId, e.duration]);
      }).observe({ type: 'event', durationThreshold: 16 });
    });
    const taken = new Map();
    const tap = async (what, target) => {
      await page.evaluate(() => {
        window.__taps.length = 0;
      });
      await target.tap();
      await page.waitForTimeout(600);
      const seen = await page.evaluate(() => window.__taps);
      // A tap's events share an id; the longest of them is the tap. One under 16 ms is not told at all.
      taken.set(what, [...(taken.get(what) ?? []), Math.max(16, ...seen.map(([, ms]) => ms))]);
    };
    const button = (name, exact = true) => page.getByRole('button', { name, exact }).first();
    for (let i = 0; i < ROUNDS; i++) {
      await tap('missed', button('Missed'));
      await tap('undo', page.getByRole('button', { name: /^Undo missed/ }).first());
      await tap('open another fish', button('Other'));
      await tap('choose a fish', page.getByRole('dialog').getByRole('button').nth(1));
      await tap('choose a length', page.getByRole('dialog').locator('.num').nth(4));
      await tap('released', button('Released'));
      await tap('open more of the fish', page.getByRole('button', { name: /^Tell more of/ }).first());
      await page.getByRole('button', { name: 'Done' }).tap();
      await page.waitForTimeout(400);
      await tap('open signs', button('Saw sign'));
      await page.keyboard.press('Escape');
      await page.waitForTimeout(400);
      await tap('lines out', button('Lines out'));
      await tap('why', page.getByRole('dialog').getByRole('button').first());
      await tap('lines in again', button('Lines in again'));
      await tap('chart and rest', button('Chart, rest of day'));
      await tap('close it', button('Less'));
      await tap('open baits', button('Switch bait'));
      await tap('choose a bait', page.getByRole('dialog').getByRole('button').first());
      await tap('leave spot', button('Leave spot'));
      await tap('open spots', button('Another spot'));
      await tap('lines in there', page.getByRole('dialog').getByRole('button').nth(i));
      await page.locator('[data-advice]').waitFor({ timeout: 60_000 });
    }
    const middle = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
    for (const [what, list] of taken)
      say(`  ${what.padEnd(24)} median ${middle(list).toFixed(0)} ms, most ${Math.max(...list).toFixed(0)} ms`);
    const all = [...taken.values()].flat();
    say(
      `  ${all.length} taps at a processor ${SLOWER} times slower: median ${middle(all).toFixed(0)} ms, most ${Math.max(...all).toFixed(0)} ms; ${all.filter((ms) => ms > GOAL_MS).length} over ${GOAL_MS} ms`,
    );
  } finally {
    await browser.close();
  }
}
