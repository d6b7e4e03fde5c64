// Simulated days of stay-or-move: each way of deciding as a share of what one that knew every rate would catch.
import { decideStay } from '@bluffwind/core/stay/decideStay';
import { effort } from '@bluffwind/core/stay/exposure';
import { type StayAlternative, stayOrMove } from '@bluffwind/core/stay/stayOrMove';
import { stayTable } from '@bluffwind/core/stay/stayTable';
import { seeded } from '@bluffwind/core/units/seeded';
import { normal, poisson } from '../sim/src/noise';
import { say } from './measure';

const DAYS = 400;
const SPOTS = 7;
const MINUTES = 360;
const STEP = 5;

interface Pool extends Omit<StayAlternative, 'travelMin'> {
  readonly truth: number;
}
interface Moment {
  readonly minutesFished: number;
  readonly fish: number;
  readonly minutesLeft: number;
  readonly sinceFish: number;
}
/** Where to go, or null to stay; asked anew at each spot. */
type Policy = (here: Pool, alternatives: readonly StayAlternative[], left: number) => (m: Moment) => string | null;

const question = (here: Pool, alternatives: readonly StayAlternative[], m: Moment) => ({
  belief: here,
  fadePerHour: here.fadePerHour,
  alternatives,
  ...m,
});

const POLICIES: readonly (readonly [string, Policy])[] = [
  [
    'table (Bluffwind)',
    (here, alternatives, left) => {
      const table = stayTable(here, here.fadePerHour, left, alternatives);
      return (m) => {
        const d = decideStay(question(here, alternatives, m), table);
        return d.move ? d.to : null;
      };
    },
  ],
  [
    'rule of one sentence',
    (here, alternatives) => (m) => {
      const d = stayOrMove(question(here, alternatives, m));
      return d.move ? d.to : null;
    },
  ],
  ['after 20 blank minutes', (here, alternatives) => (m) => (m.sinceFish >= 20 ? stayOrMove(question(here, alternatives, m)).to : null)],
  ['20 minutes each', (here, alternatives) => (m) => (m.minutesFished >= 20 ? stayOrMove(question(here, alternatives, m)).to : null)],
  ['never', () => () => null],
];

export function benchStay(): void {
  const random = seeded(5);
  const sums = new Map<string, number>();
  let knowing = 0;
  const start = performance.now();
  for (let day = 0; day < DAYS; day++) {
    const pools = Array.from({ length: SPOTS }, (_, i): Pool => {
      const [a, mean] = [1.2 + 2 * random(), 0.6 + 2 * random()];
      const b = a / mean;
      return { id: String(i), a, b, fadePerHour: 0.3 + 0.9 * random(), truth: gammaDraw(a, random) / b };
    });
    for (const [name, policy] of POLICIES) sums.set(name, (sums.get(name) ?? 0) + fish(pools, policy, day));
    // One that knows the rates: the same rule on certainties.
    const sure = pools.map((p) => ({ ...p, a: 1e6 * p.truth, b: 1e6 }));
    knowing += fish(sure, POLICIES[0]?.[1] as Policy, day);
  }
  say(`\nStay or move: ${DAYS} simulated days of ${SPOTS} spots (${((performance.now() - start) / 1000).toFixed(0)} s)`);
  for (const [name] of POLICIES)
    say(`  ${name.padEnd(24)} ${((100 * (sums.get(name) ?? 0)) / knowing).toFixed(1)} % of one that knows every rate`);
}

function fish(pools: readonly Pool[], policy: Policy, seed: number): number {
  const random = seeded(seed * 31 + 7);
  const travel = (i: string, j: string) => 8 + ((Number(i) * 7 + Number(j) * 13) % 5) * 4;
  let here = [...pools].sort((x, y) => y.a / y.b - x.a / x.b)[0] as Pool;
  const used = new Set([here.id]);
  let [left, total] = [MINUTES, 0];
  while (left >= STEP) {
    const from = here;
    const alternatives = pools.filter((p) => !used.has(p.id)).map((p) => ({ ...p, travelMin: travel(from.id, p.id) }));
    const ask = policy(here, alternatives, left);
    let [minutes, caught, last] = [0, 0, 0];
    let to: string | null = null;
    while (left >= STEP && to === null) {
      const n = poisson(here.truth * (effort(here.fadePerHour, (minutes + STEP) / 60) - effort(here.fadePerHour, minutes / 60)), random);
      caught += n;
      minutes += STEP;
      left -= STEP;
      if (n > 0) last = minutes;
      if (alternatives.length > 0) to = ask({ minutesFished: minutes, fish: caught, minutesLeft: left, sinceFish: minutes - last });
    }
    total += caught;
    const next = pools.find((p) => p.id === to);
    if (!next) break;
    left -= travel(here.id, next.id);
    here = next;
    used.add(here.id);
  }
  return total;
}

/** Gamma draw of rate 1 (Marsaglia & Tsang 2000), shape above 1. */
function gammaDraw(shape: number, random: () => number): number {
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}
