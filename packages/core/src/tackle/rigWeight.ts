// The weight of a rig: what holds the line near enough to plumb, or the lightest head that still finds the bottom.
import { said } from '../units/measure';
import { driftSpeed } from './driftSpeed';
import { lineDiameterMm } from './lineStrength';
import { FRESH_WATER, GRAVITY, LEAD, LINE_CD, SEA_WATER } from './matter';
import { hangsOrNot, type Held, weightToHold } from './weightToHold';
import { type HangingLine, lineShape, type LineInCurrent } from './plumbLine';
import type { RigFamily } from './rigFamilies';
import type { RigQuestion } from './rigQuestion';
import { dragOfTimed, sinkSpeed } from './sinkSpeed';

/** Greatest angle from plumb by layout, degrees (common practice: a bait hung straight hardly leans, a lead on the bottom may). */
const WITHIN_DEG: Partial<Record<RigFamily['layout'], number>> = { vertical: 15, drop: 25, 'two-bait': 30, jig: 50 };
/** A plain lead on sand or mud holds against this share of its weight in water (common practice: half), and lies for casting's sake at least so heavy, g. */
const BOTTOM_GRIP = 0.5;
const LEAST_LEAD_G = 40;
/** Line that the current presses on before it rises to the rod, as a multiple of the depth and at least, m. */
const LINE_TO_ROD = 2;
const LEAST_LINE_M = 15;
/** A soft lure of 10 cm on a head of 7 g sinks 2.75 m in 4 s (P7, common practice): the drag its body adds, cm2, from that fall. */
const SOFT_10CM_CM2 = dragOfTimed({ massG: 7 }, { depthM: 2.75, seconds: 4 });
/** Slowest fall to the bottom that a client waits out, m/s (P7: 2.5 to 3 m in 3 to 5 s). */
const LEAST_FALL_MPS = 0.55;
/** Heaviest head on shallow flats, g, and what is shallow, m (P8). */
const FLAT_HEAD_G = 7;
const FLAT_M = 3;

/** A line with its diameter, in words. */
export interface MainLine {
  readonly mm: number;
  readonly words: string;
}

export function mainLine(family: RigFamily): MainLine {
  const mm = lineDiameterMm(family.line, family.lineKg);
  return { mm, words: `${family.line} of ${said(family.lineKg, 'weight', family.lineKg < 10 ? 1 : 0)} (${mm.toFixed(2)} mm)` };
}

/** Density of the water, kg/m3. */
export const densityOf = (q: RigQuestion): number => (q.water.stillWater ? FRESH_WATER : SEA_WATER);

/**
 * What runs past a line: the current where the boat is anchored or a rod stands; for one fished straight down from a drift, the boat's way
 * through the water. Null where current or wind are not known.
 */
export function pastLine(q: RigQuestion, family: RigFamily, anchorM = 0): number | null {
  const { currentMps, currentToDeg, windMps, windFromDeg, stillWater } = q.water;
  const current = currentMps ?? (stillWater ? 0 : null);
  if (family.layout !== 'vertical') return current;
  if (current === null || windMps === null || windFromDeg === null) return null;
  return driftSpeed({
    windMps,
    windFromDeg,
    currentMps: current,
    currentToDeg: currentToDeg ?? 0,
    windageM2: q.boat.windageM2,
    hullM2: q.boat.hullM2,
    anchorDiameterM: anchorM,
    waterKgM3: densityOf(q),
  }).throughWaterMps;
}

/** How the bait sinks, m/s: by stopwatch where the crew has one, else by its head and its body. */
export function fallOf(q: RigQuestion, massG: number): { readonly mps: number; readonly timed: boolean } {
  const timed = q.box.timed[q.bait.id];
  const mass = { massG };
  const water = densityOf(q);
  if (timed && q.bait.weightG)
    return { mps: sinkSpeed({ ...mass, extraDragCm2: dragOfTimed({ massG: q.bait.weightG }, timed, water) }, water), timed: true };
  const extraDragCm2 = SOFT_10CM_CM2 * ((q.bait.sizeMm ?? 80) / 100) ** 2;
  return { mps: sinkSpeed({ ...mass, extraDragCm2 }, water), timed: false };
}

/** The weight that was found, with how it and the next lighter one hang. */
export interface FoundWeight {
  readonly massG: number;
  readonly why: string;
  readonly rules: readonly string[];
  readonly warning: string | null;
}

const degrees = (hangs: HangingLine) => `{bearing ${hangs.angleDeg.toFixed(0)}} from plumb`;

/** The weight by arithmetic; null for a family whose lure brings its own. */
export function weightByArithmetic(q: RigQuestion, family: RigFamily, past: number | null): FoundWeight | null {
  if (family.layout === 'jig') return lightestHead(q, family, past);
  if (family.layout === 'bottom') return leadThatLies(q, family, past);
  if (!['drop', 'two-bait', 'vertical'].includes(family.layout)) return null;
  const rules = family.layout === 'vertical' ? ['P23', 'P27'] : family.layout === 'two-bait' ? ['P12'] : ['P11'];
  const own = q.bait.weightG ?? 40;
  if (past === null)
    return {
      massG: own,
      rules,
      why: 'The current is not known here: the weight is the bait’s usual one. Go up until it holds.',
      warning: null,
    };
  const line = mainLine(family);
  const within = WITHIN_DEG[family.layout] ?? 30;
  const water = { depthM: q.water.depthM, currentMps: past, lineMm: line.mm, waterKgM3: densityOf(q) };
  const held = weightToHold(water, q.box.weightsG, within);
  if (!held) return heaviest(q, family, water, within, rules);
  const massG = held.sinkerG;
  return {
    massG,
    rules,
    why: `Holds ${degrees(held.hangs)} in ${said(past, 'current', 2)} on ${line.words}${lighterWords(held)}.`,
    warning: null,
  };
}

