import { signIn, stopOf, tripsUnderWay, watch } from './client.mjs';

export const title = 'how many entries a second, durable';

export async function drill({ world, metrics, say }) {
  const captain = await signIn(world.url, 'runa@greywether.example');
  const trips = await tripsUnderWay(captain);
  const faults = [];
  const run = async (words, entries, size, wanted) => {
    const done = watch(metrics, world.serverPid);
    const cpu = await cpuOf(metrics);
    const from = performance.now();
    let refused = 0;
    await Promise.all(
      trips.map(async (trip, k) => {
        const list = stopOf(trip, Math.ceil(entries / trips.length), trip.startMs + k * 60_000);
        for (let i = 0; i < list.length; i += size) {
          const answer = await captain.ask('POST', `/deck/${trip.id}/entries`, { entries: list.slice(i, i + size) });
          if (answer.status !== 200) throw new Error(`${answer.status} ${JSON.stringify(answer.json())}`);
          refused += answer.json().receipts.filter((r) => !r.ok).length;
        }
      }),
    );
    const s = (performance.now() - from) / 1000;
    const { longestMs, mostMb } = await done();
    const each = ((await cpuOf(metrics)) - cpu) / entries;
    const rate = entries / s;
    say(`${words}: ${rate.toFixed(0)} a second (${entries} in ${s.toFixed(1)} s), ${refused} refused`);
    say(`  processor ${(each * 1000).toFixed(2)} ms each in the whole server; main thread ${longestMs} ms at most, ${mostMb} MB`);
    if (refused > 0) faults.push(`${words}: ${refused} refused`);
    if (rate < wanted) faults.push(`${words}: ${rate.toFixed(0)} a second, ${wanted} wanted`);
    if (longestMs >= 100) faults.push(`${words}: main thread held for ${longestMs} ms`);
  };
  await run('in batches of 100', 20_000, 100, 1000);
  await run('singly', 2000, 1, 150);
  return faults;
}

async function cpuOf(metrics) {
  const text = await (await fetch(metrics)).text();
  return Number(/^process_cpu_seconds_total (\S+)/m.exec(text)?.[1] ?? 0);
}
