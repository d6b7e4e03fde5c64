import { pause, percentile, signIn, stopOf, tripsUnderWay, watch, heldFaults, heldWords } from './client.mjs';

export const title = 'forty screens follow a boat that logs its fish';

const SCREENS = 40;
const FISH = 25;
/** A screen reads again at this pace at most, as the application's own does. */
const PACE_MS = 1000;
const UNDER_MS = 2000;

export async function drill({ world, metrics, say }) {
  const people = await Promise.all(
    ['runa', 'tobias', 'ilse', 'oskar', 'nell', 'birk'].map((n) => signIn(world.url, `${n}@greywether.example`)),
  );
  const [captain] = people;
  const [trip] = await tripsUnderWay(captain);
  const [start, ...fish] = stopOf(trip, FISH, trip.startMs);
  const send = (entries) => captain.ask('POST', `/deck/${trip.id}/entries`, { entries });
  await send([{ kind: 'begin-trip', entryId: crypto.randomUUID(), at: new Date(trip.startMs - 60_000).toISOString() }, start]);
  const fishOn = (board) => board.out.find((o) => o.tripId === trip.id)?.fish ?? null;
  const before = fishOn((await captain.ask('GET', '/board')).json());
  if (before === null) return ['the trip under way is not on the Board'];
  const end = new AbortController();
  const done = watch(metrics, world.serverPid);
  /** When each fish was sent, and how long each screen took to show it. */
  const sentAt = [];
  const waits = [];
  const screens = Array.from({ length: SCREENS }, async (_, k) => {
    const person = people[k % people.length];
    const response = await fetch(`${world.url}/api/events`, { headers: { Cookie: person.cookie }, signal: end.signal });
    let shown = 0;
    let readAt = 0;
    let timer;
    const read = async () => {
      readAt = performance.now();
      timer = undefined;
      const now = fishOn((await person.ask('GET', '/board')).json()) - before;
      for (; shown < now; shown++) waits.push(performance.now() - sentAt[shown]);
    };
    const decoder = new TextDecoder();
    try {
      for await (const part of response.body)
        if (/event: changed/.test(decoder.decode(part)) && !timer)
          timer = setTimeout(() => void read(), Math.max(0, readAt + PACE_MS - performance.now()));
    } catch {
      clearTimeout(timer);
    }
    return shown;
  });
  await pause(1500);
  for (const f of fish) {
    sentAt.push(performance.now());
    const answer = await send([f]);
    if (answer.status !== 200) throw new Error(`${answer.status} ${JSON.stringify(answer.json())}`);
    await pause(200 + Math.random() * 1800);
  }
  await pause(4000);
  end.abort();
  const seen = await Promise.all(screens);
  const held = await done();
  say(
    `${fish.length} fish, ${waits.length} times seen on ${SCREENS} screens; a screen has it after ${percentile(waits, 0.5).toFixed(0)} ms`,
  );
  say(`95 % within ${percentile(waits, 0.95).toFixed(0)} ms; ${heldWords(held)}`);
  return [
    ...(seen.some((n) => n < fish.length) ? [`some screens saw ${Math.min(...seen)} of ${fish.length} fish`] : []),
    ...(percentile(waits, 0.95) >= UNDER_MS ? ['95 % not within 2 s'] : []),
    ...heldFaults(held),
  ];
}
