// People at their screens and phones, for the drills.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import { gunzipSync } from 'node:zlib';

const agent = new http.Agent({ keepAlive: true, maxSockets: 64 });

export const PASSWORD = 'lanyard-and-plug';
export const pause = (ms) => new Promise((r) => setTimeout(r, ms));

/** A person signed in: `ask(method, path, body?, { signal? })` gives status, body, headers and milliseconds. */
export async function signIn(url, email) {
  const response = await fetch(`${url}/api/sign-in`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ email, password: PASSWORD }),
  });
  if (response.status !== 200) throw new Error(`sign-in of ${email}: ${response.status} ${await response.text()}`);
  const cookie = response.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  return {
    cookie,
    /** @returns {Promise<{ status: number, json: () => any, bytes: number, headers: { get(name: string): string | null }, ms: number }>} */
    ask(method, path, body, { signal, headers = {}, at = url } = {}) {
      const from = performance.now();
      const text = body === undefined ? null : JSON.stringify(body);
      const { hostname, port } = new URL(at);
      return new Promise((resolve, reject) => {
        const req = http.request(
          {
            agent,
            hostname,
            port,
            method,
            path: `/api${path}`,
            signal,
            headers: {
              Cookie: cookie,
              'Accept-Encoding': 'gzip',
              ...(text === null ? {} : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) }),
              ...headers,
            },
          },
          (res) => {
            const parts = [];
            res.on('data', (d) => parts.push(d));
            res.on('error', reject);
            res.on('end', () => {
              const ms = performance.now() - from;
              const raw = Buffer.concat(parts);
              const read = () => (res.headers['content-encoding'] === 'gzip' ? gunzipSync(raw) : raw).toString();
              resolve({
                status: res.statusCode,
                json: () => (raw.length === 0 ? null : JSON.parse(read())),
                bytes: raw.length,
                headers: { get: (name) => res.headers[name] ?? null },
                ms,
              });
            });
          },
        );
        req.on('error', reject);
        req.end(text);
      });
    },
  };
}

/** The demo's trips of tomorrow, and its clock set into them. */
export async function tripsUnderWay(person) {
  const { tomorrow } = (await person.ask('GET', '/board')).json();
  await person.ask('POST', '/demo/clock', { now: '2026-06-19T23:00:00.000Z' });
  const { waters, species, presentations } = (await person.ask('GET', '/outfit')).json();
  const spots = {};
  for (const w of waters) spots[w.id] = (await person.ask('GET', `/waters/${w.id}/spots`)).json();
  return tomorrow.map((t) => {
    const salt = waters.find((w) => w.id === t.water.id).kind;
    return {
      id: t.id,
      startMs: Date.parse(t.startsAt),
      spot: spots[t.water.id][0].id,
      species: species.find((s) => s.habitat === salt).id,
      presentation: presentations.find((p) => p.habitat === 'both' || p.habitat === salt).id,
    };
  });
}

/** Entries of one stop: its start and so many fish. */
export function stopOf(trip, fish, atMs) {
  const [stopId, setId] = [randomUUID(), randomUUID()];
  const at = (k) => new Date(atMs + k * 1000).toISOString();
  const start = {
    kind: 'start-stop',
    entryId: randomUUID(),
    at: at(0),
    stopId,
    spotId: trip.spot,
    sets: [{ id: setId, presentationId: trip.presentation, rods: 2 }],
  };
  const catches = Array.from({ length: fish }, (_, k) => ({
    kind: 'catch',
    entryId: randomUUID(),
    at: at(1 + (k % 300)),
    catchId: randomUUID(),
    setId,
    speciesId: trip.species,
    clientId: null,
    lengthMm: 200 + (k % 300),
    lengthKind: 'total',
    outcome: 'landed',
    kept: false,
  }));
  return [start, ...catches];
}

export function percentile(values, p) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))] ?? 0;
}

/** What an idle process says of itself: how long it was not come to at most in each second. A machine that stands still holds it too. */
const IDLE = `const h = require('node:perf_hooks').monitorEventLoopDelay({ resolution: 10 }); h.enable();
setInterval(() => { process.stdout.write(Math.round(h.max / 1e6) + '\\n'); h.reset(); }, 1000); process.on('disconnect', () => process.exit());`;

/**
 * Watches a server: the longest that its main thread did not come to its work, most memory, and as a control the longest that a process
 * which only waits was held, by the machine alone.
 */
export function watch(metrics, pidOf) {
  let [longestMs, mostMb, idleMs] = [0, 0, 0];
  const idle = spawn(process.execPath, ['-e', IDLE], { stdio: ['ignore', 'pipe', 'ignore', 'ipc'] });
  let seen = 0;
  idle.stdout.on('data', (d) => {
    // The first second is its own start.
    for (const ms of String(d).trim().split('\n').map(Number)) if (seen++ > 0) idleMs = Math.max(idleMs, ms);
  });
  const look = async () => {
    const text = await fetch(metrics)
      .then((r) => r.text())
      .catch(() => '');
    const lag = /^nodejs_eventloop_lag_max_seconds (\S+)/m.exec(text);
    if (lag) longestMs = Math.max(longestMs, Number(lag[1]) * 1000);
    try {
      const rss = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pidOf()}/status`, 'utf8'));
      mostMb = Math.max(mostMb, Number(rss[1]) / 1024);
    } catch {
      // Between a crash and the next start.
    }
  };
  // What happened before the drill does not count: the figure is since it was last asked for.
  const begun = look().then(() => {
    longestMs = 0;
  });
  const timer = setInterval(look, 1000);
  return async () => {
    clearInterval(timer);
    await begun;
    await look();
    idle.kill();
    return { longestMs: Math.round(longestMs), mostMb: Math.round(mostMb), idleMs };
  };
}

/** What a watch came to, in words; and what of it is not as it must be. */
export function heldWords({ longestMs, mostMb, idleMs }) {
  return `main thread ${longestMs} ms at most (a process that only waits was held ${idleMs} ms), ${mostMb} MB at most`;
}
export const heldFaults = ({ longestMs, mostMb, idleMs }) => [
  ...(longestMs - idleMs >= 100 ? ['main thread held for over 100 ms'] : []),
  ...(mostMb >= 600 ? ['memory over 600 MB'] : []),
];

/** Seconds of processor time that a server's main thread has had: Linux counts them for each thread, in hundredths. */
export function mainThreadSeconds(pid) {
  const fields = readFileSync(`/proc/${pid}/task/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
}
