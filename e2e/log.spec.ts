// The log as a table of any length: in any order, as far down as it goes, with the columns that are wanted, and put right.
import { expect, test } from '@playwright/test';
import { choose, expectAccessible, rows, signIn } from './helpers';

test('the log is put in order, scrolled to its end, narrowed to columns that the address keeps, and put right with a way back', async ({
  page,
}) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/log');
  const table = page.getByRole('region', { name: 'Sets' });
  const cells = table.locator('tbody tr[aria-rowindex]');
  await expect(cells.first()).toBeVisible();
  // Only what is in sight is drawn.
  expect(await cells.count()).toBeLessThan(80);
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Fish' })).toHaveAttribute('aria-sort', 'descending');
  const [most] = await rows<{ n: number }>(
    `select count(*)::int as n from "catch" c join fished_set s on s.id = c.set_id join stop st on st.id = s.stop_id join spot sp on sp.id = st.spot_id
     join outfit o on o.id = sp.outfit_id
     where c.outcome = 'landed' and c.deleted_at is null and o.name = 'Greywether Guiding' and (sp.keeper_id is null or sp.keeper_id = (select id from person where name = 'Tobias Wend'))
     group by s.id order by n desc limit 1`,
  );
  await expect(cells.first()).toContainText(String(most?.n));
  await expectAccessible(page);

  const all = Number(await table.getByRole('table').getAttribute('aria-rowcount'));
  await table.evaluate((e) => e.scrollTo(0, e.scrollHeight));
  await expect(table.locator(`tr[aria-rowindex="${all}"]`)).toContainText(/rod|\d/);
  await expect(table.getByText('Reading …')).toHaveCount(0);

  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Wind' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Rods' }).click();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'Wind' })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('columnheader', { name: 'Fish' })).toHaveAttribute('aria-sort', 'descending');
  await expect(page.getByRole('columnheader', { name: 'Rods' })).toHaveCount(0);

  const bait = async (n: number) => (await cells.nth(n).locator('td').nth(4).textContent()) ?? '';
  const before = [await bait(0), await bait(1)];
  await cells.nth(0).getByRole('checkbox').check();
  await cells.nth(1).getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Another bait for 2 entries' }).click();
  const other = 'Vibrating jig 14 g, white trailer';
  await choose(page, 'They were fished with', other);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put them right' }).click();
  await expect.poll(() => bait(0), { timeout: 20_000 }).toBe(other);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => [await bait(0), await bait(1)], { timeout: 20_000 }).toEqual(before);
});
