// A weather, tide, temperature and river station as a small HTTP process, with the faults that real ones have: gaps,
// spikes, a stuck sensor, values that come late. It keeps no clock: it answers for the span it is asked about.
import { serve } from '@hono/node-server';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { HOUR } from '@bluffwind/core/units/time';
import { windComponents, windFromComponents } from '@bluffwind/core/weather/wind';
import { Hono } from 'hono';
import { z } from 'zod';
import { noise1 } from './noise';
import { DEMO_START, flowAt, SOUND_TIDE, surgeAt, type Weather, waterTempAt, weatherAt } from './weather';

const KINDS = {
  harbour: { water: 'sound', wind: true, air: true, level: true, flow: false, seed: 1 },
  sarn: { water: 'sound', wind: true, air: false, level: false, flow: false, seed: 2 },
  skerry: { water: 'skerries', wind: true, air: false, level: false, flow: false, seed: 3 },
  ansgar: { water: 'lake', wind: true, air: true, level: false, flow: true, seed: 4 },
} as const;
type Kind = keyof typeof KINDS;

const MEMBERS = 10;
const AHEAD_HOURS = 60;
const tide = tideModel(SOUND_TIDE.constants, SOUND_TIDE.z0M);
const round = (value: number, digits: number) => Math.round(value * 10 ** digits) / 10 ** digits;
/** Point Sarn's anemometer sticks from Thursday 09:20 local. */
const STUCK_FROM = DEMO_START - (8 * 60 + 20) * 60_000;

const ARCHIVED_BEFORE = DEMO_START - 30 * 24 * HOUR;

interface Reading {
  readonly at: string;
  readonly variable: string;
  readonly value: number;
}

/** Damper under cloud; mist when the air is nearly as cold as its dew point and hardly moves. */
const dewPointOf = (w: Weather) => w.airTempC - 5.5 + 4.2 * w.cloud;
const visibilityOf = (w: Weather, at: number) =>
  Math.max(200, 24_000 * (1 - 0.5 * w.cloud) * (w.windMps < 1.5 && w.cloud > 0.7 ? 0.08 : 1) + 2500 * noise1(at / HOUR / 9, 260));

/** Thunder out of warm, damp, heavy cloud. */
const thunderOf = (w: Weather) => Number(w.cloud > 0.97 && w.airTempC > 17.5);

/** Readings of a station in [fromMs, toMs): hourly, faults included. */
export function readingsOf(kind: Kind, fromMs: number, toMs: number): Reading[] {
  const k = KINDS[kind];
  const out: Reading[] = [];
  for (let at = Math.ceil(fromMs / HOUR) * HOUR; at < toMs; at += HOUR) {
    const hour = at / HOUR;
    // Its archive keeps every third hour, as many do.
    if (at < ARCHIVED_BEFORE && hour % 3 !== 0) continue;
    // Gaps of a few hours, now and then.
    if (noise1(hour / 5, 200 + k.seed) > 0.9) continue;
    const jitter = (n: number) => noise1(hour * 3.7, 210 + k.seed * 10 + n);
    const values: Record<string, number> = {};
    const w = weatherAt(at);
    if (k.wind) {
      const stuck = kind === 'sarn' && at >= STUCK_FROM;
      const seen = stuck ? weatherAt(Math.floor(STUCK_FROM / HOUR) * HOUR) : w;
      values.windMps = round(Math.max(0, seen.windMps + (stuck ? 0 : 0.25 * jitter(1))), 1);
      values.windGustMps = round(Math.max(0, seen.windGustMps + (stuck ? 0 : 0.4 * jitter(2))), 1);
      values.windFromDeg = Math.round(seen.windFromDeg + (stuck ? 0 : 5 * jitter(3)) + 360) % 360;
    }
    if (k.air) {
      values.airTempC = round(w.airTempC + 0.2 * jitter(4), 1);
      values.pressureHpa = round(w.pressureHpa + 0.2 * jitter(5), 1);
      values.cloud = round(Math.min(1, Math.max(0, w.cloud + 0.05 * jitter(6))), 2);
      values.dewPointC = round(dewPointOf(w), 1);
      values.visibilityM = Math.round(visibilityOf(w, at) / 100) * 100;
      values.thunder = thunderOf(w);
    }
    if (k.level) values.waterLevelM = round(tide.heightAt(at) + surgeAt(at) + 0.01 * jitter(7), 2);
    if (k.flow) values.flowM3s = round(Math.max(0.1, flowAt(at)), 2);
    const spike = noise1(hour * 1.31, 230 + k.seed) > 0.95;
    values.waterTempC = round(waterTempAt(k.water, at) + 0.05 * jitter(8) + (spike ? 9 : 0), 1);
    // Near what water of its warmth can hold (468 over 31.6 and the degrees, from memory), less before dawn than in the afternoon.
    if (k.flow)
      values.oxygenMgl = round((468 / (31.6 + waterTempAt(k.water, at))) * (0.95 + 0.05 * Math.sin((hour / 24 - 0.4) * 2 * Math.PI)), 1);
    for (const [variable, value] of Object.entries(values)) out.push({ at: new Date(at).toISOString(), variable, value });
  }
  return out;
}

