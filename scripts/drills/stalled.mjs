import net from 'node:net';
import { pause, percentile, signIn, watch } from './client.mjs';

export const title = 'eight uploads that never end, and what other outfits notice of it';

export async function drill({ world, metrics, say }) {
  const host = new URL(world.url);
  const victim = await signIn(world.url, 'ottoline@farrowreach.example');
  const mate = await signIn(world.url, 'nell@greywether.example');
  const trip = (await mate.ask('GET', '/board')).json().tomorrow[0].id;
  const done = watch(metrics, world.serverPid);
  const sockets = Array.from({ length: 8 }, () => {
    const s = net.connect(Number(host.port), host.hostname);
    s.on('error', () => {});
    s.write(
      `POST /api/deck/${trip}/entries HTTP/1.1\r\nHost: ${host.host}\r\nCookie: ${mate.cookie}\r\nContent-Type: application/json\r\nContent-Length: 5000\r\n\r\n{"entries":[`,
    );
    return s;
  });
  await pause(500);
  const times = [];
  const bad = [];
  for (let i = 0; i < 200; i++) {
    const answer = await victim.ask('GET', '/me');
    times.push(answer.ms);
    if (answer.status !== 200) bad.push(answer.status);
    await pause(20);
  }
  // The stalled ones are told and let go after their time.
  const closed = await Promise.race([
    Promise.all(sockets.map((s) => new Promise((r) => s.once('data', (d) => r(String(d).slice(9, 12)))))),
    pause(40_000).then(() => null),
  ]);
  for (const s of sockets) s.destroy();
  const { longestMs, mostMb } = await done();
  say(`/me of another outfit: ${times.length} asked, ${bad.length} failed, p95 ${percentile(times, 0.95).toFixed(0)} ms`);
  say(
    `the stalled ones were answered with ${closed ? [...new Set(closed)].join(', ') : 'nothing'}; main thread ${longestMs} ms at most, ${mostMb} MB`,
  );
  return [
    ...(bad.length > 0 ? [`${bad.length} requests of another outfit failed`] : []),
    ...(percentile(times, 0.95) >= 200 ? ['p95 of /me is over 200 ms'] : []),
    ...(closed?.every((c) => c === '408') ? [] : ['the stalled uploads were not ended with 408']),
  ];
}
