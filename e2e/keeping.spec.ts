// Rules out of a table, and a spot that is fed.
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { expectAccessible, rows, signIn } from './helpers';

test('rules come in from a table, are checked anew, and go out as one that comes in again', async ({ page }) => {
  await signIn(page, 'Ottoline Speck');
  await page.goto('/crew?tab=rules');
  const [before] = await rows<{ n: number }>(
    `select count(*)::int as n from rule r join outfit o on o.id = r.outfit_id where o.name like 'Farrow%' and removed_at is null`,
  );
  const [kind] = await rows<{ name: string }>(
    `select s.name from species s join outfit o on o.id = s.outfit_id where o.name like 'Farrow%' and s.retired_at is null order by s.name limit 1`,
  );
  const table = [
    'species,kind,least,most,unit,angler,from,to,source,checked',
    `${kind?.name},slot,40,50,cm,,,,Notice 9,2026-05-01`,
    `${kind?.name},closed,,,,,1 March,30 April,Notice 9,2026-05-01`,
    `${kind?.name},length,60,50,cm,,,,Notice 9,2026-05-01`,
    'Moonfish,bag,,,,2,,,Notice 9,',
  ].join('\n');
  const buffer = (text: string) => ({ name: 'rules.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'From a file' }).click();
  await page.locator('input[type=file]').setInputFiles(buffer(table));
  await expect(page.locator('[data-rules-read] li')).toHaveCount(2);
  await expect(page.getByText('its lengths are crossed')).toBeVisible();
  await expect(page.getByLabel('Moonfish')).toHaveText('left out');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store 2 rules' }).click();
  await expect(page.getByText('2 rules are in your copy.')).toBeVisible();
  const own = page.locator(`[data-rules-of="${kind?.name}"]`);
  await expect(own).toContainText('Notice 9');

  await page.getByRole('button', { name: `Checked today: ${kind?.name}` }).click();
  await page.getByRole('button', { name: 'I have checked them' }).click();
  await expect(page.getByRole('button', { name: `Checked today: ${kind?.name}` })).toHaveCount(0);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a file' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  await page.getByRole('button', { name: 'From a file' }).click();
  await page.locator('input[type=file]').setInputFiles(buffer(text));
  await expect(page.getByText('Nothing in it is new to your copy.')).toBeVisible();
  const [after] = await rows<{ n: number }>(
    `select count(*)::int as n from rule r join outfit o on o.id = r.outfit_id where o.name like 'Farrow%' and removed_at is null`,
  );
  expect(after?.n).toBe((before?.n ?? 0) + 2);
});

test('a rule is typed by what it sets, refused with crossed lengths, and read back as it was meant', async ({ page }) => {
  await signIn(page, 'Ottoline Speck');
  await page.goto('/crew?tab=rules');
  const sheet = page.getByRole('dialog');
  const pick = async (label: string, name: string) => {
    await sheet.getByLabel(label).click();
    await page.getByRole('option', { name, exact: true }).click();
  };
  await page.getByRole('button', { name: 'Write down a rule' }).click();
  const kind = await sheet.getByLabel('Species').innerText();
  const own = page.locator(`[data-rules-of="${kind}"]`);
  await sheet.getByLabel('Where it stands').fill('Notice 12');
  await sheet.getByLabel(/^Least/).fill('600');
  await sheet.getByLabel(/^Greatest/).fill('500');
  await sheet.getByRole('button', { name: 'Store', exact: true }).click();
  await expect(sheet.getByText(/the lengths are crossed/).first()).toBeVisible();
  await expect(sheet.getByLabel(/^Greatest/)).toHaveAttribute('aria-invalid', 'true');
  // What was typed of one kind is no part of another.
  await pick('It sets', 'closed season');
  await sheet.getByLabel('From', { exact: true }).fill('03-01');
  await sheet.getByLabel('to, that day too').fill('05-15');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Store', exact: true }).click();
  const line = own.locator('li', { hasText: 'Notice 12' });
  await expect(line).toContainText('closed from 1 March to 15 May');

  await line.getByRole('button', { name: /Change/ }).click();
  await expect(sheet.getByLabel('From', { exact: true })).toHaveValue('03-01');
  await pick('It sets', 'fish held over some days');
  await sheet.getByLabel('For each angler').fill('4');
  await sheet.getByLabel('Over how many days').fill('2');
  await sheet.getByRole('button', { name: 'Store', exact: true }).click();
  await expect(line).toContainText('no more than 4 held per angler of 2 days');
});

test('feeds of a spot are planned and logged, stand on the Board on their day, and are a reason of its rate', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/grounds');
  await page.locator('[data-spot]').first().click();
  const feeds = page.getByRole('region', { name: 'Feeds' });
  await expect(feeds).toContainText('Not fed of late.');
  await feeds.getByRole('button', { name: 'Fed it' }).click();
  await page.getByLabel('What', { exact: true }).fill('corn');
  await page.getByLabel(/^How much/).fill('1.5');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(feeds).toContainText('Fed, but not regularly');
  await expect(feeds.getByRole('listitem')).toContainText('1.5 kg corn');
  await feeds.getByRole('button', { name: 'Plan feeds' }).click();
  await page.getByRole('button', { name: 'Plan them' }).click();
  await expect(feeds.getByText('planned')).toHaveCount(4);
  const name = ((await page.locator('[data-spot-panel] h2').textContent()) ?? '').trim();
  // One of them is due: the Board asks for it until it is in.
  await rows(
    `update feeding set at = (select demo_at from demo_clock) where id = (select id from feeding where not done and removed_at is null order by at limit 1)`,
  );
  await page.goto('/');
  await expect(page.getByText(new RegExp(`^Feed ${name}: `))).toBeVisible({ timeout: 30_000 });
  await rows('update feeding set removed_at = now()');
});
