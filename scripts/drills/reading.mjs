// A crew at its screens, for the drills: who reads, what screens ask for, and how long the answers took.
import { percentile, signIn } from './client.mjs';

const SPAN = 'from=2026-06-18T04:00:00Z&to=2026-06-19T22:00:00Z';

/** The crew signed in, with the addresses that its screens ask for on an evening. */
export async function crewAtScreens(url) {
  const people = await Promise.all(['runa', 'tobias', 'ilse', 'oskar', 'nell', 'birk'].map((n) => signIn(url, `${n}@greywether.example`)));
  const [first] = people;
  const { tomorrow } = (await first.ask('GET', '/board')).json();
  const { waters } = (await first.ask('GET', '/outfit')).json();
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
      .flatMap((w) => [`/waters/${w.id}/spots`, `/waters/${w.id}/chart`, `/waters/${w.id}/state?${SPAN}`, `/waters/${w.id}/soundings`]),
    ...tomorrow.slice(0, 3).flatMap((t) => [`/trips/${t.id}`, `/trips/${t.id}/desk`, `/deck/${t.id}`]),
  ];
  return { people, paths, tomorrow, waters };
}

/** Each address once by each person, as a crew that has been at work: what is kept is there then. */
export async function readOnce({ people, paths }, say) {
  const from = performance.now();
  for (const person of people) await Promise.all(paths.map((p) => person.ask('GET', p)));
  say(
    `asked for once by each of ${people.length}: ${paths.length * people.length} requests in ${((performance.now() - from) / 1000).toFixed(1)} s`,
  );
}

/**
 * So many readers, each asking for one address after the other without a pause while `goOn()` is true.
 * @returns {Promise<{ times: Map<string, number[]>, failed: Map<number, number>, fresh: number }>} milliseconds of each answer by address, counts of answers that failed by status, and how many answers came whole
 */
export async function readAtOnce(readers, { people, paths }, goOn) {
  const times = new Map(paths.map((p) => [p, []]));
  const failed = new Map();
  let fresh = 0;
  await Promise.all(
    Array.from({ length: readers }, async (_, k) => {
      const person = people[k % people.length];
      const tags = new Map();
      for (let i = k * 7; goOn(); i++) {
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
  return { times, failed, fresh };
}

/** What a reading came to, said in lines; gives every time and the failures in words. */
export function tellReading({ times, failed, fresh }, say) {
  const all = [...times.values()].flat();
  const bad = [...failed].map(([s, n]) => `${n} of ${s}`).join(', ') || 'none';
  say(`${all.length} requests (${fresh} whole, the others "not changed"), failed: ${bad}`);
  say(`p50 ${percentile(all, 0.5).toFixed(0)} ms, p95 ${percentile(all, 0.95).toFixed(0)} ms, longest ${Math.max(...all).toFixed(0)} ms`);
  for (const [path, list] of times)
    say(
      `  ${path
        .replace(/[0-9a-f-]{36}/, '{id}')
        .split('?')[0]
        .padEnd(28)} p95 ${percentile(list, 0.95).toFixed(0)} ms, longest ${Math.max(0, ...list).toFixed(0)} ms of ${list.length}`,
    );
  return { all, bad };
}
