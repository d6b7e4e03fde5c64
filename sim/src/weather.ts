// The weather that "really" happens in the invented world: any variable at any instant, from one seed.
import { windComponents, windFromComponents } from '@bluffwind/core/weather/wind';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { noise1 } from './noise';

/** Harmonic constants of Hollin Sound (invented), metres and degrees Greenwich. */
export const SOUND_TIDE = {
  z0M: 1.78,
  constants: [
    { name: 'M2', amplitudeM: 1.16, phaseDeg: 307 },
    { name: 'S2', amplitudeM: 0.36, phaseDeg: 345 },
    { name: 'N2', amplitudeM: 0.24, phaseDeg: 288 },
    { name: 'K2', amplitudeM: 0.1, phaseDeg: 342 },
    { name: 'K1', amplitudeM: 0.16, phaseDeg: 120 },
    { name: 'O1', amplitudeM: 0.12, phaseDeg: 95 },
    { name: 'P1', amplitudeM: 0.05, phaseDeg: 118 },
    { name: 'M4', amplitudeM: 0.05, phaseDeg: 210 },
    { name: 'SA', amplitudeM: 0.06, phaseDeg: 200 },
  ],
} as const;

/** Start of the demo: Thursday 18 June 2026, 17:40 at UTC-2. */
export const DEMO_START = Date.UTC(2026, 5, 18, 19, 40);

export interface Weather {
  readonly windMps: number;
  readonly windGustMps: number;
  readonly windFromDeg: number;
  readonly airTempC: number;
  readonly pressureHpa: number;
  readonly cloud: number;
}

const ease = (x: number) => {
  const t = Math.min(1, Math.max(0, x));
  return t * t * (3 - 2 * t);
};

/** Yearly wave with its peak on a day of the year, -1 to 1. */
function season(at: number, peakDay: number): number {
  const day = (at - Date.UTC(new Date(at).getUTCFullYear(), 0, 1)) / DAY;
  return Math.cos((2 * Math.PI * (day - peakDay)) / 365.25);
}

/** Local solar hours, about two behind UTC. */
const localHour = (at: number) => (((at / HOUR - 2.35) % 24) + 24) % 24;

/** Weather at an instant. */
export function weatherAt(at: number): Weather {
  const d = at / DAY;
  let east = 4.2 * noise1(d / 2.7, 1) + 2.2 * noise1(d / 0.8, 2) + 1.2;
  let north = 4.2 * noise1(d / 2.9, 3) + 2.2 * noise1(d / 0.7, 4) + 0.8;
  const breeze = 1.6 * Math.max(0, Math.sin(((localHour(at) - 9) / 24) * 2 * Math.PI)) * Math.max(0, season(at, 195));
  north += breeze;
  // The days round the demo follow a script: a quiet south-easterly, then the south-west at Friday midday.
  const script = ease((at - (DEMO_START - 1.7 * DAY)) / (0.6 * DAY)) * ease((DEMO_START + 3 * DAY - at) / DAY);
  if (script > 0) {
    const turn = ease((at - Date.UTC(2026, 5, 19, 12, 40)) / (1.8 * HOUR));
    const fade = ease((at - Date.UTC(2026, 5, 19, 20)) / (30 * HOUR));
    const quiet = windComponents(3.1 + 0.6 * noise1(d * 9, 5), 135 + 14 * noise1(d * 5, 6));
    const blow = windComponents(9.2 - 4.5 * fade + 0.7 * noise1(d * 9, 5), 226 + 9 * noise1(d * 5, 6));
    east = (1 - script) * east + script * ((1 - turn) * quiet.east + turn * blow.east);
    north = (1 - script) * north + script * ((1 - turn) * quiet.north + turn * blow.north);
  }
  const { mps, fromDeg } = windFromComponents(east, north);
  const scripted = script > 0 ? ease((at - DEMO_START) / (1.2 * DAY)) * script : 0;
  const cloud = Math.min(1, Math.max(0, 0.5 + 0.55 * noise1(d / 0.9, 7) + 0.2 * noise1(d * 4, 8) + 0.35 * scripted));
  return {
    windMps: mps,
    windGustMps: mps * (1.28 + 0.1 * noise1(d * 13, 9)),
    windFromDeg: fromDeg,
    airTempC:
      11 + 5 * season(at, 205) + 2.4 * (1 - 0.6 * cloud) * Math.sin(((localHour(at) - 9) / 24) * 2 * Math.PI) + 2 * noise1(d / 3, 10),
    pressureHpa: 1014 + 11 * noise1(d / 3.4, 11) - 9 * scripted,
    cloud,
  };
}

