// lab CALCULATION < input.json > output.json
import { readFileSync } from 'node:fs';
import { CALCULATIONS } from './calculations';
import { inMetric } from '@bluffwind/core/units/measure';

/** Ends with a message on standard error. */
function refuse(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(2);
}

const [name] = process.argv.slice(2);
const list = Object.entries(CALCULATIONS)
  .map(([n, c]) => `  ${n.padEnd(10)} ${c.what}`)
  .join('\n');
if (name === '--help' || name === '-h') {
  process.stdout.write(`usage: npm run --silent lab -- CALCULATION < input.json > output.json\n\nCalculations:\n${list}\n`);
  process.exit(0);
}
const calculation = name === undefined ? undefined : CALCULATIONS[name];
if (!calculation) refuse(`lab: ${name === undefined ? 'no calculation named' : `unknown calculation ${name}`}; there are\n${list}`);
let raw: unknown;
try {
  raw = JSON.parse(readFileSync(0, 'utf8'));
} catch (error) {
  refuse(`lab ${name}: standard input is not JSON: ${(error as Error).message}`);
}
const parsed = calculation.schema.safeParse(raw);
if (!parsed.success) {
  refuse(
    `lab ${name}: the input is not usable\n${parsed.error.issues.map((i) => `  ${i.path.join('.') || 'input'}: ${i.message}`).join('\n')}`,
  );
}
try {
  process.stdout.write(`${JSON.stringify(inMetric(calculation.run(parsed.data as never)), null, 2)}\n`);
} catch (error) {
  if (error instanceof RangeError) refuse(`lab ${name}: ${error.message}`);
  throw error;
}
