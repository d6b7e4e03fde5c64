// What the crew has read by hand over the seasons: clarity, and of late the temperature at some spots.
import type { OutfitScenario } from '@bluffwind/contract/scenario';
import { seeded } from '@bluffwind/core/units/seeded';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { KEYS, type WaterKey } from './place';
import { clarityAt, DEMO_START, spotWarmthAt, waterTempAt } from './weather';

/** Secchi depths on two days of three in the season. */
export function crewClarity(key: WaterKey, waterId: string): OutfitScenario['crewReadings'] {
  const all: OutfitScenario['crewReadings'] = [];
  for (let at = Date.UTC(2024, 3, 5, 15); at < DEMO_START; at += DAY) {
    const month = new Date(at).getUTCMonth();
    if (month < 3 || month > 9) continue;
    if (Math.floor(at / DAY) % 3 === KEYS.indexOf(key)) continue;
    all.push({
      waterId,
      variable: 'clarityM',
      at: new Date(at).toISOString(),
      value: Math.round(clarityAt(key, at) * 10) / 10,
      spotId: null,
    });
  }
  return all;
}

/** The crew dips a thermometer at some spots in the last weeks. */
export function crewTemperatures(spots: OutfitScenario['spots'], waterId: (key: WaterKey) => string): OutfitScenario['crewReadings'] {
  const random = seeded(77);
  const out: OutfitScenario['crewReadings'] = [];
  for (const key of ['sound', 'lake'] as const) {
    const here = spots.filter((s) => s.waterId === waterId(key) && ['flat', 'drain', 'weed', 'wall', 'hole', 'wood'].includes(s.structure));
    for (let at = DEMO_START - 24 * DAY + 20 * HOUR; at < DEMO_START - 4 * HOUR; at += DAY) {
      for (const spot of here) {
        if (random() > 0.22) continue;
        const when = at + Math.round(random() * 12) * 0.5 * HOUR;
        const value = waterTempAt(key, when) + spotWarmthAt(spot, when) + 0.15 * (random() - 0.5);
        out.push({
          waterId: waterId(key),
          variable: 'waterTempC',
          at: new Date(when).toISOString(),
          value: Math.round(value * 10) / 10,
          spotId: spot.id,
        });
      }
    }
  }
  return out;
}
