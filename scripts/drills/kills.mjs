import { pause, signIn, stopOf, tripsUnderWay } from './client.mjs';
import { everyKind, faultsOf } from './everyKind.mjs';

export const title =
  'the server killed ten times and PostgreSQL eight times during 4,000 entries of every kind, connections cut, batches doubled';

const BATCH = 10;

export async function drill({ world, say }) {
  let captain = await signIn(world.url, 'runa@greywether.example');
  const trips = await tripsUnderWay(captain);
  await pause(2500);
  const random = seeded(7);
  const acknowledged = new Set();
  const wronglyRefused = [];
  const sentIds = [];
  const whole = [];
  let sent = 0;
  let [cuts, doubled, retries] = [0, 0, 0];
  const phone = async (trip, k) => {
    for (let stop = 0; stop < 8; stop++) {
      const from = trip.startMs + stop * 600_000 + k * 1000;
      // Every other stop has all that can happen on deck; those between are fish alone.
      const own = stop % 2 === 0 ? null : everyKind(trip, from);
      if (own) whole.push(own);
      const entries = own ? own.entries : stopOf(trip, 99, from);
      sent += entries.length;
      sentIds.push(...entries.filter((e) => e.kind === 'catch').map((e) => e.catchId));
      for (let i = 0; i < entries.length; i += BATCH) {
        const batch = entries.slice(i, i + BATCH);
        const send = (signal) => captain.ask('POST', `/deck/${trip.id}/entries`, { entries: batch }, { signal });
        for (;;) {
          try {
            const cut = random() < 0.3 && cuts < 160;
            const abort = new AbortController();
            if (cut) {
              cuts++;
              setTimeout(() => abort.abort(), random() * 25);
            }
            const twice = random() < 0.15;
            if (twice) doubled++;
            const answers = await Promise.all([send(abort.signal), ...(twice ? [send(undefined)] : [])]);
            if (answers.some((a) => a.status === 401)) {
              captain = await signIn(world.url, 'runa@greywether.example');
              throw new Error('signed in again');
            }
            if (answers.some((a) => a.status !== 200)) throw new Error('not now');
            for (const a of answers)
              for (const r of a.json().receipts) {
                if (r.ok) acknowledged.add(r.entryId);
                else wronglyRefused.push(r.message);
              }
            break;
          } catch {
            if (++retries > 20_000) throw new Error('the server does not come back');
            await pause(100);
          }
        }
        await pause(350);
      }
    }
  };
  const misfortune = async () => {
    let [servers, databases] = [0, 0];
    while (servers + databases < 18) {
      await pause(1200);
      if (servers <= databases || databases === 8) {
        await world.crashServer();
        servers++;
      } else {
        await world.crashPostgres();
        databases++;
      }
    }
    return { servers, databases };
  };
  const [{ servers, databases }] = await Promise.all([misfortune(), ...trips.map(phone)]);
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: world.db.adminUrl });
  await client.connect();
  const { rows } = await client.query('select id from "catch" where id = any($1::uuid[])', [sentIds]);
  const { rows: all } = await client.query(
    `select count(*)::int as n from "catch" k join "set" s on s.id = k.set_id join stop st on st.id = s.stop_id where st.trip_id = any($1::uuid[])`,
    [trips.map((t) => t.id)],
  );
  const faults = await faultsOf(client, whole);
  await client.end();
  const stored = new Set(rows.map((r) => r.id));
  const lost = sentIds.filter((id) => !stored.has(id)).length;
  const more = all[0].n - stored.size;
  say(
    `${sent} entries, ${sentIds.length} of them fish, in ${trips.length} trips; server killed ${servers} times, PostgreSQL ${databases} times`,
  );
  say(`${cuts} connections cut, ${doubled} batches sent twice at once, ${retries} tries again`);
  say(
    `${acknowledged.size} entries acknowledged; lost ${lost}, doubled ${more}, wrongly refused ${wronglyRefused.length}, not as entered ${faults.length}`,
  );
  return [
    ...faults.slice(0, 5),
    ...(sent < 3500 ? [`only ${sent} entries`] : []),
    ...(lost > 0 ? [`${lost} lost`] : []),
    ...(more !== 0 ? [`${more} doubled`] : []),
    ...(wronglyRefused.length > 0 ? [`${wronglyRefused.length} wrongly refused: ${wronglyRefused[0]}`] : []),
    ...(servers < 10 || databases < 8 ? [`only ${servers} and ${databases} kills: the phones were done before`] : []),
    ...(cuts < 122 ? [`only ${cuts} connections cut`] : []),
  ];
}

function seeded(seed) {
  let s = seed;
  return () => {
    s = (s * 1664525 + 1013904223) % 4294967296;
    return s / 4294967296;
  };
}
