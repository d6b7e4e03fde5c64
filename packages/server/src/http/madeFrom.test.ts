// What is kept is made anew when something that it was made from changes: each table belongs to a topic, each write notes its topics, and
// no kept answer reads a table of a topic that it does not name.
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ALL_TOPICS, changedIn, TOPICS, type Topic } from '../db/topics';
import { inOutfit } from '../db/database';
import { FEATURES } from '../features';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { bodies, fill, makeRows } from '../testing/validBodies';

/** Of sign-in, of what was kept before, and of who did what: no answer is kept that shows them, or it is not kept by topics. */
const NO_TOPIC = [
  'session',
  'known_device',
  'invitation',
  'calendar_address',
  'second_factor',
  'recovery_code',
  'passkey',
  'push_device',
  'push_key',
  'passkey_challenge',
  'program_key',
  'audit',
  'brief_kept',
  'outfit_version',
  'tries',
  'notice',
  'demo_clock',
  'migrations',
];
/** Views, by the tables that they read. */
const VIEWS: Record<string, readonly string[]> = { fished_set: ['stop', 'set'] };

let h: Harness;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  await makeRows(h);
  captain = await h.signIn(emailOf(h.mine, 'captain'));
});
afterAll(() => h.close());

const topicOf = (table: string): Topic | undefined => ALL_TOPICS.find((t) => (TOPICS[t] as readonly string[]).includes(table));

describe('what has changed', () => {
  it('is noted by a trigger of every table of an outfit, under the topic that the code knows it by', async () => {
    const tables: { name: string }[] = await h.owner.query(
      `select relname as name from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') and not relispartition`,
    );
    const triggers: { name: string; topic: string }[] = await h.owner.query(
      `select c.relname as name, replace(encode(t.tgargs, 'escape'), '\\000', '') as topic from pg_trigger t join pg_class c on c.oid = t.tgrelid
       where t.tgname = 'note_change' and not c.relispartition`,
    );
    const noted = new Map(triggers.map((t) => [t.name, t.topic]));
    expect(tables.length).toBeGreaterThan(40);
    for (const { name } of tables.filter((t) => !NO_TOPIC.includes(t.name))) {
      expect(topicOf(name), `${name} belongs to no topic`).toBeDefined();
      expect(noted.get(name), `${name} does not note its changes`).toBe(topicOf(name));
    }
  });

  it('is told by its topics only, and nothing is told where nothing was written', async () => {
    const outfit = h.mine.outfit.id;
    const told = async () => (await h.owner.query('select version::int, topics from outfit_version where outfit_id = $1', [outfit]))[0];
    await h.changed();
    const before = await told();
    expect(Object.keys(before.topics).sort()).toEqual([...ALL_TOPICS].sort());
    expect((await captain.post(fill('/boats/{id}/limits', h.mine), bodies(h.mine)['/boats/{id}/limits'])).status).toBe(200);
    const after = await told();
    expect(after.version).toBe(before.version + 1);
    expect(after.topics).toEqual({ ...before.topics, crew: after.version });
    // His own settings are nobody else's matter but theirs who see his name.
    await captain.post('/me/calendar');
    expect((await told()).version).toBe(after.version);
  });

  it('is forgotten with the transaction that is undone', async () => {
    await inOutfit(h.source, h.mine.outfit.id, async (entities) => {
      await entities.query('savepoint before');
      await entities.query('update boat set name = name');
      expect(await changedIn(entities)).toEqual(['crew']);
      await entities.query('rollback to savepoint before');
      expect(await changedIn(entities)).toEqual([]);
      await entities.query('update spot set name = name');
      await entities.query(`delete from reading where variable = 'none'`);
      expect(await changedIn(entities)).toEqual(['conditions', 'spots']);
    });
    await inOutfit(h.source, h.mine.outfit.id, async (entities) => expect(await changedIn(entities)).toEqual([]));
  });
});

describe('an answer that is kept', () => {
  it('reads no table but of the topics that it names', async () => {
    const tables = [...Object.values(TOPICS).flat(), ...Object.keys(VIEWS)] as string[];
    const named = FEATURES.flatMap((f) => f.routes.flatMap((routes) => routes(h.deps).kept));
    expect(named.length).toBeGreaterThan(12);
    let queries: string[] = [];
    Object.assign(h.source, {
      logger: { ...h.source.logger, logQuery: (q: string) => void queries.push(q), logQueryError: () => undefined },
    });
    for (const { path, from } of named) {
      queries = [];
      const answer = await captain.get(fill(path, h.mine));
      expect(answer.status, `${path}: ${JSON.stringify(answer.body).slice(0, 200)}`).toBe(200);
      const text = queries.join('\n').replaceAll('"', '');
      const read = tables
        .filter((t) => new RegExp(`\\b(from|join|update|into)\\s+${t}\\b`, 'i').test(text))
        .flatMap((t) => VIEWS[t] ?? [t]);
      expect(read.length, path).toBeGreaterThan(0);
      const lacking = read.filter((t) => !from.includes(topicOf(t) as Topic));
      expect(lacking, `${path} is made from ${[...new Set(read.map(topicOf))].sort().join(', ')}`).toEqual([]);
    }
  });
});
