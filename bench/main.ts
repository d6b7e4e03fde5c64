// npm run bench: times of the heart beside a peer, on this machine, in one run.
import os from 'node:os';
import { randomProblem } from '@bluffwind/core/itinerary/randomProblem';
import { solveItinerary } from '@bluffwind/core/itinerary/solveItinerary';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { createTidePredictor } from '@neaps/tide-predictor';
import highsLoader from 'highs';
import boston from '../packages/core/src/tide/fixtures/boston.json';
import { benchConditions } from './conditions';
import { benchFleet } from './fleet';
import { benchGround } from './ground';
import { benchRank } from './rank';
import { benchSeason } from './season';
import { benchStay } from './stay';
import { benchTackle } from './tackle';
import { benchTideFit } from './tideFit';
import { ms, say, times } from './measure';
import { timeIndexedModel } from './timeIndexedModel';

const DAY = 86_400_000;
say(
  `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, ${(os.totalmem() / 2 ** 30).toFixed(0)} GiB, Node ${process.version}`,
);

if (process.argv[2] === 'tackle') {
  benchTackle();
  process.exit(0);
}

if (process.argv[2] === 'season') {
  benchSeason();
  process.exit(0);
}

say('\nTide: a year of turns at one harbour (30 constituents)');
const from = Date.UTC(2026, 0, 1);
const year = times(7, () => tideTurns(tideModel(boston.constituents, boston.z0M), from, from + 365 * DAY));
say(`  Bluffwind                ${ms(year)}`);
const constituents = boston.constituents.map((c) => ({ name: c.name, amplitude: c.amplitudeM, phase: c.phaseDeg }));
const peer = times(3, () =>
  createTidePredictor(constituents).getExtremesPrediction({ start: new Date(from), end: new Date(from + 365 * DAY) }),
);
say(`  @neaps/tide-predictor    ${ms(peer)}`);

say('Tide: 1000 heights at one harbour');
const model = tideModel(boston.constituents, boston.z0M);
say(
  `  Bluffwind                ${ms(
    times(7, (k) => {
      for (let i = 0; i < 1000; i++) model.heightAt(from + (k * 1000 + i) * 360_000);
    }),
  )}`,
);
const timeline = times(3, () =>
  createTidePredictor(constituents).getTimelinePrediction({
    start: new Date(from),
    end: new Date(from + 999 * 360_000),
    timeFidelity: 360,
  }),
);
say(`  @neaps/tide-predictor    ${ms(timeline)}`);

benchTideFit();
if (process.argv[2] === 'tide') process.exit(0);
benchConditions();
benchGround();

say('\nItinerary: one boat, proved optimal (gap 0)');
for (const spots of [12, 24, 30]) {
  let proved = 0;
  const taken = times(20, (i) => {
    if (solveItinerary(randomProblem(i + 1, { spots })).proved) proved++;
  });
  say(`  Bluffwind, ${spots} spots      ${ms(taken)}, proved ${proved} of 20`);
}
const highs = await highsLoader();
for (const spots of [4, 6]) {
  const problems = [1, 2, 3].map((seed) => randomProblem(seed, { spots, steps: 24, stepMin: 15 }));
  const ours = times(3, (i) => solveItinerary(problems[i] as (typeof problems)[number]));
  const theirs = times(3, (i) => highs.solve(timeIndexedModel(problems[i] as (typeof problems)[number])));
  say(`  ${spots} spots, 24 steps: Bluffwind ${ms(ours)}; HiGHS on the time-indexed model ${ms(theirs)}`);
}

benchRank();
benchFleet();
benchStay();
benchTackle();