/** The lightest lead of the box that stays where it lies: the current's push on the line against half of its weight in the water. */
function leadThatLies(q: RigQuestion, family: RigFamily, past: number | null): FoundWeight {
  const line = mainLine(family);
  const own = Math.max(LEAST_LEAD_G, q.bait.weightG ?? 0);
  if (past === null) return { massG: own, rules: ['P27'], why: 'The current is not known here: go up until it lies still.', warning: null };
  const length = Math.max(LEAST_LINE_M, LINE_TO_ROD * q.water.depthM);
  const pushN = (densityOf(q) * LINE_CD * (line.mm / 1000) * length * past * past) / 2;
  const holdsN = (g: number) => BOTTOM_GRIP * (1 - densityOf(q) / LEAD) * (g / 1000) * GRAVITY;
  const box = [...q.box.weightsG].sort((a, b) => a - b);
  const lies = box.find((g) => g >= LEAST_LEAD_G && holdsN(g) >= pushN);
  const massG = lies ?? box.at(-1) ?? own;
  return {
    massG,
    rules: ['P27'],
    why: `Lies still in ${said(past, 'current', 2)} on ${line.words} with ${said(length, 'near', 0)} out: the current presses on the line, and a plain lead holds half of its weight.`,
    warning:
      lies === undefined
        ? `No lead in the box lies still here: ${said(past, 'current', 1)} on ${line.mm.toFixed(2)} mm; a grip lead, thinner line, or the turn of the tide.`
        : null,
  };
}

function lighterWords({ lighter }: Held): string {
  if (!lighter) return ', and it is the lightest of the box';
  const would = lighter.hangs ? `would lean to {bearing ${lighter.hangs.angleDeg.toFixed(0)}}` : 'would not get down';
  return `; ${said(lighter.sinkerG, 'lead', 0)} ${would}`;
}

function heaviest(
  q: RigQuestion,
  family: RigFamily,
  water: Omit<LineInCurrent, 'sinkerG'>,
  within: number,
  rules: readonly string[],
): FoundWeight {
  const massG = Math.max(...q.box.weightsG);
  const hangs = hangsOrNot({ ...water, sinkerG: massG });
  const finer = hangsOrNot({ ...water, sinkerG: massG, lineMm: 0.15 });
  const helps = finer && finer.angleDeg <= within && water.lineMm > 0.16;
  const way = helps ? 'braid of 0.15 mm would hold' : 'fish it at the turn, drift with it, or go where it runs less';
  const warning = `No weight in the box holds within ${within} degrees here: ${said(water.currentMps, 'current', 1)} on ${water.lineMm.toFixed(2)} mm; ${way}.`;
  return {
    massG,
    rules: family.layout === 'vertical' ? ['P23'] : rules,
    why: `The heaviest of the box${hangs ? ` leans to ${degrees(hangs)}` : ' does not get down'}.`,
    warning,
  };
}

function lightestHead(q: RigQuestion, family: RigFamily, past: number | null): FoundWeight {
  const line = mainLine(family);
  const { depthM } = q.water;
  const heads = [...q.box.headsG].sort((a, b) => a - b);
  const finds = (massG: number) => {
    if (fallOf(q, massG).mps < LEAST_FALL_MPS) return false;
    const hangs = hangsOrNot({ depthM, currentMps: past ?? 0, lineMm: line.mm, sinkerG: massG, waterKgM3: densityOf(q) });
    return hangs !== null && hangs.angleDeg <= (WITHIN_DEG.jig ?? 50);
  };
  const light = heads.find(finds);
  const massG = light ?? heads.at(-1) ?? q.bait.weightG ?? 7;
  const fall = fallOf(q, massG);
  const count = depthM / fall.mps;
  const by = fall.timed ? 'by your stopwatch' : 'by its size; time it once over a known depth and the card takes your word';
  const known = past === null ? ' The current is not known.' : past >= 0.05 ? ` It still finds bottom in ${said(past, 'current', 2)}.` : '';
  const tooHeavy = depthM <= FLAT_M && massG > FLAT_HEAD_G;
  return {
    massG,
    rules: ['P8', 'P7'],
    why: `The lightest that finds the bottom: ${said(depthM, 'depth', 1)} in ${count.toFixed(0)} s (${by}).${known}`,
    warning:
      light === undefined
        ? `No head in the box finds bottom at ${said(depthM, 'depth', 1)} here; a heavier one, or another spot at this hour.`
        : tooHeavy
          ? `On shallow flats more than ${said(FLAT_HEAD_G, 'lead', 0)} frightens them (common practice); try a smaller lure or slacker water.`
          : null,
  };
}

/** The hanging line of a weight, for the drawing; straight down where nothing runs or is known. */
export function hangingShape(q: RigQuestion, family: RigFamily, massG: number, past: number | null, toDepthM: number) {
  const line: LineInCurrent = {
    depthM: Math.max(0.1, toDepthM),
    currentMps: past ?? 0,
    lineMm: mainLine(family).mm,
    sinkerG: massG,
    waterKgM3: densityOf(q),
  };
  const hangs = hangsOrNot(line);
  return hangs ? { hangs, shape: lineShape(line) } : null;
}
