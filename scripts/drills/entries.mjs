import { mainThreadSeconds, signIn, stopOf, tripsUnderWay, watch, heldFaults, heldWords } from './client.mjs';

export const title = 'how many entries a second, durable';

const PHONES = 10;

export async function drill({ world, metrics, say }) {
  const captain = await signIn(world.url, 'runa@greywether.example');
  const trips = await tripsUnderWay(captain);
  const faults = [];
  const run = async (words, entries, size, wanted) => {
    const done = watch(metrics, world.serverPid);
    const cpu = mainThreadSeconds(world.serverPid());
    const from = performance.now();
    let refused = 0;
    await Promise.all(
      Array.from({ length: PHONES }, async (_, k) => {
        const trip = trips[k % trips.length];
        const list = stopOf(trip, Math.ceil(entries / PHONES), trip.startMs + k * 600_000);
        for (let i = 0; i < list.length; i += size) {
          const answer = await captain.ask('POST', `/deck/${trip.id}/entries`, { entries: list.slice(i, i + size) });
          if (answer.status !== 200) throw new Error(`${answer.status} ${JSON.stringify(answer.json())}`);
          refused += answer.json().receipts.filter((r) => !r.ok).length;
        }
      }),
    );
    const s = (performance.now() - from) / 1000;
    const held = await done();
    const each = (mainThreadSeconds(world.serverPid()) - cpu) / entries;
    const rate = entries / s;
    say(`${words}: ${rate.toFixed(0)} a second (${entries} in ${s.toFixed(1)} s), ${refused} refused`);
    say(`  ${(each * 1000).toFixed(2)} ms of the main thread each; ${heldWords(held)}`);
    if (refused > 0) faults.push(`${words}: ${refused} refused`);
    if (rate < wanted) faults.push(`${words}: ${rate.toFixed(0)} a second, ${wanted} wanted`);
    if (each > 0.005) faults.push(`${words}: ${(each * 1000).toFixed(1)} ms of the main thread each`);
    faults.push(...heldFaults(held).map((f) => `${words}: ${f}`));
  };
  // As a server that has been at work for a while.
  for (const trip of trips) await captain.ask('POST', `/deck/${trip.id}/entries`, { entries: stopOf(trip, 20, trip.startMs - 3_600_000) });
  await run('in batches of 100', 20_000, 100, 1000);
  await run('singly', 2000, 1, 150);
  return faults;
}
