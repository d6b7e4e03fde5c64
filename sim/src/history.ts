// Three seasons of trips: where the crew went, with what, for how long, and what the hidden truth gave them.
import type { OutfitScenario } from '@bluffwind/contract/scenario';
import { conditionsOver, type SpotConditions, type WaterState } from '@bluffwind/core/conditions/spotConditions';
import { fetchRose } from '@bluffwind/core/exposure/fetch';
import { toLocal } from '@bluffwind/core/ground/seaBed';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { seeded } from '@bluffwind/core/units/seeded';
import { DAY, HOUR, MINUTE } from '@bluffwind/core/units/time';
import type { Series } from '@bluffwind/core/weather/series';
import { windComponents } from '@bluffwind/core/weather/wind';
import { FISHED_SO_FAR } from './catalogue';
import { GROUND } from './geography';
import { FISH, trueRate } from './hiddenTruth';
import type { Structure } from './names';
import { normal, poisson } from './noise';
import { clarityAt, flowAt, SOUND_TIDE, waterTempAt, weatherAt } from './weather';

type WaterKey = keyof typeof GROUND;
type Trip = OutfitScenario['trips'][number];
type World = Omit<OutfitScenario, 'trips'>;

/** The true state of a water over a while, sampled hourly. */
export function trueWater(key: WaterKey, fromMs: number, toMs: number): WaterState {
  const atMs: number[] = [];
  for (let t = fromMs; t <= toMs; t += HOUR) atMs.push(t);
  const of = (value: (at: number) => number): Series => ({ atMs, value: atMs.map(value), forecastFrom: atMs.length });
  const wind = (part: 'east' | 'north') =>
    of((at) => {
      const w = weatherAt(at);
      return windComponents(w.windMps, w.windFromDeg)[part];
    });
  const { bed } = GROUND[key];
  return {
    lat: bed.lat0 + 0.025,
    lon: bed.lon0 + 0.05,
    ...tideOf(key),
    currents: [],
    levelM: null,
    dewPointC: null,
    visibilityM: null,
    thunder: null,
    sources: {},
    wind: { east: wind('east'), north: wind('north'), gust: of((at) => weatherAt(at).windGustMps) },
    // No air: the truth has one temperature for the fish of a water, whatever the product makes of its spots.
    airTempC: null,
    pressureHpa: of((at) => weatherAt(at).pressureHpa),
    cloud: of((at) => weatherAt(at).cloud),
    waterTempC: of((at) => waterTempAt(key, at)),
    clarityM: of((at) => clarityAt(key, at)),
    flowM3s: key === 'lake' ? of(flowAt) : null,
  };
}

function tideOf(key: WaterKey): Pick<WaterState, 'tide' | 'levelAt'> {
  if (key === 'lake') return { tide: null, levelAt: null };
  const tide = tideModel(SOUND_TIDE.constants, SOUND_TIDE.z0M);
  return { tide, levelAt: (at) => tide.heightAt(at) };
}

/** First and last day of each season. */
export const SEASONS = [
  ['2024-04-06', '2024-10-20'],
  ['2025-04-05', '2025-10-19'],
  ['2026-04-04', '2026-06-18'],
] as const;

/** Days of the three seasons, each as the UTC start of the local day. */
function seasonDays(): number[] {
  const days: number[] = [];
  for (const [from, to] of SEASONS) {
    for (let d = Date.parse(`${from}T02:00:00Z`); d <= Date.parse(`${to}T02:00:00Z`); d += DAY) days.push(d);
  }
  return days;
}

