// How well constants fitted to a stretch of published tides foretell later months, and what the fit takes.
import { fitTide } from '@bluffwind/core/tide/fitTide';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { seeded } from '@bluffwind/core/units/seeded';
import boston from '../packages/core/src/tide/fixtures/boston.json';
import keyWest from '../packages/core/src/tide/fixtures/key-west.json';
import sanFrancisco from '../packages/core/src/tide/fixtures/san-francisco.json';
import { ms, say, times } from './measure';

const [MINUTE, HOUR, DAY] = [60_000, 3_600_000, 86_400_000];
/** Beginnings through the year: what a short record does not hold of the seasons differs by them. */
const STARTS = [0, 3, 6, 9].map((month) => Date.UTC(2025, month, 10));
type Harbour = typeof boston | typeof keyWest | typeof sanFrancisco;
/** Where they lie. */
const LATITUDES = new Map<Harbour, number>([
  [boston, 42.35],
  [keyWest, 24.55],
  [sanFrancisco, 37.81],
]);

const CASES = [
  { name: '60 days of turns', days: 60, noiseM: 0, hourly: false },
  { name: '180 days of turns, 3 cm of noise', days: 180, noiseM: 0.03, hourly: false },
  { name: 'a year of hourly heights', days: 365, noiseM: 0, hourly: true },
] as const;

function recordOf(harbour: Harbour, start: number, { days, noiseM, hourly }: (typeof CASES)[number]): Parameters<typeof fitTide>[0] {
  const truth = tideModel(harbour.constituents, harbour.z0M);
  const random = seeded(8);
  const noise = () => noiseM * Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const written = (m: number) => Math.round((m + noise()) * 100) / 100;
  if (hourly)
    return {
      heights: Array.from({ length: days * 24 }, (_, k) => ({
        atMs: start + k * HOUR,
        heightM: written(truth.heightAt(start + k * HOUR)),
      })),
    };
  return {
    turns: tideTurns(truth, start, start + days * DAY).map((t) => ({
      atMs: Math.round(t.atMs / MINUTE) * MINUTE,
      heightM: written(t.heightM),
      kind: t.kind,
    })),
  };
}

/** Minutes and centimetres that 95 of 100 turns of the months after stay within; turns 25 cm from their neighbours count. */
function held(harbour: Harbour, fit: ReturnType<typeof fitTide>, from: number): [number, number] {
  const real = tideTurns(tideModel(harbour.constituents, harbour.z0M), from, from + 180 * DAY);
  const told = tideTurns(tideModel(fit.constants, fit.z0M), from - 6 * HOUR, from + 180 * DAY + 6 * HOUR);
  const off = real.flatMap((t, i) => {
    const beside = [real[i - 1], real[i + 1]].flatMap((n) => (n ? [Math.abs(n.heightM - t.heightM)] : []));
    if (Math.min(...beside) < 0.25) return [];
    const same = told.filter((o) => o.kind === t.kind);
    const near = same.reduce((a, b) => (Math.abs(a.atMs - t.atMs) < Math.abs(b.atMs - t.atMs) ? a : b));
    return [[Math.abs(near.atMs - t.atMs) / MINUTE, Math.abs(near.heightM - t.heightM) * 100] as const];
  });
  const at = (k: 0 | 1) => off.map((o) => o[k]).sort((a, b) => a - b)[Math.floor(0.95 * off.length)] ?? Number.NaN;
  return [at(0), at(1)];
}

export function benchTideFit(): void {
  say(
    '\nTide fitted to a stretch of published tides: what 95 % of the turns of later months stay within (the true constants: 0 min, 0 cm)',
  );
  for (const c of CASES)
    for (const harbour of [boston, keyWest, sanFrancisco]) {
      const each = STARTS.map((start) =>
        held(harbour, fitTide({ ...recordOf(harbour, start, c), latDeg: LATITUDES.get(harbour) ?? 0 }), start + (c.days + 30) * DAY),
      );
      const span = (k: 0 | 1) => {
        const v = each.map((e) => e[k]).sort((a, b) => a - b);
        return `${v[0]?.toFixed(1)} to ${v.at(-1)?.toFixed(1)}`;
      };
      say(`  ${c.name.padEnd(34)} ${(harbour.station.split(',')[0] ?? '').padEnd(14)} ${span(0)} min, ${span(1)} cm`);
    }
  const year = recordOf(boston, STARTS[0] ?? 0, CASES[2]);
  say(`  a fit of a year of hourly heights  ${ms(times(7, () => fitTide(year)))}`);
}
