import { readFileSync } from 'node:fs';
import path from 'node:path';
import { clusterFolder } from '../folders.mjs';
import { heldFaults, heldWords, percentile, signIn, watch } from './client.mjs';

export const title = 'twenty outfits with 50,000 stops each and 5 million readings';

const OUTFITS = 20;
const STOPS = 50_000;
const READINGS = 250_000;
/** A copy of the crew's seasons lies before the first of them. */
const SEASONS_DAYS = 1200;
const SLOW_MS = 250;
const ROUNDS = 3;

/** Tables of a crew's world, each after those that it refers to. */
const WORLD = [
  'outfit',
  'person',
  'boat',
  'water',
  'chart_layer',
  'station',
  'species',
  'family',
  'presentation',
  'spot',
  'ground_feature',
  'client',
  'rule',
];
const LOG = ['trip', 'trip_species', 'trip_mate', 'party', 'stop', '"set"', '"catch"', 'reading'];

export async function drill({ world, say }) {
  // Twenty outfits' stations in the pace of a demo would be the drill.
  await world.replaceStation(null);
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: world.db.adminUrl });
  await client.connect();
  try {
    const from = performance.now();
    const { rows: outfits } = await client.query(`select id from outfit where name = 'Greywether Guiding'`);
    const first = outfits[0].id;
    const { rows: there } = await client.query('select count(*)::int as outfits from outfit');
    // What refers to what is copied as it is: nothing has to be looked up.
    await client.query('set session_replication_role = replica');
    if (there[0].outfits < OUTFITS) await multiplied(client, first);
    for (let k = there[0].outfits - 1; k < OUTFITS - 1; k++) {
      // At once: the stations of an outfit that is there are asked for its readings.
      await client.query('begin');
      await cloned(client, first, k);
      await client.query('commit');
    }
    await client.query('analyze');
    const { rows: n } = await client.query(
      `select (select count(*)::int from outfit) as outfits, (select count(*)::int from stop) as stops, (select count(*)::int from reading) as readings,
         pg_size_pretty(pg_database_size(current_database())) as size`,
    );
    say(
      `${n[0].outfits} outfits, ${n[0].stops} stops, ${n[0].readings} readings, ${n[0].size}; made in ${((performance.now() - from) / 1000).toFixed(0)} s`,
    );
    await client.query(`alter role bluffwind_app set log_min_duration_statement = ${SLOW_MS}`);
    return await read({ world, say });
  } finally {
    await client.end();
  }
}

/** What screens ask for, by the captains of six outfits at once, none of it asked for before. */
async function read({ world, say }) {
  // Another server: its connections log what is slow.
  const metricsPort = 25_000 + Math.floor(Math.random() * 5000);
  const server = await world.oneMore({ METRICS_PORT: String(metricsPort) });
  const faults = [];
  try {
    const people = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        signIn(server.url, i === 0 ? 'tobias@greywether.example' : `x${i * 3}.tobias@greywether.example`),
      ),
    );
    const done = watch(`http://127.0.0.1:${metricsPort}/metrics`, server.pid);
    const times = new Map();
    let failed = 0;
    for (let round = 0; round < ROUNDS; round++)
      await Promise.all(
        people.map(async (person) => {
          const ask = async (name, to) => {
            const answer = await person.ask('GET', to);
            if (answer.status !== 200) failed++;
            const list = times.get(name) ?? [];
            list.push(answer.ms);
            times.set(name, list);
            return answer.status === 200 ? answer.json() : null;
          };
          const board = await ask('Board', '/board');
          const { waters } = await ask('outfit', '/outfit');
          const [trip] = board.tomorrow;
          const water = waters.find((w) => w.id === trip.water.id);
          await ask('Water', `/waters/${water.id}/state?from=2026-06-18T04:00:00Z&to=2026-06-19T22:00:00Z`);
          const spots = await ask('Grounds: spots', `/waters/${water.id}/spots`);
          await ask('Grounds: chart', `/waters/${water.id}/chart`);
          await ask('Grounds: a spot', `/spots/${spots[round].id}/history`);
          await ask('Log', '/log');
          await ask('Log of a spot', `/log?spotId=${spots[round].id}`);
          await ask('risks', '/risks?date=2026-06-19');
          await ask('Plan', `/trips/${trip.id}/desk`);
          await ask('Deck', `/deck/${trip.id}`);
          await ask('Brief', '/brief/2026-06-19');
        }),
      );
    const held = await done();
    for (const [name, list] of times)
      say(`  ${name.padEnd(16)} p50 ${percentile(list, 0.5).toFixed(0)} ms, p95 ${percentile(list, 0.95).toFixed(0)} ms of ${list.length}`);
    say(`failed: ${failed}; ${heldWords(held)}`);
    if (failed > 0) faults.push(`${failed} requests failed`);
    faults.push(...heldFaults(held));
    for (const [ms, text] of slowest()) say(`  slow: ${ms} ms ${text}`);
    return faults;
  } finally {
    await server.stop();
  }
}