/** Draws the log. @param uuid - Maker of ids. */
export function drawHistory(world: World, seed: number, uuid: () => string): Trip[] {
  const random = seeded(seed);
  const keyOf = (waterId: string) => (['sound', 'skerries', 'lake'] as const)[world.waters.findIndex((w) => w.id === waterId)] as WaterKey;
  const spots = world.spots.map((spot, index) => {
    const key = keyOf(spot.waterId);
    const { bed } = GROUND[key];
    const { xM, yM } = toLocal(bed, spot.lat, spot.lon);
    const fetchM = fetchRose(bed, xM, yM);
    const exposed = fetchM.reduce((a, b) => a + b, 0) / 36 > 2500;
    return { ...spot, index, water: key, structure: spot.structure as Structure, exposed, fetchM, heatOffsetC: 0, heatSdC: 0.6 };
  });
  const captains = world.people.filter((p) => p.role !== 'mate');
  const families = new Map(world.families.map((f) => [f.id, f]));
  const trips: Trip[] = [];
  for (const day of seasonDays()) {
    const today = day === Date.parse('2026-06-18T02:00:00Z');
    world.boats.forEach((boat, b) => {
      if (!today && random() > 0.52) return;
      const key: WaterKey = b === 2 ? 'lake' : b === 0 && random() < 0.22 ? 'skerries' : 'sound';
      const water = world.waters[['sound', 'skerries', 'lake'].indexOf(key)] as World['waters'][number];
      if (weatherAt(day + 11 * HOUR).windGustMps > (boat.windLimitMps ?? 10) * 1.1) return;
      const start = day + (5 + Math.round(random() * 16) / 4) * HOUR;
      const end = start + (5 + Math.round(random() * 8) / 4) * HOUR;
      const rods = 1 + Math.floor(random() * Math.min(4, boat.seats));
      const conditions = conditionsOver(trueWater(key, start - HOUR, end + 2 * HOUR), start, end);
      const species = world.species.filter((s) => s.habitat === water.kind && FISH.find((f) => f.name === s.name)?.waters.includes(key));
      const nearby = spots.filter((s) => s.waterId === water.id);
      const presentations = world.presentations.slice(0, FISHED_SO_FAR).filter((p) => p.habitat === 'both' || p.habitat === water.kind);
      const fishAll = (spot: (typeof spots)[number], familyId: string, c: SpotConditions) =>
        FISH.reduce((sum, f) => sum + trueRate(f, spot, families.get(familyId) as never, c), 0);
      const stops: Trip['stops'] = [];
      const clientIds = pick(world.clients, rods, random).map((c) => c.id);
      // Days differ by more than any reading explains.
      const day_ = gammaLike(random, 4);
      let at = start + (15 + random() * 20) * MINUTE;
      const visited = new Set<string>();
      while (at < end - 45 * MINUTE && stops.length < 6) {
        // Guides half know: they choose by the truth with an error and with habits of their own.
        const rated = nearby
          .filter((s) => !visited.has(s.id))
          .map((spot) => {
            const c = conditions(spot, Math.round(at / MINUTE) * MINUTE);
            // Three baits come to mind at a time.
            const best = Math.max(...pick(presentations, 3, random).map((p) => fishAll(spot, p.familyId, c)));
            const closed = spot.accessDepthM !== null && spot.accessDepthM + (c.tideHeightM ?? 0) < boat.draughtM + 0.3;
            return { spot, c, score: closed ? -9 : Math.log(best + 0.05) * 0.8 + normal(random) * 0.8 };
          })
          .sort((x, y) => y.score - x.score);
        const chosen = rated[0];
        if (!chosen || chosen.score < -8) break;
        visited.add(chosen.spot.id);
        const minutes = 30 + random() * 60;
        const stopEnd = Math.min(at + minutes * MINUTE, end - 15 * MINUTE);
        const kinds = random() < 0.55 ? 1 : 2;
        const used = presentations
          .map((p) => ({ p, score: Math.log(fishAll(chosen.spot, p.familyId, chosen.c) + 0.03) + normal(random) * 1.1 }))
          .sort((x, y) => y.score - x.score)
          .slice(0, kinds);
        const sets = used.map(({ p }, i) => {
          const share = kinds === 1 ? rods : i === 0 ? Math.ceil(rods / 2) : Math.max(1, Math.floor(rods / 2));
          const from = kinds === 2 && rods === 1 && i === 1 ? (at + stopEnd) / 2 : at;
          const to = kinds === 2 && rods === 1 && i === 0 ? (at + stopEnd) / 2 : stopEnd;
          const hours = (to - from) / HOUR;
          const catches = FISH.flatMap((f) => {
            const s = species.find((x) => x.name === f.name);
            if (!s) return [];
            const faded = (1 - Math.exp(-0.35 * hours)) / 0.35;
            const mean = trueRate(f, chosen.spot, families.get(p.familyId) as never, chosen.c) * share * faded * day_;
            return Array.from({ length: poisson(mean, random) }, () => {
              const outcome = random() < 0.86 ? ('landed' as const) : random() < 0.6 ? ('lost' as const) : ('missed' as const);
              const mm = Math.round(Math.max(f.meanMm * 0.5, f.meanMm + f.sdMm * normal(random)) / 5) * 5;
              return {
                id: uuid(),
                speciesId: s.id,
                at: iso(from + random() * (to - from)),
                lengthMm: outcome === 'landed' && random() < 0.93 ? mm : null,
                outcome,
                kept: outcome === 'landed' && random() < 0.15,
                clientId: clientIds[Math.floor(random() * clientIds.length)] ?? null,
              };
            });
          });
          return { id: uuid(), presentationId: p.id, rods: share, startedAt: iso(from), endedAt: iso(to), catches };
        });
        stops.push({ id: uuid(), spotId: chosen.spot.id, startedAt: iso(at), endedAt: iso(stopEnd), sets });
        at = stopEnd + (10 + random() * 20) * MINUTE;
      }
      trips.push({
        id: uuid(),
        boatId: boat.id,
        captainId: captains[b % captains.length]?.id as string,
        waterId: water.id,
        startsAt: iso(start),
        endsAt: iso(end),
        goal: 'numbers',
        speciesIds: species.map((s) => s.id),
        rods,
        skill: 2,
        wish: '',
        status: 'done',
        clientIds,
        stops,
      });
    });
  }
  return trips;
}

const iso = (ms: number) => new Date(Math.round(ms / 1000) * 1000).toISOString();

function gammaLike(random: () => number, shape: number): number {
  let sum = 0;
  for (let i = 0; i < shape; i++) sum -= Math.log(1 - random());
  return sum / shape;
}

function pick<T>(from: readonly T[], count: number, random: () => number): T[] {
  const left = [...from];
  return Array.from({ length: Math.min(count, left.length) }, () => left.splice(Math.floor(random() * left.length), 1)[0] as T);
}
