import { randomBytes, randomUUID } from 'node:crypto';
import { percentile, signIn } from './client.mjs';

export const title = 'addresses of clients’ pages that were guessed, have run out or were ended take the same time to say nothing';

const TRIES = 400;
/** Middles of so many answers differ so much by themselves. */
const APART_MS = 0.5;
const APART = 1.15;

export async function drill({ world, say }) {
  const captain = await signIn(world.url, 'runa@greywether.example');
  const page = async (trip, days) => {
    const answer = await captain.ask('POST', `/trips/${trip.id}/report`, {
      id: randomUUID(),
      text: 'Thank you.',
      learned: '',
      photoIds: [],
      days,
    });
    if (answer.status !== 200) throw new Error(`no page: ${answer.status} ${JSON.stringify(answer.json())}`);
    return answer.json().path.replace('/r/', '');
  };
  const trips = (await captain.ask('GET', '/calendar?from=2026-06-08&to=2026-06-17')).json();
  const over = trips.filter((t) => t.status === 'done');
  if (over.length < 2) throw new Error('the demo has no trips that are over');
  const [runOut, ended] = [await page(over[0], 1), await page(over[1], 30)];
  await captain.ask('POST', `/trips/${over[1].id}/report/end`);
  const { now } = (await captain.ask('GET', '/me')).json();
  await captain.ask('POST', '/demo/clock', { now: new Date(Date.parse(now) + 3 * 86_400_000).toISOString() });
  const kinds = { guessed: () => randomBytes(32).toString('base64url'), 'run out': () => runOut, ended: () => ended };
  const taken = Object.fromEntries(Object.keys(kinds).map((k) => [k, []]));
  const said = new Set();
  // In turn, so that whatever else the machine does falls on all of them.
  for (let i = 0; i < TRIES; i++)
    for (const [kind, token] of Object.entries(kinds)) {
      const answer = await captain.ask('GET', `/reports/${token()}`, undefined, { headers: { Cookie: '' } });
      said.add(`${answer.status} ${JSON.stringify(answer.json())}`);
      if (i >= 20) taken[kind].push(answer.ms);
    }
  const middles = Object.entries(taken).map(([kind, ms]) => [kind, percentile(ms, 0.5)]);
  say(`${middles.map(([kind, ms]) => `${kind} ${ms.toFixed(2)} ms`).join(', ')} (middle of ${TRIES - 20} each)`);
  const [least, most] = [Math.min(...middles.map(([, ms]) => ms)), Math.max(...middles.map(([, ms]) => ms))];
  return [
    ...(said.size === 1 && [...said][0].startsWith('404') ? [] : [`${said.size} different answers: ${[...said].join(' / ')}`]),
    ...(most > least * APART && most - least > APART_MS ? [`the middles are ${(most - least).toFixed(2)} ms apart`] : []),
  ];
}
