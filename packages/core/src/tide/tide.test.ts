import { describe, expect, it } from 'vitest';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed } from './constituents';
import boston from './fixtures/boston.json';
import keyWest from './fixtures/key-west.json';
import sanFrancisco from './fixtures/san-francisco.json';
import { nodeFactors } from './nodeFactors';
import { tideModel } from './tideModel';
import { tidePhases } from './tideStage';
import { tideTurns } from './tideTurns';

const TOLERANCE = { minutes: 4, heightM: 0.02 };

describe('tide against independently computed turns of three harbours (public-domain constants)', () => {
  for (const harbour of [boston, keyWest, sanFrancisco]) {
    it(`keeps turns of ${harbour.station} within 4 min and 2 cm`, () => {
      const model = tideModel(harbour.constituents, harbour.z0M);
      let compared = 0;
      for (const expected of Object.values(harbour.months)) {
        const first = Date.parse(expected[0]?.at ?? '');
        const last = Date.parse(expected.at(-1)?.at ?? '');
        const ours = tideTurns(model, first - 3_600_000, last + 3_600_000);
        expected.forEach((turn, i) => {
          const neighbours = [expected[i - 1], expected[i + 1]].filter((n) => n !== undefined);
          if (neighbours.some((n) => Math.abs(n.heightM - turn.heightM) <= 0.1)) return;
          const at = Date.parse(turn.at);
          const same = ours.filter((o) => o.kind === turn.kind);
          const near = same.reduce((a, b) => (Math.abs(a.atMs - at) < Math.abs(b.atMs - at) ? a : b));
          expect(Math.abs(near.atMs - at) / 60_000, `${turn.at} time`).toBeLessThan(TOLERANCE.minutes);
          expect(Math.abs(near.heightM - turn.heightM), `${turn.at} height`).toBeLessThan(TOLERANCE.heightM);
          compared++;
        });
      }
      expect(compared).toBeGreaterThan(80);
    });

    it(`derives the published speeds of ${harbour.station} from the arguments`, () => {
      for (const c of harbour.constituents) {
        expect(constituentSpeed(c.name), c.name).toBeCloseTo(c.speedDegPerHour, 5);
      }
    });
  }
});

describe('node factors', () => {
  // Public-domain harmonics file, mid-year values.
  const published = {
    2015: { M2: 1.0377, K1: 0.8824, O1: 0.8068 },
    2026: { M2: 0.9674, K1: 1.1031, O1: 1.1668, K2: 1.2815 },
  };
  for (const [year, factors] of Object.entries(published)) {
    it(`meets the published factors of ${year}`, () => {
      const nodes = nodeFactors(astronomicalArguments(Date.UTC(Number(year), 6, 2, 12)));
      for (const [name, f] of Object.entries(factors)) {
        expect(Math.abs(nodes[name as 'M2'].f - f), name).toBeLessThan(0.002);
      }
    });
  }
});

describe('tide stage', () => {
  const model = tideModel([{ name: 'M2', amplitudeM: 1, phaseDeg: 0 }], 1.5);
  const from = Date.UTC(2026, 5, 19);
  const [first, second] = tideTurns(model, from, from + 86_400_000);

  it('runs from 0 at low through 0.5 at high, with the push greatest between', () => {
    const phase = tidePhases(model, from, from + 86_400_000);
    if (!first || !second) throw new Error('no turns');
    const mid = (first.atMs + second.atMs) / 2;
    const low = first.kind === 'low' ? first : second;
    expect(phase(low.atMs + 1000)?.stage).toBeLessThan(0.01);
    expect(phase(mid)?.push).toBeGreaterThan(0.98);
    expect(phase(low.atMs + 1000)?.push).toBeLessThan(0.02);
  });

  it('follows the rule of twelfths within a twentieth of the range (common practice)', () => {
    if (!first || !second) throw new Error('no turns');
    const sixth = (second.atMs - first.atMs) / 6;
    const range = second.heightM - first.heightM;
    [1, 3, 6, 9, 11, 12].forEach((twelfths, i) => {
      const share = (model.heightAt(first.atMs + sixth * (i + 1)) - first.heightM) / range;
      expect(Math.abs(share - twelfths / 12)).toBeLessThan(0.05);
    });
  });
});

it('refuses an unknown constituent instead of dropping it', () => {
  expect(() => tideModel([{ name: 'XX9', amplitudeM: 1, phaseDeg: 0 }], 0)).toThrow(/unknown name XX9/);
});
