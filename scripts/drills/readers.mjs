import { percentile, signIn, watch } from './client.mjs';

export const title = 'forty readers for thirty seconds at what screens ask for';

export async function drill({ world, metrics, say }) {
  const people = await Promise.all(
    ['runa', 'tobias', 'ilse', 'oskar', 'nell', 'birk'].map((n) => signIn(world.url, `${n}@greywether.example`)),
  );
  const [first] = people;
  const { tomorrow } = (await first.ask('GET', '/board')).json();
  const { waters } = (await first.ask('GET', '/outfit')).json();
  const span = 'from=2026-06-18T04:00:00Z&to=2026-06-19T22:00:00Z';
  const paths = [
    '/me',
    '/board',
    '/outfit',
    '/log',
    '/presentations',
    '/brief/2026-06-19',
    '/risks?date=2026-06-19',
    ...waters
      .slice(0, 2)
      .flatMap((w) => [`/waters/${w.id}/spots`, `/waters/${w.id}/chart`, `/waters/${w.id}/state?${span}`, `/waters/${w.id}/soundings`]),
    ...tomorrow.slice(0, 3).flatMap((t) => [`/trips/${t.id}`, `/trips/${t.id}/desk`, `/deck/${t.id}`]),
  ];
  // Once each, as a crew that has been at work: what is kept is there.
  const cold = performance.now();
  for (const person of people) await Promise.all(paths.map((p) => person.ask('GET', p)));
  say(
    `asked for once by each of ${people.length}: ${paths.length * people.length} requests in ${((performance.now() - cold) / 1000).toFixed(1)} s`,
  );
  const done = watch(metrics, world.serverPid);
  const times = new Map(paths.map((p) => [p, []]));
  const failed = new Map();
  let fresh = 0;
  const until = performance.now() + 30_000;
  await Promise.all(
    Array.from({ length: 40 }, async (_, k) => {
      const person = people[k % people.length];
      const tags = new Map();
      for (let i = k * 7; performance.now() < until; i++) {
        const path = paths[i % paths.length];
        const known = tags.get(path);
        const answer = await person.ask('GET', path, undefined, { headers: known ? { 'If-None-Match': known } : {} });
        times.get(path).push(answer.ms);
        if (answer.status === 200) fresh++;
        else if (answer.status !== 304) failed.set(answer.status, (failed.get(answer.status) ?? 0) + 1);
        const tag = answer.headers.get('etag');
        if (tag) tags.set(path, tag);
      }
    }),
  );
  const { longestMs, mostMb } = await done();
  const all = [...times.values()].flat();
  const bad = [...failed].map(([s, n]) => `${n} of ${s}`).join(', ') || 'none';
  say(`${all.length} requests (${fresh} whole, the others "not changed"), failed: ${bad}`);
  say(
    `p50 ${percentile(all, 0.5).toFixed(0)} ms, p95 ${percentile(all, 0.95).toFixed(0)} ms; main thread ${longestMs} ms at most, ${mostMb} MB at most`,
  );
  for (const [path, list] of times)
    say(
      `  ${path
        .replace(/[0-9a-f-]{36}/, '{id}')
        .split('?')[0]
        .padEnd(28)} p95 ${percentile(list, 0.95).toFixed(0)} ms of ${list.length}`,
    );
  return [
    ...(failed.size > 0 ? [`failed: ${bad}`] : []),
    ...(percentile(all, 0.95) >= 500 ? ['p95 over 500 ms'] : []),
    ...(longestMs >= 100 ? ['main thread held for over 100 ms'] : []),
    ...(mostMb >= 600 ? ['memory over 600 MB'] : []),
  ];
}