/** A forecast run: members drift from the truth with lead time, each in its own way. */
export function forecastOf(kind: Kind, runMs: number) {
  const k = KINDS[kind];
  const times = Array.from({ length: AHEAD_HOURS }, (_, i) => runMs + i * HOUR);
  const members = Array.from({ length: MEMBERS }, (_, member) => {
    const off = (at: number, n: number) =>
      noise1(at / HOUR / 14 + member * 13.7 + runMs / HOUR, 300 + n) * Math.min(1, (at - runMs) / HOUR / 40 + 0.12);
    const values: Record<string, number[]> = {
      windMps: [],
      windGustMps: [],
      windFromDeg: [],
      airTempC: [],
      pressureHpa: [],
      cloud: [],
      waterTempC: [],
      dewPointC: [],
      visibilityM: [],
      thunder: [],
    };
    for (const at of times) {
      // Timing of a change is what forecasts miss most: members run up to two hours early or late.
      const w = weatherAt(at + off(at, 1) * 2 * HOUR);
      const c = windComponents(w.windMps, w.windFromDeg);
      const wind = windFromComponents(c.east + 2.4 * off(at, 2), c.north + 2.4 * off(at, 3));
      values.windMps?.push(round(wind.mps, 2));
      values.windGustMps?.push(round(wind.mps * (w.windGustMps / Math.max(0.1, w.windMps)), 2));
      values.windFromDeg?.push(Math.round(wind.fromDeg) % 360);
      values.airTempC?.push(round(w.airTempC + 2 * off(at, 4), 1));
      values.pressureHpa?.push(round(w.pressureHpa + 3 * off(at, 5), 1));
      values.cloud?.push(round(Math.min(1, Math.max(0, w.cloud + 0.5 * off(at, 6))), 2));
      values.waterTempC?.push(round(waterTempAt(k.water, at) + 0.7 * off(at, 7), 2));
      values.dewPointC?.push(round(dewPointOf(w) + 1.5 * off(at, 8), 1));
      values.visibilityM?.push(Math.round((visibilityOf(w, at) * (1 + 0.4 * off(at, 9))) / 100) * 100);
      values.thunder?.push(thunderOf(w));
    }
    return { member, variables: values };
  });
  return { times: times.map((t) => new Date(t).toISOString()), members };
}

const span = z.object({ from: z.iso.datetime(), to: z.iso.datetime() });
const run = z.object({ run: z.iso.datetime() });

/** The station's HTTP face. */
export function stationApp(): Hono {
  const app = new Hono();
  app.get('/:kind/readings', (c) => {
    const kind = c.req.param('kind');
    const q = span.safeParse(c.req.query());
    if (!(kind in KINDS) || !q.success) return c.json({ error: 'unknown station or span' }, 400);
    return c.json({ station: kind, readings: readingsOf(kind as Kind, Date.parse(q.data.from), Date.parse(q.data.to)) });
  });
  app.get('/:kind/forecast', (c) => {
    const kind = c.req.param('kind');
    const q = run.safeParse(c.req.query());
    if (!(kind in KINDS) || !q.success) return c.json({ error: 'unknown station or run' }, 400);
    return c.json({ station: kind, run: q.data.run, ...forecastOf(kind as Kind, Date.parse(q.data.run)) });
  });
  return app;
}

/** Starts the station on a loopback port (any free one by default) and prints its address. */
export function startStation(port = 0): void {
  listen(stationApp(), port);
}

/** A station gone wrong, for trying what the product makes of one: nonsense, lies and silence in turn. */
export function startBrokenStation(port = 0): void {
  let turn = 0;
  const app = new Hono();
  app.get('/:kind/:what', async (c) => {
    const { kind } = c.req.param();
    switch (turn++ % 5) {
      case 0:
        return c.text('<html>Service temporarily unavailable</html>', 503);
      case 1:
        return c.text('{"station": "harb', 200);
      case 2:
        return c.json({ station: kind, readings: [{ at: 'yesterday', variable: 'windMps', value: 'strong' }] });
      case 3:
        // Well formed and false: a gale, boiling water, and a reading from next week.
        return c.json({
          station: kind,
          readings: [
            { at: c.req.query('to') ?? '', variable: 'windMps', value: 480 },
            { at: c.req.query('to') ?? '', variable: 'waterTempC', value: 99 },
            { at: new Date(Date.parse(c.req.query('to') ?? '') + 7 * 24 * HOUR).toISOString(), variable: 'waterTempC', value: 15 },
          ],
        });
      default:
        return c.json({ station: kind, readings: null });
    }
  });
  listen(app, port);
}

function listen(app: Hono, port: number): void {
  serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, (address) => {
    process.stdout.write(`listening on http://127.0.0.1:${address.port}\n`);
  });
}
