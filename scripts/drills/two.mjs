import { pause, signIn, stopOf, tripsUnderWay } from './client.mjs';

export const title = 'two servers on one database: a phone at both, stations polled and instruments heard once';

export async function drill({ world, say }) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: world.db.adminUrl });
  await client.connect();
  const captain = await signIn(world.url, 'runa@greywether.example');
  const trips = await tripsUnderWay(captain);
  const other = await world.oneMore();
  const faults = [];
  const heard = await changesHeard(other.url, captain.cookie);
  try {
    const entries = stopOf(trips[0], 300, trips[0].startMs);
    let wrong = 0;
    for (let i = 0; i < entries.length; i += 20) {
      const batch = entries.slice(i, i + 20);
      // The same batch to both at once, as a phone that heard no answer.
      const answers = await Promise.all(
        [world.url, other.url].map((at) => captain.ask('POST', `/deck/${trips[0].id}/entries`, { entries: batch }, { at })),
      );
      for (const a of answers) wrong += a.status === 200 ? a.json().receipts.filter((r) => !r.ok).length : batch.length;
    }
    const { rows: caught } = await client.query(
      `select count(*)::int as n from "catch" k join "set" s on s.id = k.set_id join stop st on st.id = s.stop_id where st.trip_id = $1`,
      [trips[0].id],
    );
    say(`300 fish sent to both servers at once: ${caught[0].n} stored, ${wrong} receipts wrong`);
    await pause(3000);
    say(`a screen at the second server heard of ${heard.count()} changes`);
    if (heard.count() === 0) faults.push('a change was not heard at the other server');
    heard.stop();
    if (caught[0].n !== 300 || wrong > 0) faults.push('a fish was lost, doubled or wrongly refused');
    await pause(45_000);
    const { rows: twice } = await client.query(
      `select count(*)::int as n from (select 1 from reading where station_id is not null group by station_id, variable, at having count(*) > 1) x`,
    );
    const { rows: polled } = await client.query(
      `select count(*)::int as jobs, count(distinct started_on)::int as times from pgboss.job where name = 'poll-stations' and state = 'completed'`,
    );
    const { rows: sounded } = await client.query(
      `select coalesce(sum(n), 0)::int as all, coalesce(sum(once), 0)::int as once from (
         select cardinality(lat) as n, (select count(distinct (a, b, d)) from unnest(lat, lon, depth_m) as u (a, b, d)) as once
         from survey where instrument_id is not null and made_at > now() - interval '1000 years') s`,
    );
    say(`stations: ${polled[0].jobs} polls in about a minute, ${twice[0].n} readings stored twice`);
    say(`instrument: ${sounded[0].all} soundings stored, ${sounded[0].once} of them distinct`);
    if (twice[0].n > 0) faults.push('a reading was stored twice');
    if (sounded[0].all !== sounded[0].once) faults.push('a sounding was stored twice');
  } finally {
    await other.stop();
    await client.end();
  }
  return faults;
}

/** Counts what a screen at a server is told. */
async function changesHeard(url, cookie) {
  const stop = new AbortController();
  const response = await fetch(`${url}/api/events`, { headers: { Cookie: cookie }, signal: stop.signal });
  let count = 0;
  const read = async () => {
    const decoder = new TextDecoder();
    for await (const part of response.body) count += (decoder.decode(part).match(/event: changed/g) ?? []).length;
  };
  read().catch(() => {});
  return { count: () => count, stop: () => stop.abort() };
}
