// The log as a table of any length: in any order, as far down as it goes, with the columns that are wanted, and put right.
import { expect, test } from '@playwright/test';
import { choose, expectAccessible, rows, signIn } from './helpers';

test('the log is put in order, scrolled to its end, narrowed to columns that the address keeps, and put right with a way back', async ({
  page,
}) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/log');
  const table = page.getByRole('region', { name: 'Entries' });
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

test('an entry opens with its fish: one is put right and keeps its history; what two phones logged is made one and parted', async ({
  page,
}) => {
  await signIn(page, 'Tobias Wend');
  // A second phone that logged the same lines five minutes later.
  const [own] = await rows<{ id: string; stop_id: string; spot_id: string; day: string; clock: string; fish: number }>(
    `select s.id, s.stop_id, s.spot_id, (s.started_at at time zone o.zone)::date::text as day,
       to_char(s.started_at at time zone o.zone, 'HH24:MI') as clock, count(*)::int as fish
     from fished_set s join spot sp on sp.id = s.spot_id and sp.privacy = 'crew' join outfit o on o.id = s.outfit_id and o.name = 'Greywether Guiding'
     join trip t on t.id = s.trip_id and t.status = 'done' join "catch" c on c.set_id = s.id and c.deleted_at is null and c.outcome = 'landed'
     where s.ended_at - s.started_at > interval '20 minutes'
       and (select count(*) from "set" x where x.stop_id = s.stop_id) = 1
     group by 1, 2, 3, 4, 5 having count(*) between 2 and 6 order by s.id limit 1`,
  );
  const [twin] = await rows<{ id: string; clock: string }>(
    `with st as (insert into stop (id, outfit_id, trip_id, spot_id, started_at, ended_at, conditions)
       select gen_random_uuid(), outfit_id, trip_id, spot_id, started_at + interval '5 minutes', ended_at, conditions from stop where id = $1 returning id)
     insert into "set" (id, outfit_id, stop_id, presentation_id, rods, started_at, ended_at)
       select gen_random_uuid(), x.outfit_id, st.id, x.presentation_id, x.rods, x.started_at + interval '5 minutes', x.ended_at from "set" x, st
       where x.id = $2
       returning id, (select to_char(started_at at time zone o.zone, 'HH24:MI') from outfit o where o.id = "set".outfit_id) as clock`,
    [own?.stop_id, own?.id],
  );
  const hours = async () =>
    Number(
      (
        await rows<{ h: number }>('select sum(rod_hours)::float8 as h from fished_set where id = any($1)', [[own?.id, twin?.id]])
      )[0]?.h.toFixed(3),
    );
  const doubled = await hours();
  await page.goto(`/log?spotId=${own?.spot_id}&from=${own?.day}&to=${own?.day}`);
  const cells = page.getByRole('region', { name: 'Entries' }).locator('tbody tr[aria-rowindex]');
  await expect(cells.nth(1)).toBeVisible({ timeout: 60_000 });
  await page.goto(`/log?spotId=${own?.spot_id}&from=${own?.day}&to=${own?.day}&entry=${own?.id}`);
  const sheet = page.getByRole('dialog');
  await expect(sheet.locator('[data-fish]')).toHaveCount(own?.fish ?? 0, { timeout: 30_000 });
  await expectAccessible(page);

  await sheet
    .getByRole('button', { name: /^Put right the fish of/ })
    .first()
    .click();
  await sheet.getByLabel(/^Length/).fill('12345');
  await sheet.getByRole('button', { name: 'Put it right' }).click();
  await expect(sheet.getByRole('alert').filter({ hasText: 'From 1 to 400' })).toBeVisible();
  await sheet.getByLabel(/^Length/).fill('61,5');
  await sheet.getByLabel('Note').fill('measured twice');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Put it right' }).click();
  const first = sheet.locator('[data-fish]').first();
  await expect(first).toContainText('note: measured twice', { timeout: 20_000 });
  await first.getByText('What was said of it').click();
  await expect(first.locator('[data-history] li')).toContainText([
    'As it was logged: length',
    'As it was logged: note: nothing',
    'Tobias Wend',
  ]);
  await expect(first.locator('[data-history]')).toContainText('Tobias Wend: length: 62 cm');
  await expectAccessible(page);

  // Two lines of one fish.
  for (const n of [0, 1]) await sheet.locator('[data-fish]').nth(n).getByRole('checkbox').check();
  await sheet.getByRole('button', { name: 'These two are one fish' }).click();
  await expect(sheet.locator('[data-fish]')).toHaveCount((own?.fish ?? 0) - 1, { timeout: 20_000 });
  await sheet.getByRole('button', { name: 'Part them again' }).click();
  await expect(sheet.locator('[data-fish]')).toHaveCount(own?.fish ?? 0, { timeout: 20_000 });
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/entry=/);
  await expect(page.locator(`[data-opens="${own?.id}"]`)).toBeFocused();

  // Both entries of one fishing: the hours count once.
  const pick = (id: string | undefined) => rows<{ n: number }>('select count(*)::int as n from fished_set where id = $1', [id]);
  for (const clock of [own?.clock, twin?.clock]) await cells.getByRole('checkbox', { name: new RegExp(`${clock}$`) }).check();
  await page.getByRole('button', { name: 'One fishing: make these one' }).click();
  await expect.poll(async () => (await pick(twin?.id))[0]?.n, { timeout: 20_000 }).toBe(0);
  expect(await hours()).toBeLessThan(doubled);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(hours, { timeout: 20_000 }).toBe(doubled);
  await rows('delete from "set" where id = $1 returning id', [twin?.id]);
});
