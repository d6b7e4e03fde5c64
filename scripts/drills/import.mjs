import { randomUUID } from 'node:crypto';
import { percentile, pause, signIn, watch, heldFaults, heldWords } from './client.mjs';
import { crewAtScreens, readAtOnce, readOnce, tellReading } from './reading.mjs';

export const title = '300,000 soundings and 2,000 marks brought in beside forty readers and another outfit';

export async function drill({ world, metrics, say }) {
  const crew = await crewAtScreens(world.url);
  await readOnce(crew, say);
  // Who brings it in waits for what shows it; the forty are others.
  const captain = crew.people[0];
  const readers = { ...crew, people: crew.people.slice(1) };
  const other = await signIn(world.url, 'ottoline@farrowreach.example');
  const trip = crew.tomorrow[0];
  const water = crew.waters.find((w) => w.id === trip.water.id);
  const chart = (await captain.ask('GET', `/waters/${water.id}/chart`)).json().bed;
  const near = (n) => ({ lat: chart.lat0 + 0.005 + ((n * 7919) % 1000) * 2e-5, lon: chart.lon0 + 0.02 + ((n * 104729) % 1000) * 4e-5 });
  const n = 300_000;
  const list = Array.from({ length: n }, (_, i) => near(i));
  const done = watch(metrics, world.serverPid);
  let over = false;
  const times = [];
  const bad = [];
  const others = Promise.all(
    ['/me', '/board', '/outfit', '/log'].map(async (path) => {
      while (!over) {
        const a = await other.ask('GET', path);
        times.push(a.ms);
        if (a.status >= 400) bad.push(a.status);
        await pause(40);
      }
    }),
  );
  const reading = readAtOnce(40, readers, () => !over);
  await pause(2000);
  const from = performance.now();
  const soundings = await captain.ask('POST', `/waters/${water.id}/imports/soundings`, {
    id: randomUUID(),
    fileName: 'day.csv',
    refused: 0,
    transducerM: 0.3,
    lat: list.map((p) => p.lat),
    lon: list.map((p) => p.lon),
    soundedM: list.map((_, i) => 3 + (i % 40) / 10),
    atMs: list.map(() => 0),
  });
  say(`soundings: ${soundings.status} in ${((performance.now() - from) / 1000).toFixed(1)} s`);
  const marks = Array.from({ length: 2000 }, (_, i) => {
    const p = near(i * 31);
    return { name: `Mark ${i}`, note: '', shape: 'point', points: [[p.lon, p.lat]], as: 'spot', into: null };
  });
  const at = performance.now();
  const places = await captain.ask('POST', `/waters/${water.id}/imports/places`, {
    id: randomUUID(),
    fileName: 'marks.gpx',
    refused: 0,
    privacy: 'crew',
    places: marks,
  });
  say(
    `marks: ${places.status} in ${((performance.now() - at) / 1000).toFixed(1)} s${places.status === 200 ? '' : ` ${JSON.stringify(places.json()).slice(0, 200)}`}`,
  );
  const desk = performance.now();
  const answer = await captain.ask('GET', `/trips/${trip.id}/desk`);
  say(`the desk after it: ${answer.status}, ${(answer.bytes / 1e6).toFixed(1)} MB in ${((performance.now() - desk) / 1000).toFixed(1)} s`);
  // What the import made stale is worked out anew in the background; the readers stay through it.
  await pause(10_000);
  over = true;
  const [read] = await Promise.all([reading, others]);
  const held = await done();
  const forty = tellReading(read, say);
  say(
    `another outfit meanwhile: ${times.length} requests, ${bad.length} failed, longest ${Math.max(...times).toFixed(0)} ms, p95 ${percentile(times, 0.95).toFixed(0)} ms`,
  );
  say(heldWords(held));
  return [
    ...(soundings.status === 200 ? [] : ['the soundings were not taken']),
    ...(places.status === 200 ? [] : ['the marks were not taken']),
    ...(read.failed.size > 0 ? [`of the forty readers failed: ${forty.bad}`] : []),
    ...(bad.length > 0 ? [`${bad.length} requests of another outfit failed`] : []),
    ...(Math.max(...forty.all) >= 1000 ? ['a request of the forty readers took over 1 s'] : []),
    ...(Math.max(...times) >= 1000 ? ['a request of another outfit took over 1 s'] : []),
    ...heldFaults(held),
  ];
}
