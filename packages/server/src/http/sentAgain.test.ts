// Whatever makes something is sent with a key of its own: sent again because the answer was lost, it changes nothing more and is no fault.
import { afterAll, beforeAll, expect, it } from 'vitest';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { bodies, fill, makeRows, PUBLIC, routes } from '../testing/validBodies';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
  await makeRows(h);
});
afterAll(() => h.close());

/** They make no row, need a browser's own answer (passkeys.test), hold plans that have keys each, or take the place of what was before. */
const ELSEWHERE = ['/laid-aside/try', '/me/passkeys', '/fleet/plans', '/trips/{id}/report'];

it('leaves as many rows as before', async () => {
  const owner = await h.signIn(emailOf(h.mine, 'owner'));
  const wrong: string[] = [];
  const sent: string[] = [];
  for (const { method, path } of await routes(h)) {
    const body = bodies(h.mine)[path];
    if (method !== 'POST' || PUBLIC.includes(path) || ELSEWHERE.includes(path) || !/"(id|entryId)":"/.test(JSON.stringify(body ?? '')))
      continue;
    const first = await owner.post(fill(path, h.mine), body);
    if (first.status !== 200) {
      wrong.push(`${path} first ${first.status} ${JSON.stringify(first.body)}`);
      continue;
    }
    sent.push(path);
    const before = await counts();
    const again = await owner.post(fill(path, h.mine), body);
    const after = await counts();
    if (again.status !== 200) wrong.push(`${path} ${again.status} ${JSON.stringify(again.body).slice(0, 200)}`);
    for (const t of Object.keys(after)) if (after[t] !== before[t]) wrong.push(`${path}: ${t} ${before[t]} -> ${after[t]}`);
  }
  expect(wrong).toEqual([]);
  expect(sent.length).toBeGreaterThan(25);
}, 120_000);

/** Rows of the outfit in every table that holds any of it, but the notes of who did what. Other tests make rows of other outfits meanwhile. */
async function counts(): Promise<Record<string, number>> {
  const tables: { name: string }[] = await h.owner.query(
    `select t.table_name as name from information_schema.tables t
     join information_schema.columns c on c.table_schema = t.table_schema and c.table_name = t.table_name and c.column_name = 'outfit_id'
     where t.table_schema = current_schema() and t.table_type = 'BASE TABLE' and t.table_name <> 'audit' order by 1`,
  );
  expect(tables.length).toBeGreaterThan(40);
  const out: Record<string, number> = {};
  for (const { name } of tables)
    out[name] = Number((await h.owner.query(`select count(*) as n from "${name}" where outfit_id = $1`, [h.mine.outfit.id]))[0].n);
  return out;
}
