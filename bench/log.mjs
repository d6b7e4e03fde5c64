// The log as it is after years: how long from the tap on its name to its first entries, with 100,000 of them and beside it with the demo's own.
import { chromium } from '@playwright/test';
import pg from 'pg';

const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-sync'];
const ENTRIES = 100_000;
const ROUNDS = 7;

/** A key of a copy that is as valid as any (RFC 9562, version 8). */
const keyOf = (column) => `overlay(overlay(md5(${column}::text || $2::int) placing '8' from 13) placing '8' from 17)::uuid`;

/** The crew's own entries once more, so many days earlier; their trips stay what they are. */
const ONCE_MORE = `
  with copied as (select id from stop where outfit_id = $1 and deleted_at is null and started_at > $3),
  st as (insert into stop (id, outfit_id, trip_id, spot_id, started_at, ended_at, conditions)
    select ${keyOf('id')}, outfit_id, trip_id, spot_id, started_at - make_interval(days => $2::int * 1200), ended_at - make_interval(days => $2::int * 1200),
      conditions from stop where id in (select id from copied)),
  se as (insert into "set" (id, outfit_id, stop_id, presentation_id, rods, started_at, ended_at)
    select ${keyOf('id')}, outfit_id, ${keyOf('stop_id')}, presentation_id, rods, started_at - make_interval(days => $2::int * 1200),
      ended_at - make_interval(days => $2::int * 1200) from "set" where stop_id in (select id from copied))
  insert into "catch" (id, outfit_id, set_id, species_id, client_id, at, length_mm, length_kind, outcome, kept)
    select ${keyOf('k.id')}, k.outfit_id, ${keyOf('k.set_id')}, k.species_id, k.client_id, k.at - make_interval(days => $2::int * 1200),
      k.length_mm, k.length_kind, k.outcome, k.kept from "catch" k join "set" s on s.id = k.set_id where s.stop_id in (select id from copied)`;

/** @param world - A world of the demo; its log is as long as it says afterwards. */
export async function benchLog(world, executablePath, say) {
  const client = new pg.Client({ connectionString: world.db.adminUrl });
  await client.connect();
  const browser = await chromium.launch({ executablePath, args: FLAGS });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: world.url });
    const page = await context.newPage();
    await page.goto(`${world.url}/sign-in`);
    await page.getByRole('button', { name: /Runa Askeby/ }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
    const { rows } = await client.query(`select id from outfit where name = 'Greywether Guiding'`);
    const outfitId = rows[0].id;
    const count = async () => (await client.query('select count(*)::int as n from fished_set where outfit_id = $1', [outfitId])).rows[0].n;
    const few = await count();
    say(await opened(page, few));
    await client.query('set session_replication_role = replica');
    for (let k = 1; (await count()) < ENTRIES; k++) await client.query(ONCE_MORE, [outfitId, k, '2024-01-01']);
    await client.query('set session_replication_role = origin');
    await client.query('vacuum analyze');
    say(await opened(page, await count()));
  } finally {
    await browser.close();
    await client.end();
  }
}

/** From the Board to the Log and back, each time after something has changed and once more when nothing has. */
async function opened(page, entries) {
  const [changed, same, server] = [[], [], []];
  // What the owner changes himself he waits for: no answer of before stands in for it.
  let days = 300;
  const change = async () => {
    const answer = await page.request.post('/api/outfit/settings', { data: { medicalNoteDays: ++days } });
    if (!answer.ok()) throw new Error(`nothing was changed: ${answer.status()} ${await answer.text()}`);
  };
  for (let i = 0; i < ROUNDS; i++) {
    await change();
    const from = performance.now();
    const answer = await page.request.get('/api/log?order=when&dir=down&limit=200');
    server.push(performance.now() - from);
    if (answer.status() !== 200) throw new Error(`the log answers ${answer.status()}`);
    for (const [list, anew] of [
      [changed, true],
      [same, false],
    ]) {
      await page.getByRole('link', { name: 'Board', exact: true }).click();
      await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
      if (anew) await change();
      // As on a first visit: nothing of the list is in the page.
      await page.reload();
      await page.getByRole('heading', { name: /Tonight and/ }).waitFor();
      await page.waitForTimeout(1500);
      list.push(await firstRow(page));
    }
  }
  const middle = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)].toFixed(0);
  return `  ${String(entries).padStart(7)} entries: first screen ${middle(changed)} ms after a change (most ${Math.max(...changed).toFixed(0)}), ${middle(same)} ms when nothing has changed; the server alone ${middle(server)} ms after a change`;
}

/** From the tap on "Log" to its first entry on the page, ms, measured in the page. */
async function firstRow(page) {
  return page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const link = [...document.querySelectorAll('nav a')].find((a) => a.textContent?.trim() === 'Log');
        if (!link) return reject(new Error('no link to the Log'));
        const from = performance.now();
        const look = () => {
          if (document.querySelector('tr[aria-rowindex] td:nth-child(3)')) return resolve(performance.now() - from);
          if (performance.now() - from > 60_000) return reject(new Error('the log did not come'));
          requestAnimationFrame(look);
        };
        link.click();
        look();
      }),
  );
}
