// What the crew has drawn on the sound's chart, surveyed and noted of its spots.
import type { OutfitScenario } from '@bluffwind/contract/scenario';
import { toPosition } from '@bluffwind/core/ground/seaBed';
import { BAR_DEPTH_M, GROUND, soundedDepth } from './geography';
import { lonLat } from './place';

/** 50,000 soundings in lines over the pier and the banks beside it, with a hole where a boat lay at anchor. */
export function pierSurvey(id: string, waterId: string): OutfitScenario['surveys'][number] {
  const lat: number[] = [];
  const lon: number[] = [];
  const depthM: number[] = [];
  for (let y = 2050; y <= 3650; y += 14) {
    for (let x = 3500; x <= 6500; x += 6.4) {
      if (Math.hypot(x - 5050, y - 2700) < 110) continue;
      const depth = soundedDepth(x, y);
      if (depth < -0.8) continue;
      const p = toPosition(GROUND.sound.bed, x, y);
      lat.push(Math.round(p.lat * 1e7) / 1e7);
      lon.push(Math.round(p.lon * 1e7) / 1e7);
      depthM.push(Math.round(depth * 100) / 100);
    }
  }
  return { id, waterId, name: 'Pier and Long bank, spring', at: '2026-04-11T14:00:00.000Z', lat, lon, depthM, cellM: 12 };
}

/** What the crew has drawn on the sound. */
export function soundFeatures(uuid: () => string): OutfitScenario['waters'][number]['features'] {
  const ring = (...at: [number, number][]) => at.map(([x, y]) => lonLat('sound', x, y));
  return [
    {
      id: uuid(),
      kind: 'passage',
      name: 'Sarn bar',
      points: ring([880, 3150], [120, 3050]),
      detail: { chartedDepthM: BAR_DEPTH_M },
    },
    {
      id: uuid(),
      kind: 'no-wake',
      name: 'Harbour, slow',
      points: ring([5200, 700], [7300, 700], [7300, 1420], [5200, 1420]),
      detail: { limitMps: 2.6 },
    },
    {
      id: uuid(),
      kind: 'no-go',
      name: 'Mussel ropes',
      points: ring([5150, 2150], [5650, 2150], [5650, 2380], [5150, 2380]),
      detail: {},
    },
    {
      id: uuid(),
      kind: 'part',
      name: 'East reach',
      points: ring([8900, 2300], [9700, 2300], [9700, 3450], [8900, 3450]),
      detail: { writtenOff: { reason: 'no bait seen in five visits, choked with weed', on: '2026-06-02' } },
    },
    {
      id: uuid(),
      kind: 'track',
      name: 'Evening drift, Kettle lip',
      points: Array.from({ length: 30 }, (_, i): [number, number] => lonLat('sound', 6900 - i * 38, 3330 - 40 * Math.sin(i / 5))),
      detail: {},
    },
  ];
}

type Hazard = OutfitScenario['spots'][number]['hazards'][number];
const ALWAYS = { windSectorDeg: null, windMps: null, waveM: null, tideBelowM: null, tideAboveM: null, binds: false };

/** Hazards of spots by name. */
export const HAZARDS: Record<string, Hazard[]> = {
  'Outer jetty, head': [
    {
      ...ALWAYS,
      kind: 'swell',
      windSectorDeg: [180, 280],
      windMps: 6,
      waveM: 0.5,
      note: 'Swell breaks over the head in a south-westerly.',
    },
  ],
  'Gannet Pier, east piles': [{ ...ALWAYS, kind: 'current', note: 'Cross current at the piles; do not drift up-stream of them.' }],
  'Cold Kettle drain': [{ ...ALWAYS, kind: 'shallow', tideBelowM: 1.6, note: 'Shuts behind you on the ebb: leave with a metre in hand.' }],
  'Inner jetty, tip': [{ ...ALWAYS, kind: 'rocks', tideBelowM: 1.5, note: 'Loose rock under water 20 m off the tip.' }],
};
