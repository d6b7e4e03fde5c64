// Rigs of a day, a spread over a large bed, and a hanging line against adding up its forces.
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { inputs } from '@bluffwind/core/plan/testTrip';
import { boardSpread } from '@bluffwind/core/tackle/boardSpread';
import { GRAVITY, LEAD, LINE_CD, SEA_WATER, SPHERE_CD, sphereOf } from '@bluffwind/core/tackle/matter';
import { plumbLine } from '@bluffwind/core/tackle/plumbLine';
import { rigDay } from '@bluffwind/core/tackle/rigDay';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { ms, say, times } from './measure';

export function benchTackle(): void {
  say('\nTackle');
  const trip = inputs();
  const ranking = rankTrip(trip);
  const { legs } = layDay(trip, ranking);
  const options = {
    box: USUAL_BOX,
    boat: { windageM2: 6, hullM2: 2 },
    species: ['European sea bass'],
    byHand: () => ({}),
    markedUpM: () => null,
  };
  // A long day: each stop three times over.
  const long = [...legs, ...legs, ...legs];
  let cards = 0;
  const rigs = times(15, () => {
    cards = rigDay(trip, ranking, long, options).flatMap((s) => s.cards).length;
  });
  say(`  ${cards} rig cards of a day          ${ms(rigs)}`);

  const side = 224;
  const depthM = Float64Array.from({ length: side * side }, (_, i) => 4 + (i % side) / 40);
  const bed = { lat0: 47.6, lon0: -35.2, cellM: 10, columns: side, rows: side, depthM, openBeyond: true };
  const track = Array.from({ length: 200 }, (_, i): [number, number] => [-35.19, 47.601 + i * 0.00005]);
  const boards = Array.from(
    { length: 8 },
    (_, i) => ({ side: i % 2 ? 'port' : 'starboard', leaderM: 1.2, outM: i / 2, weightG: 0 }) as const,
  );
  const spread = times(15, () => boardSpread({ boards, boatMps: 0.7, currentMps: 0.3, currentToDeg: 0, headingDeg: 0, track }, bed));
  say(`  spread of 8 boards, 200 points of track, ${side * side} cells   ${ms(spread)}`);

  const line = { depthM: 14, currentMps: 0.4, lineMm: 0.15, sinkerG: 60 };
  const closed = times(15, () => {
    for (let i = 0; i < 1000; i++) plumbLine(line);
  });
  let summed = 0;
  const steps = times(5, () => {
    summed = byStep(line);
  });
  const per = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;
  const off = Math.abs(summed - plumbLine(line).lineM);
  say(`  hanging line, closed form    ${((per(closed) / 1000) * 1000).toFixed(2)} us`);
  say(
    `  the same added up by tenths of a millimetre  ${(per(steps) * 1000).toFixed(0)} us, ${(per(steps) / (per(closed) / 1000)).toFixed(0)} times as long, ${(off * 1000).toFixed(2)} mm apart`,
  );
}

function byStep({ depthM, currentMps, lineMm, sinkerG }: { depthM: number; currentMps: number; lineMm: number; sinkerG: number }): number {
  const { volumeM3, faceM2 } = sphereOf(sinkerG / 1000, LEAD);
  const press = (SEA_WATER * currentMps ** 2) / 2;
  const step = 0.0001;
  let [along, down] = [press * SPHERE_CD * faceM2, (LEAD - SEA_WATER) * volumeM3 * GRAVITY];
  let [up, line] = [0, 0];
  while (up < depthM) {
    const pull = Math.hypot(along, down);
    const [sin, cos] = [along / pull, down / pull];
    up += step * cos;
    line += step;
    const push = press * LINE_CD * (lineMm / 1000) * cos * cos * step;
    along += push * cos;
    down -= push * sin;
  }
  return line;
}
