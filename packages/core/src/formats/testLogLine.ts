import type { LogLine } from './logCsv';

/** The local zone of the lines below. */
export const ZONE = 'Etc/GMT+2';

/** An instant of the day of the lines below, by its time in UTC. */
export const at = (time: string) => Date.parse(`2026-06-18T${time}:00Z`);

/** A landed fish of the log; with what is given instead. For tests. */
export const line = (more: Partial<LogLine> = {}): LogLine => ({
  fromMs: at('08:40'),
  toMs: at('10:10'),
  water: 'Hollin Sound',
  boat: 'Marrow',
  captain: 'Oskar',
  spot: 'Near stone',
  bait: 'Shad, 10 cm',
  rods: 3,
  outcome: 'landed',
  species: 'European sea bass',
  lengthMm: 482,
  kept: true,
  windMps: 4.25,
  windFromDeg: 225,
  waterTempC: 14.06,
  tideStage: 0.31,
  lat: 47.6123456,
  lon: -35.2,
  atMs: at('09:01'),
  ...more,
});
