import { percentile, watch, heldFaults, heldWords } from './client.mjs';
import { crewAtScreens, readAtOnce, readOnce, tellReading } from './reading.mjs';

export const title = 'forty readers for thirty seconds at what screens ask for';

export async function drill({ world, metrics, say }) {
  const crew = await crewAtScreens(world.url);
  await readOnce(crew, say);
  const done = watch(metrics, world.serverPid);
  const until = performance.now() + 30_000;
  const read = await readAtOnce(40, crew, () => performance.now() < until);
  const held = await done();
  const { all, bad } = tellReading(read, say);
  say(heldWords(held));
  return [
    ...(read.failed.size > 0 ? [`failed: ${bad}`] : []),
    ...(percentile(all, 0.95) >= 500 ? ['p95 over 500 ms'] : []),
    ...heldFaults(held),
  ];
}
