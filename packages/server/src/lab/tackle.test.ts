// The bench's sums through the built command, against values that were computed independently (closed forms against integration).
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import type { TACKLE_CALCULATIONS } from './tackleCalculations';

const LAB = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../../../dist/lab.mjs');
function lab(name: string, input: unknown) {
  const r = spawnSync(process.execPath, [LAB, name], { input: JSON.stringify(input), encoding: 'utf8' });
  return { status: r.status, out: r.stdout ? JSON.parse(r.stdout) : null, err: r.stderr };
}
const near = (value: number, digits = 5) => expect.closeTo(value, digits);

const bed = { lat0: 0, lon0: 0, cellM: 50, columns: 5, rows: 5, depthM: Array.from({ length: 25 }, (_, i) => (i === 24 ? null : 6)) };
const ROWS: Record<keyof typeof TACKLE_CALCULATIONS, [input: object, out: object]> = {
  sink: [
    { massG: 7, depthM: 3 },
    { speedMps: near(1.77742), seconds: near(3 / 1.77742, 4) },
  ],
  plumb: [
    { depthM: 14, currentMps: 0.4, lineMm: 0.15, sinkerG: 60 },
    { lineM: near(14.42229), backM: near(3.09146), angleDeg: near(22.8972, 4) },
  ],
  drift: [
    { windMps: 8, windFromDeg: 270, currentMps: 0, currentToDeg: 0, windageM2: 6, hullM2: 2 },
    { speedMps: near(0.451961, 6), toDeg: near(90), throughWaterMps: near(0.451961, 6) },
  ],
  'anchor-size': [
    { windMps: 8, windFromDeg: 270, currentMps: 0, currentToDeg: 0, windageM2: 6, hullM2: 2, wantedThroughWaterMps: 0.1, sizesM: [1] },
    { diameterM: null, toDeg: near(90) },
  ],
  feeder: [
    { clipM: 40, depthM: 9, fallMps: 0.6, keepS: 20 },
    { restM: near(38.97435), leftShare: near(0.472367, 6) },
  ],
  countdown: [
    { bombMps: 2, casts: [{ bearingDeg: 0, distanceM: 50, seconds: 3 }], at: [-35.2, 47.6] },
    { soundings: [{ lon: -35.2, depthM: 6 }] },
  ],
  zone: [
    { castM: 30, bandM: 1.5, angleDeg: 10 },
    { inZoneM: near(8.63816), share: near(8.63816 / 30) },
  ],
  dive: [{ ratedM: 3, ratedLineMm: 0.3, ratedCastM: 30, lineMm: 0.3, castM: 30 }, { depthM: near(3) }],
  spread: [
    {
      boards: [{ side: 'port', leaderM: 1.2, outM: 1.8, weightG: 0 }],
      boatMps: 0.67,
      currentMps: 0.22,
      currentToDeg: 0,
      headingDeg: 0,
      track: [
        [0.0009, 0.0004],
        [0.0009, 0.0012],
      ],
      bed,
    },
    { boards: [{ depthM: 3, leastUnderM: near(6), medianUnderM: near(6), throughWaterMps: near(0.45), order: 1, warnings: [] }] },
  ],
  leader: [
    { strengths: [{ kg: 5, rodHours: 10, bites: 20, hooked: 16, landed: 14 }] },
    { choice: 5, strengths: [{ kg: 5, chanceToBeBest: 1, bitesPerHour: near(21 / 11), chanceToLand: near(17 / 20) }] },
  ],
  search: [
    { swathM: 20, speedMps: 0.5, groups: 8, minutes: 60 },
    { areaM2: 36_000, chance: near(1 - Math.exp(-0.288), 9) },
  ],
  spares: [{ risk: 0.5, rodHours: 6 }, { pieces: 6 }],
  fish: [
    { lengthMm: 600, standardWeight: { a: -5.437, b: 3.096 }, weightG: 1459.34, girthMm: 254 },
    { standardWeightG: near(1459.34, 2), relativeWeight: near(100, 3), girthWeightG: near(((600 / 25.4) * 100 * 453.59237) / 800, 3) },
  ],
  boyle: [{ depthM: 13.7 }, { ratio: near(2.36, 2) }],
};

describe('the bench from the command line', () => {
  it.each(Object.entries(ROWS))('%s gives what was computed independently', (name, [input, out]) => {
    expect(lab(name, input).out).toMatchObject(out);
  });

  it('says what is wrong with a field that it does not know and a value that cannot be', () => {
    expect(lab('zone', { castM: 30, bandM: 1, angleDeg: 10, angle: 3 })).toMatchObject({
      status: 2,
      err: expect.stringContaining('angle'),
    });
    expect(lab('plumb', { depthM: 0, currentMps: 0, lineMm: 0.2, sinkerG: 5 })).toMatchObject({
      status: 2,
      err: expect.stringContaining('depthM: expected more than 0 m, got 0'),
    });
  });
});
