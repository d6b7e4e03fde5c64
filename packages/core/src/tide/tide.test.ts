import { describe, expect, it } from 'vitest';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed } from './constituents';
import boston from './fixtures/boston.json';
import keyWest from './fixtures/key-west.json';
import sanFrancisco from './fixtures/san-francisco.json';
import { nodeFactors } from './nodeFactors';
import { clearanceM, passageWindows } from './barWindows';
import { currentModel } from './currentModel';
import { newestResidual, residualAt, residualDecayH } from './residual';
import { subordinateTide } from './subordinate';
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

const HOUR_MS = 3_600_000;
const START = Date.UTC(2026, 5, 19);

describe('fast rates', () => {
  it('equal the harmonic sum at every step, across midnights', () => {
    const model = tideModel(boston.constituents, boston.z0M);
    const rates = model.rates(START - 5 * HOUR_MS + 123_456, 720_000, 400);
    rates.forEach((r, k) => {
      expect(Math.abs(r - model.rateAt(START - 5 * HOUR_MS + 123_456 + k * 720_000))).toBeLessThan(1e-9);
    });
  });
});

describe('a secondary port', () => {
  const reference = tideModel(boston.constituents, boston.z0M);
  const d = { highMin: 42, lowMin: 55, highFactor: 0.8, lowFactor: 0.9, highM: 0.1, lowM: -0.05 };
  const port = subordinateTide(reference, d);

  it('has its turns at the corrected times and heights (common practice of tide tables)', () => {
    for (const turn of tideTurns(reference, START, START + 3 * 24 * HOUR_MS)) {
      const high = turn.kind === 'high';
      const at = turn.atMs + (high ? d.highMin : d.lowMin) * 60_000;
      expect(port.heightAt(at)).toBeCloseTo(turn.heightM * (high ? 0.8 : 0.9) + (high ? 0.1 : -0.05), 6);
      expect(Math.abs(port.rateAt(at))).toBeLessThan(0.02);
    }
  });
  it('runs on without a jump between turns', () => {
    let before = port.heightAt(START);
    for (let t = START; t < START + 48 * HOUR_MS; t += 300_000) {
      const h = port.heightAt(t);
      expect(Math.abs(h - before)).toBeLessThan(0.12);
      before = h;
    }
  });
  it('is the reference port when all differences are nothing', () => {
    const same = subordinateTide(reference, { highMin: 0, lowMin: 0, highFactor: 1, lowFactor: 1, highM: 0, lowM: 0 });
    for (let h = 0; h < 60; h++) expect(same.heightAt(START + h * HOUR_MS)).toBeCloseTo(reference.heightAt(START + h * HOUR_MS), 9);
  });
  it('refuses a factor of zero', () => {
    expect(() => subordinateTide(reference, { ...d, lowFactor: 0 })).toThrow(/more than 0/);
  });
});

describe('tidal current', () => {
  const station = {
    name: 'mouth',
    lat: 0,
    lon: 0,
    floodToDeg: 80,
    ebbToDeg: 260,
    meanMps: 0,
    constants: [{ name: 'M2', amplitudeMps: 1.1, phaseDeg: 210 }],
  };
  const model = currentModel(station);

  it('has slacks half a period apart with flood and ebb between', () => {
    const turns = model.turns(START, START + 30 * HOUR_MS);
    const slacks = turns.filter((t) => t.kind === 'slack');
    expect(slacks.length).toBe(5);
    slacks.slice(1).forEach((s, i) => {
      // M2: 28.984104 degrees an hour.
      expect((s.atMs - (slacks[i]?.atMs ?? 0)) / HOUR_MS).toBeCloseTo(180 / 28.984104, 2);
    });
    const kinds = turns.map((t) => t.kind);
    kinds.forEach((k, i) => {
      if (i > 0) expect(k === 'slack').not.toBe(kinds[i - 1] === 'slack');
    });
    for (const s of slacks) expect(model.at(s.atMs).mps).toBeLessThan(0.001);
  });
  it('runs towards the flood or the ebb', () => {
    const flood = model.turns(START, START + 13 * HOUR_MS).find((t) => t.kind === 'flood');
    expect(model.at(flood?.atMs ?? 0)).toMatchObject({ toDeg: 80 });
    expect(model.at((flood?.atMs ?? 0) + 6.2 * HOUR_MS)).toMatchObject({ toDeg: 260 });
  });
  it('never slacks where the mean flow is stronger than the tide', () => {
    const river = currentModel({ ...station, meanMps: -1.4 });
    const turns = river.turns(START, START + 48 * HOUR_MS);
    expect(turns.some((t) => t.kind === 'slack')).toBe(false);
    expect(turns.every((t) => t.kind === 'ebb')).toBe(true);
    expect(river.at(START).toDeg).toBe(260);
  });
});

