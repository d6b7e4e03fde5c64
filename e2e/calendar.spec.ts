// A trip dragged to another day, and put back; bookings out of another calendar; who is away.
import { expect, test } from '@playwright/test';
import { expectAccessible, rows, signIn } from './helpers';

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

test('a day by the hour: a trip is dragged to other hours, and by captain to another one, and put back', async ({ page }) => {
  await signIn(page, 'Runa Askeby');
  await page.goto('/calendar?week=2026-06-15');
  await page.getByRole('button', { name: /^Fri 19 June.*by the hour/ }).click();
  await expect(page).toHaveURL(/day=2026-06-19/);
  const lane = page.locator('[data-lane="Marrow"]');
  const trip = lane.locator('[data-trip]');
  await expect(trip).toContainText('08:00–14:00');
  await expectAccessible(page);
  const drag = async (dx: number, dy: number) => {
    const box = await trip.boundingBox();
    if (!box) throw new Error('no trip');
    await page.mouse.move(box.x + 30, box.y + 20);
    await page.mouse.down();
    await page.mouse.move(box.x + 30 + Math.sign(dx) * 10, box.y + 20, { steps: 3 });
    await page.mouse.move(box.x + 30 + dx, box.y + 20 + dy, { steps: 8 });
    await page.waitForTimeout(200);
    await page.mouse.up();
  };
  const box = await trip.boundingBox();
  // Six hours wide: an hour to the right.
  await drag(Math.round((box?.width ?? 0) / 6), 0);
  await expect(page.getByText('Marrow’s trip is from 09:00 to 15:00 now.')).toBeVisible();
  await expect(trip).toContainText('09:00–15:00');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(trip).toContainText('08:00–14:00');
  await page.getByRole('combobox', { name: 'A lane for each' }).click();
  await page.getByRole('option', { name: 'captain' }).click();
  await expect(page.locator('[data-lane="Oskar Thrane"] [data-trip]')).toContainText('Marrow');
  const [oskars, runas] = [page.locator('[data-lane="Oskar Thrane"]'), page.locator('[data-lane="Runa Askeby"]')];
  await expect(runas.locator('[data-trip]')).toHaveCount(0);
  const own = await oskars.locator('[data-trip]').boundingBox();
  const other = await runas.boundingBox();
  if (!own || !other) throw new Error('no lanes');
  await page.mouse.move(own.x + 30, own.y + own.height / 2);
  await page.mouse.down();
  await page.mouse.move(own.x + 30, own.y + own.height / 2 + Math.sign(other.y - own.y) * 12, { steps: 3 });
  await page.mouse.move(own.x + 30, other.y + other.height / 2, { steps: 10 });
  await page.waitForTimeout(200);
  await page.mouse.up();
  await expect(runas.locator('[data-trip]')).toContainText('Marrow');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(oskars.locator('[data-trip]')).toContainText('Marrow');
  await expect(runas.locator('[data-trip]')).toHaveCount(0);
  await page.goBack();
  await expect(page.getByRole('heading', { name: /^Week of/ })).toBeVisible();
});

const booking = (uid: string, title: string, day: string, from: string, to: string) => [
  'BEGIN:VEVENT',
  `UID:${uid}`,
  'DTSTAMP:20260101T000000Z',
  `SUMMARY:${title}`,
  `DTSTART:${day}T${from}00Z`,
  `DTEND:${day}T${to}00Z`,
  'END:VEVENT',
];

test('bookings out of another calendar become trips once; one whose captain is away waits for another', async ({ page }) => {
  await signIn(page, 'Runa Askeby');
  await page.goto('/crew?tab=people');
  await page.getByRole('button', { name: 'Papers and days away of Tobias Wend' }).click();
  await page.getByRole('button', { name: 'Add days away' }).click();
  await page.getByRole('button', { name: /^First day/ }).click();
  await page.getByRole('button', { name: /29 June 2026/ }).click();
  await page.getByRole('button', { name: /^Last day/ }).click();
  await page.getByRole('button', { name: /30 June 2026/ }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText(/to Tue 30 June/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await page.goto('/calendar?week=2026-06-29');
  await expect(page.getByText('Tobias away').first()).toBeVisible();
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//desk//EN']
    .concat(booking('one@desk', 'Pell party\\, Marrow', '20260629', '0900', '1300'))
    .concat(booking('two@desk', "Two with Tobias\\, Tern's Errand", '20260630', '0900', '1400'))
    .concat(['END:VCALENDAR'])
    .join('\r\n');
  const calendar = { name: 'desk.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) };
  await page.getByRole('button', { name: 'Bookings' }).click();
  await page.locator('input[type=file]').setInputFiles(calendar);
  const two = page.locator('[data-booking^="Two with"]');
  await expect(page.locator('[data-booking]')).toHaveCount(2);
  await expect(page.locator('[data-booking^="Pell"]').getByLabel('Boat')).toHaveText('Marrow');
  await expect(two.getByLabel('Captain')).toHaveText('Tobias Wend');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make 2 trips' }).click();
  await expect(two.getByRole('alert')).toContainText('Tobias Wend is away from Mon 29 June to Tue 30 June');
  await expect(page.locator('[data-booking^="Pell"]')).toContainText('Its trip is made.');
  await two.getByLabel('Captain').click();
  await page.getByRole('option', { name: 'Runa Askeby' }).click();
  await page.getByRole('button', { name: 'Make one trip' }).click();
  await expect(two).toContainText('Its trip is made.');
  await page.locator('input[type=file]').setInputFiles([]);
  await page.locator('input[type=file]').setInputFiles(calendar);
  await expect(page.locator('[data-booking]').filter({ hasText: 'In the calendar already.' })).toHaveCount(2);
  await page.getByRole('button', { name: 'Close' }).first().click();
  await expect(page.locator('[data-cell="2026-06-30 Tern\'s Errand"] [data-trip]')).toHaveCount(1);
  const [kept] = await rows<{ n: number }>(`select count(*)::int as n from trip where booking like '%@desk'`);
  expect(kept?.n).toBe(2);
});
