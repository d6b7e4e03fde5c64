// A trip dragged to another day, and put back.
import { expect, test } from '@playwright/test';
import { signIn } from './helpers';

test('a trip is dragged to another day in the calendar and put back by Undo', async ({ page }) => {
  await signIn(page, 'Runa Askeby');
  await page.goto('/calendar?week=2026-06-15');
  const before = page.locator('[data-cell="2026-06-19 Marrow"]');
  const after = page.locator('[data-cell="2026-06-20 Marrow"]');
  const trip = before.locator('[data-trip]');
  await expect(trip).toHaveCount(1);
  const [from, to] = [await trip.boundingBox(), await after.boundingBox()];
  if (!from || !to) throw new Error('no trip or no day');
  await page.mouse.move(from.x + 30, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 20, { steps: 4 });
  await page.mouse.move(to.x + 60, to.y + 30, { steps: 8 });
  await page.waitForTimeout(200);
  await page.mouse.up();
  await expect(after.locator('[data-trip]')).toHaveCount(1);
  await expect(trip).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(trip).toHaveCount(1);
  await expect(after.locator('[data-trip]')).toHaveCount(0);
});