/** Water temperature near the surface of a water, C. */
export function waterTempAt(water: 'sound' | 'skerries' | 'lake', at: number): number {
  const d = at / DAY;
  const sunny = 1 - weatherAt(at).cloud;
  const daily = Math.sin(((localHour(at) - 10.5) / 24) * 2 * Math.PI);
  if (water === 'lake') return 11.5 + 7.8 * season(at, 212) + (0.25 + 0.7 * sunny) * daily + 1.1 * noise1(d / 5, 14);
  const spread = water === 'sound' ? 0.2 + 0.45 * sunny : 0.1;
  return (water === 'sound' ? 12.4 : 12) + 3.9 * season(at, 228) + spread * daily + 0.8 * noise1(d / 6, 12);
}

/** Tidal currents of the sound (invented): the flood is strongest half-way up. */
export const SOUND_CURRENTS = (
  [
    ['Mouth', 1150, 3050, 78, 258, 1.05],
    ['Gannet Pier', 4230, 2950, 95, 275, 0.62],
    ['Upper sound', 7300, 2900, 88, 268, 0.34],
    ['Head of the sound', 9150, 2950, 84, 264, 0.2],
    ['Sallow Quay', 5750, 1400, 95, 275, 0.14],
  ] as const
).map(([name, x, y, floodToDeg, ebbToDeg, strength]) => ({
  name,
  x,
  y,
  floodToDeg,
  ebbToDeg,
  meanMps: -0.04,
  constants: SOUND_TIDE.constants
    .filter((c) => ['M2', 'S2', 'N2', 'M4'].includes(c.name))
    .map((c) => ({
      name: c.name,
      amplitudeMps: Math.round((c.amplitudeM / 1.16) * strength * 1000) / 1000,
      phaseDeg: (c.phaseDeg + 275) % 360,
    })),
}));

/** How much warmer a spot is than its water, C: shallow dark ground in the afternoon sun, after a fashion of its own. */
export function spotWarmthAt(spot: { depthMinM: number; depthMaxM: number; bottom: string }, at: number): number {
  const depth = Math.max(0.4, (spot.depthMinM + spot.depthMaxM) / 2 + 1.2);
  const dark = { mud: 1, shell: 1.15, concrete: 1.2, sand: 0.55 }[spot.bottom] ?? 0.85;
  const sun = 1 - 0.8 * weatherAt(at).cloud;
  const afternoon = Math.max(0, Math.sin(((localHour(at) - 9.5) / 24) * 2 * Math.PI)) ** 0.7;
  return (2.3 * dark * sun * afternoon * Math.max(0, season(at, 185) + 0.5)) / (depth * 1.6);
}

/** Secchi depth, m: wind of the last day stirs it up. */
export function clarityAt(water: 'sound' | 'skerries' | 'lake', at: number): number {
  let stir = 0;
  for (let h = 0; h <= 24; h += 6) stir += weatherAt(at - h * HOUR).windMps / 5;
  const base = { sound: 2.1, skerries: 6, lake: 3.2 }[water];
  return Math.max(0.3, (base * (1 + 0.3 * noise1(at / DAY / 4, 13))) / (0.7 + stir / 14));
}

/** Flow of the mill stream into the lake, m3/s. */
export function flowAt(at: number): number {
  return 2.2 * Math.exp(0.9 * noise1(at / DAY / 5, 15)) + 0.6 * season(at, 20);
}

/** Difference between measured and predicted level of the sound, m: pressure and wind. */
export function surgeAt(at: number): number {
  const w = weatherAt(at);
  return (1013 - w.pressureHpa) * 0.01 + 0.004 * w.windMps * Math.sin(((w.windFromDeg - 60) * Math.PI) / 180);
}
