// When a boat can cross: charted depth, measured level carried forward, waves at the place, draught and margin.
import { clearanceM, type PassageWindow, passageWindows } from '../tide/barWindows';
import type { SpotConditions, SpotGround } from './spotConditions';

/** A bar or other shallow way. */
export interface Passage {
  readonly chartedDepthM: number;
  /** Ground at the place, for waves. */
  readonly ground: SpotGround;
}

const MARGIN_M = 0.5;

/** Clearance under the keel at an instant, m; null without a tide. */
export function passageClearance(
  at: (spot: SpotGround, atMs: number) => SpotConditions,
  passage: Passage,
  draughtM: number,
  atMs: number,
): number | null {
  const c = at(passage.ground, atMs);
  if (c.tideHeightM === null) return null;
  return clearanceM(passage.chartedDepthM, c.tideHeightM, { draughtM, marginM: MARGIN_M, waveM: c.waveM ?? 0 });
}

/** Spans in which a boat can cross. */
export function passageTimes(
  at: (spot: SpotGround, atMs: number) => SpotConditions,
  passage: Passage,
  draughtM: number,
  fromMs: number,
  toMs: number,
): PassageWindow[] {
  return passageWindows((t) => passageClearance(at, passage, draughtM, t), fromMs, toMs);
}
