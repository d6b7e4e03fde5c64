import http from 'node:http';
import { pause, percentile, signIn, watch, heldFaults, heldWords } from './client.mjs';

export const title = 'twenty uploads of 31 MB in pieces from a stranger';

export async function drill({ world, metrics, say }) {
  const url = new URL(world.url);
  const crew = await signIn(world.url, 'nell@greywether.example');
  const water = (await crew.ask('GET', '/outfit')).json().waters[0].id;
  const done = watch(metrics, world.serverPid);
  const piece = Buffer.alloc(256 * 1024, 0x20);
  const upload = () =>
    new Promise((resolve) => {
      const req = http.request(
        {
          host: url.hostname,
          port: url.port,
          path: `/api/waters/${water}/imports/soundings`,
          method: 'POST',
          headers: { 'Content-Type': 'application/json', 'Transfer-Encoding': 'chunked' },
        },
        (res) => {
          res.resume();
          resolve(res.statusCode);
        },
      );
      req.on('error', () => resolve('cut'));
      let sent = 0;
      const more = () => {
        if (req.destroyed) return;
        if (sent >= 31 * 4) return req.end();
        sent++;
        if (req.write(piece)) setImmediate(more);
        else req.once('drain', more);
      };
      more();
    });
  const uploads = Promise.all(Array.from({ length: 20 }, upload));
  const times = [];
  let over = false;
  uploads.then(() => {
    over = true;
  });
  for (let i = 0; i < 40 || (!over && i < 400); i++) {
    times.push((await crew.ask('GET', '/me')).ms);
    await pause(25);
  }
  const statuses = await uploads;
  const held = await done();
  say(`answered with ${[...new Set(statuses)].join(', ')}; meanwhile /me p95 ${percentile(times, 0.95).toFixed(0)} ms`);
  say(heldWords(held));
  return [...(statuses.some((s) => s !== 401 && s !== 'cut') ? ['an upload without a session was taken'] : []), ...heldFaults(held)];
}
