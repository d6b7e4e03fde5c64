import { randomFleet } from '@bluffwind/core/fleet/randomFleet';
import { solveFleet } from '@bluffwind/core/fleet/solveFleet';
import { ms, say } from './measure';

/** Fleets of several boats on 24 spots: the plan that is there at once, and after three seconds, against its bound. */
export function benchFleet(): void {
  say('\nFleet: 24 spots, 78 steps, three seconds each');
  for (const boats of [2, 4, 6]) {
    const first: number[] = [];
    const gaps: number[] = [];
    const inTurn: number[] = [];
    for (let seed = 1; seed <= 5; seed++) {
      const fleet = randomFleet(seed, { boats });
      const start = performance.now();
      let at = 0;
      let value = 0;
      const plan = solveFleet(fleet, {
        stop: () => performance.now() - start > 3000,
        onBetter: (p) => {
          if (at === 0) [at, value] = [performance.now() - start, p.value];
        },
      });
      first.push(at);
      gaps.push((100 * (plan.bound - plan.value)) / plan.bound);
      inTurn.push((100 * (plan.bound - value)) / plan.bound);
    }
    const list = (x: readonly number[]) => x.map((v) => v.toFixed(1)).join(', ');
    say(`  ${boats} boats: first plan ${ms(first)}; within ${list(gaps)} % of the bound`);
    say(`    peer: boats planned in turn, within ${list(inTurn)} %`);
  }
}
