// From the pointer's move to the worth of the day with a leg in hand: the worker scores the moved legs in each frame.
import { chromium } from '@playwright/test';

const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-sync'];
const MOVES = 60;
const FRAME_MS = 16.7;

/** Drags the fourth leg of tomorrow's first trip to and fro and times each answer. */
export async function benchDrag(url, executablePath, say) {
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: url });
    await page.goto(`${url}/sign-in`);
    await page.getByRole('button', { name: /Tobias Wend/ }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
    const board = await (await page.request.get(`${url}/api/board`)).json();
    await page.goto(`${url}/trips/${board.tomorrow[0].id}`);
    await page.locator('[data-call]').first().waitFor({ timeout: 60_000 });
    await page.keyboard.press('s');
    await page.locator('[data-proof]').waitFor();
    const box = await page.locator('g[data-leg] > rect').nth(3).boundingBox();
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 6, y);
    await page.waitForTimeout(500);
    await page.evaluate(() => {
      window.__taken = [];
      let from = 0;
      window.addEventListener('pointermove', () => (from = performance.now()), true);
      new MutationObserver(() => {
        if (from > 0) window.__taken.push(performance.now() - from);
        from = 0;
      }).observe(document.querySelector('[data-against-last]'), { characterData: true, subtree: true, childList: true });
    });
    for (let i = 0; i < MOVES; i++) {
      // To where it stood, which is scored, and to where the boat cannot be in time, which is said.
      await page.mouse.move(x + (i % 2 ? 24 : 1), y);
      await page.waitForTimeout(200);
    }
    const taken = (await page.evaluate(() => window.__taken)).sort((a, b) => a - b);
    const middle = taken[Math.floor(taken.length / 2)] ?? Number.NaN;
    const within = taken.filter((ms) => ms <= FRAME_MS).length;
    say(
      `  ${taken.length} answers: median ${middle.toFixed(1)} ms, most ${(taken.at(-1) ?? Number.NaN).toFixed(1)} ms; ${within} within a frame of ${FRAME_MS} ms`,
    );
  } finally {
    await browser.close();
  }
}