describe('residual', () => {
  const model = tideModel([{ name: 'M2', amplitudeM: 1.2, phaseDeg: 0 }], 1.8);
  const hours = Array.from({ length: 72 }, (_, i) => START + i * HOUR_MS);
  const measured = (off: (i: number) => number) => ({
    atMs: hours,
    value: hours.map((t, i) => model.heightAt(t) + off(i)),
    forecastFrom: 72,
  });

  it('is measured less predicted where measured, and fades after', () => {
    const at = residualAt(
      model,
      measured(() => 0.2),
    );
    expect(at(START + 10.5 * HOUR_MS)).toBeCloseTo(0.2, 6);
    const end = START + 71 * HOUR_MS;
    const decay =
      newestResidual(
        model,
        measured(() => 0.2),
      )?.decayH ?? 0;
    expect(at(end + decay * HOUR_MS)).toBeCloseTo(0.2 / Math.E, 6);
    expect(at(end + 200 * HOUR_MS)).toBeLessThan(0.01);
  });
  it('is not thrown by one spike at the end', () => {
    expect(
      newestResidual(
        model,
        measured((i) => (i === 71 ? 1.5 : 0.1)),
      )?.metres,
    ).toBeCloseTo(0.1, 6);
  });
  it('learns how fast it fades: an AR(1) series of 9 h (seeded) within a third', () => {
    let x = 0;
    let seed = 5;
    const noise = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648 - 0.5;
    };
    const phi = Math.exp(-1 / 9);
    const value = Array.from({ length: 3000 }, () => {
      x = phi * x + noise();
      return x;
    });
    const h = residualDecayH({ atMs: value.map((_, i) => START + i * HOUR_MS), value });
    expect(h).toBeGreaterThan(6);
    expect(h).toBeLessThan(12);
  });
  it('fades as its own likeness six hours apart says: a swing of 48 h has cos 45 degrees', () => {
    const swing = (hoursLong: number, periodH = 48) => {
      const value = Array.from({ length: hoursLong }, (_, i) => Math.cos((2 * Math.PI * i) / periodH));
      return residualDecayH({ atMs: value.map((_, i) => START + i * HOUR_MS), value });
    };
    // Whole periods of pairs: 6 / -ln(0.70711) = 17.31 h.
    expect(swing(48 * 20 + 6)).toBeCloseTo(-6 / Math.log(Math.SQRT1_2), 1);
    // Under twelve pairs nothing is learned, from twelve on it is.
    expect(swing(17)).toBe(12);
    expect(swing(18)).not.toBe(12);
    // What has turned round six hours later fades as fast as may be, what hardly changes as slowly.
    expect(swing(240, 12)).toBe(3);
    expect(swing(2000, 4000)).toBe(48);
    expect(residualDecayH({ atMs: Array.from({ length: 40 }, (_, i) => START + i * HOUR_MS), value: new Array(40).fill(0) })).toBe(12);
  });
  it('is nothing without a gauge', () => {
    expect(residualAt(model, null)(START)).toBe(0);
    expect(newestResidual(model, { atMs: [START], value: [2], forecastFrom: 0 })).toBeNull();
  });
});

describe('windows over a bar', () => {
  const model = tideModel([{ name: 'M2', amplitudeM: 1.2, phaseDeg: 0 }], 1.8);
  const clearance = (t: number) => clearanceM(0.2, model.heightAt(t), { draughtM: 0.6 });
  it('open and shut where the height of tide is draught and margin less the charted depth, to the second', () => {
    const windows = passageWindows(clearance, START, START + 26 * HOUR_MS);
    expect(windows.length).toBeGreaterThanOrEqual(2);
    for (const w of windows) {
      for (const edge of [w.fromMs, w.toMs]) {
        if (edge === START || edge === START + 26 * HOUR_MS) continue;
        expect(Math.abs(model.heightAt(edge) - 0.9)).toBeLessThan(0.001);
      }
      expect(w.mostM).toBeGreaterThan(w.leastM);
    }
  });
  it('are one span on a day that never dries and none on one that always does', () => {
    expect(passageWindows(() => 2, START, START + HOUR_MS)).toEqual([{ fromMs: START, toMs: START + HOUR_MS, leastM: 2, mostM: 2 }]);
    expect(passageWindows(() => null, START, START + HOUR_MS)).toEqual([]);
  });
  it('take half the wave off', () => {
    expect(clearanceM(1, 1, { draughtM: 0.5, waveM: 0.8 })).toBeCloseTo(0.6, 9);
  });
});
