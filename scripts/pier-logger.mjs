// An example of a program with a key (Crew, Keeping, Keys for programs): it stores one reading and prints the latest lines of the log.
// BLUFFWIND_KEY=bw_... node scripts/pier-logger.mjs http://127.0.0.1:4310 waterTempC 14.2
import { randomUUID } from 'node:crypto';

const [address, variable = 'waterTempC', value] = process.argv.slice(2);
const key = process.env.BLUFFWIND_KEY;
if (!address || !key || value === undefined || Number.isNaN(Number(value))) {
  console.error('Usage: BLUFFWIND_KEY=bw_... node scripts/pier-logger.mjs ADDRESS VARIABLE VALUE');
  process.exit(2);
}

async function ask(method, path, body) {
  const answer = await fetch(`${address}/api${path}`, {
    method,
    headers: { Authorization: `Bearer ${key}`, 'Content-Type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const told = await answer.json();
  if (answer.status === 200) return told;
  console.error(`${told.title}: ${told.detail} ${told.remedy}`);
  process.exit(1);
}

const { outfit, waters } = await ask('GET', '/names');
const [water] = waters;
// The time is the server's own where it is given (the demo lives in a June of its own), the computer's otherwise.
const at = process.env.BLUFFWIND_NOW ?? new Date().toISOString();
// The id is the reading's own: sent twice, it is stored once.
await ask('POST', `/waters/${water.id}/readings`, {
  id: randomUUID(),
  variable,
  at,
  value: Number(value),
  spotId: null,
  note: 'pier logger',
});
console.log(`${outfit}: ${variable} ${value} is stored for ${water.name}.`);
const { rows } = await ask('GET', '/log');
for (const row of rows.slice(0, 5)) console.log(`${row.at}  ${row.spot}  ${row.presentation}  ${row.fish} fish`);