/** The slowest statements that PostgreSQL has noted, each once. */
function slowest() {
  const log = readFileSync(path.join(clusterFolder('drill'), 'postgres.log'), 'utf8');
  const found = new Map();
  for (const [, ms, text] of log.matchAll(/duration: ([\d.]+) ms +(?:execute [^:]*|statement): ([^\n]*(?:\n\t[^\n]*)*)/g)) {
    const key = text.replaceAll(/\s+/g, ' ').slice(0, 220);
    found.set(key, Math.max(found.get(key) ?? 0, Math.round(Number(ms))));
  }
  return [...found]
    .map(([text, ms]) => [ms, text])
    .sort((a, b) => b[0] - a[0])
    .slice(0, 12);
}

/** A crew's log copied back in time until it has its stops and its readings. */
async function multiplied(client, outfitId) {
  const { rows } = await client.query(
    `select (select count(*)::int from stop where outfit_id = $1) as stops, (select count(*)::int from reading where outfit_id = $1) as readings`,
    [outfitId],
  );
  const copies = Math.ceil(STOPS / rows[0].stops) - 1;
  for (let k = 1; k <= copies; k++)
    for (const table of LOG) {
      if (table === 'reading' && k >= Math.ceil(READINGS / rows[0].readings)) continue;
      await copied(
        client,
        table,
        outfitId,
        (column, type) => {
          if (type === 'timestamptz') return `${column} - interval '${k * SEASONS_DAYS} days'`;
          const own = ['trip', 'stop', '"set"', '"catch"'].includes(table) && column === 'id';
          return own || ['trip_id', 'stop_id', 'set_id'].includes(column) ? idOf(column, `back${k}`) : column;
        },
        k === 1 ? '' : `and ${timeOf(table)}`,
      );
    }
}

/** Only what the crew fished itself is copied, not a copy of it. */
const timeOf = (table) =>
  ({
    trip: `starts_at > '2024-01-01'`,
    trip_species: `trip_id in (select id from trip where starts_at > '2024-01-01')`,
    trip_mate: `trip_id in (select id from trip where starts_at > '2024-01-01')`,
    party: `trip_id in (select id from trip where starts_at > '2024-01-01')`,
    stop: `started_at > '2024-01-01'`,
    '"set"': `started_at > '2024-01-01'`,
    '"catch"': `at > '2024-01-01'`,
    reading: `at > '2024-01-01'`,
  })[table];

/** Another outfit with the same world and log under other ids. */
async function cloned(client, outfitId, k) {
  for (const table of [...WORLD, ...LOG])
    await copied(client, table, outfitId, (column, type) => {
      if (type === 'uuid') return idOf(column, `x${k}`);
      if (column === 'email') return `'x${k}.' || email`;
      return table === 'outfit' && column === 'name' ? `name || ' ${k}'` : column;
    });
}

const idOf = (column, salt) =>
  `case when ${column} is null then null else overlay(overlay(md5(${column}::text || '${salt}') placing '4' from 13) placing 'a' from 17)::uuid end`;

async function copied(client, table, outfitId, written, where = '') {
  const { rows: columns } = await client.query(
    `select quote_ident(attname) as name, atttypid::regtype::text as type from pg_attribute
     where attrelid = $1::regclass and attnum > 0 and not attisdropped and attidentity = ''`,
    [table],
  );
  const names = columns.map((c) => c.name);
  const values = columns.map((c) => written(c.name, c.type === 'timestamp with time zone' ? 'timestamptz' : c.type));
  const refers = table === 'reading' ? 'and superseded_by is null and import_id is null and instrument_id is null' : '';
  await client.query(
    `insert into ${table} (${names.join(', ')}) select ${values.join(', ')} from ${table}
     where ${table === 'outfit' ? 'id' : 'outfit_id'} = $1 ${where} ${refers}`,
    [outfitId],
  );
}
