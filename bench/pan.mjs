// Frames while the chart is dragged about with all its soundings on it, in headless Chromium without a graphics card. The
// peer is the same chart without soundings.
import { chromium } from '@playwright/test';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Drags the chart for some seconds and counts frames. */
async function drag(page) {
  await page.evaluate(() => {
    const seen = [];
    window.__frames = seen;
    const step = (t) => {
      seen.push(t);
      window.__raf = requestAnimationFrame(step);
    };
    window.__raf = requestAnimationFrame(step);
  });
  const box = await page.locator('[data-chart]').boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < 150; i++) {
    await page.mouse.move(x + 160 * Math.sin(i / 12), y + 90 * Math.sin(i / 17));
    await page.waitForTimeout(12);
  }
  const frames = await page.evaluate(() => {
    cancelAnimationFrame(window.__raf);
    return window.__frames;
  });
  await page.mouse.up();
  const gaps = frames.slice(1).map((t, i) => t - frames[i]);
  gaps.sort((a, b) => a - b);
  const seconds = (frames.at(-1) - frames[0]) / 1000;
  return { fps: (frames.length - 1) / seconds, p95: gaps[Math.floor(gaps.length * 0.95)], most: gaps.at(-1) };
}

export async function benchPan(url, executablePath, say) {
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: url })).newPage();
    await page.goto('/sign-in');
    await page.getByRole('button', { name: /Tobias Wend/ }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
    await page.goto('/grounds');
    const box = page.getByLabel(/^Soundings \(\d+\)/);
    await box.waitFor();
    await page.waitForTimeout(3000);
    // Closer, where figures fill the screen.
    const chart = await page.locator('[data-chart]').boundingBox();
    await page.mouse.move(chart.x + chart.width * 0.45, chart.y + chart.height * 0.45);
    for (let i = 0; i < 6; i++) {
      await page.mouse.wheel(0, -240);
      await page.waitForTimeout(250);
    }
    await page.waitForTimeout(1500);
    const words = (r) => `${r.fps.toFixed(0)} frames a second, 95 % within ${r.p95.toFixed(0)} ms, longest ${r.most.toFixed(0)} ms`;
    const label = await page.getByText(/^Soundings \(/).innerText();
    await drag(page);
    say(`  with soundings, ${label.match(/\d+/)?.[0]}    ${words(await drag(page))}`);
    await box.uncheck();
    await page.waitForTimeout(1500);
    say(`  without                  ${words(await drag(page))}`);
  } finally {
    await browser.close();
  }
}
