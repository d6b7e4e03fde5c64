// The sums of the bench as they can be run from the command line.
import {
  labAnchorSize,
  labBoyle,
  labCountdown,
  labDive,
  labDrift,
  labFeeder,
  labFish,
  labLeader,
  labPlumb,
  labSearch,
  labSink,
  labSpares,
  labSpread,
  labZone,
} from '@bluffwind/contract/lab';
import { gasVolume } from '@bluffwind/core/fish/gasVolume';
import { girthWeightG } from '@bluffwind/core/fish/girthWeight';
import { relativeWeight, standardWeightG } from '@bluffwind/core/fish/standardWeight';
import { anchorSize } from '@bluffwind/core/tackle/anchorSize';
import { boardSpread } from '@bluffwind/core/tackle/boardSpread';
import { countDown } from '@bluffwind/core/tackle/countDown';
import { diverDepth } from '@bluffwind/core/tackle/diverDepth';
import { driftSpeed } from '@bluffwind/core/tackle/driftSpeed';
import { feederFall } from '@bluffwind/core/tackle/feederFall';
import { leaderChoice } from '@bluffwind/core/tackle/leaderChoice';
import { plumbLine } from '@bluffwind/core/tackle/plumbLine';
import { searchChance } from '@bluffwind/core/tackle/searchChance';
import { sinkSpeed } from '@bluffwind/core/tackle/sinkSpeed';
import { spares } from '@bluffwind/core/tackle/spares';
import { zoneShare } from '@bluffwind/core/tackle/zoneShare';
import { overNothing } from '@bluffwind/core/units/inRange';
import { inUnits, METRIC } from '@bluffwind/core/units/measure';
import type { z } from 'zod';
import { calculation } from './calculation';

function sink({ depthM, waterKgM3, ...sinker }: z.infer<typeof labSink>) {
  const speedMps = sinkSpeed(sinker, waterKgM3);
  return { speedMps, seconds: overNothing('depthM', depthM, 'm') / speedMps };
}

function smallestAnchor({ wantedThroughWaterMps, sizesM, ...boat }: z.infer<typeof labAnchorSize>) {
  const { diameterM, drift } = anchorSize(boat, wantedThroughWaterMps, sizesM);
  return { diameterM, ...drift };
}

function countdown({ casts, at: [lon, lat], ...bomb }: z.infer<typeof labCountdown>) {
  return { soundings: countDown(bomb, { lon, lat }, casts) };
}

function spread({ bed, ...rest }: z.infer<typeof labSpread>) {
  const depthM = bed.depthM.map((d) => d ?? Number.NaN);
  const boards = boardSpread(rest, { ...bed, depthM, openBeyond: false });
  return { boards: boards.map(({ underM: _, warnings, ...board }) => ({ ...board, warnings: warnings.map((w) => inUnits(w, METRIC)) })) };
}

function fish({ lengthMm, girthMm, weightG, standardWeight }: z.infer<typeof labFish>) {
  return {
    standardWeightG: standardWeightG(lengthMm, standardWeight),
    ...(weightG !== undefined && { relativeWeight: relativeWeight(weightG, lengthMm, standardWeight) }),
    ...(girthMm !== undefined && { girthWeightG: girthWeightG(lengthMm, girthMm) }),
  };
}

export const TACKLE_CALCULATIONS = {
  sink: calculation('speed and time of a sinking weight', labSink, sink),
  plumb: calculation('how a line with a weight hangs in a current', labPlumb, plumbLine),
  drift: calculation('how a boat drifts in wind and current', labDrift, driftSpeed),
  'anchor-size': calculation('the smallest sea anchor that holds a drift', labAnchorSize, smallestAnchor),
  feeder: calculation('where a clipped feeder and its feed come to rest', labFeeder, feederFall),
  countdown: calculation('soundings from counted casts', labCountdown, countdown),
  zone: calculation('how much of a cast lies in a band along an edge', labZone, (q) => zoneShare(q.castM, q.bandM, q.angleDeg)),
  dive: calculation('depth of a diver on a line and a cast', labDive, ({ lineMm, castM, ...rated }) => ({
    depthM: diverDepth(rated, lineMm, castM),
  })),
  spread: calculation('depth of baits on boards and of the water under them', labSpread, spread),
  leader: calculation('which leader lands most, from counts', labLeader, ({ strengths, priors }) => leaderChoice(strengths, priors)),
  search: calculation('water searched and the chance to meet a group of fish', labSearch, (q) =>
    searchChance(q.swathM, q.speedMps, q.groups, q.minutes),
  ),
  spares: calculation('spares to carry for a risk of loss', labSpares, (q) => ({ pieces: spares(q.risk, q.rodHours, q.shortBelow) })),
  fish: calculation('standard weight, condition and weight by girth', labFish, fish),
  boyle: calculation('gas of a swim bladder at the surface against at depth', labBoyle, (q) => ({
    ratio: gasVolume(q.depthM, q.waterKgM3),
  })),
};
