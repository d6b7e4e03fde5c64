// Where the sun's heat goes in shallow water: half of it (infrared) is taken up in the first centimetres, the rest falls off
// with Kd = 1.7 / Secchi (Poole & Atkins 1929); what reaches the bottom warms it, or is thrown back up by pale ground.

/** Share of the light on the bottom that the bottom takes up (common practice: mud, shell, concrete warm first). */
const BOTTOM_TAKES: Record<string, number> = {
  mud: 0.92,
  weed: 0.9,
  kelp: 0.9,
  shell: 0.85,
  concrete: 0.85,
  boulder: 0.82,
  rock: 0.82,
  steel: 0.85,
  gravel: 0.7,
  shingle: 0.7,
  sand: 0.5,
};
const OTHER_BOTTOM = 0.75;
const INFRARED = 0.5;

/**
 * Share of the light entering a column of water that ends up as heat in it, 0 to 1.
 * @param depthM - Depth, m, >= 0. @param secchiM - Clarity, m, > 0. @param bottom - What the bottom is, in the crew's words.
 */
export function absorbedShare(depthM: number, secchiM: number, bottom: string): number {
  const through = Math.exp((-1.7 / secchiM) * Math.max(0, depthM));
  const takes = BOTTOM_TAKES[bottom] ?? OTHER_BOTTOM;
  const visible = 1 - through + through * (takes + (1 - takes) * (1 - through));
  return INFRARED + (1 - INFRARED) * visible;
}
