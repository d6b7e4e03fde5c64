// A weather, tide, temperature and river station as a small HTTP process, with the faults that real ones have: gaps,
// spikes, a stuck sensor, values that come late. It keeps no clock: it answers for the span it is asked about.
import { serve } from '@hono/node-server';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { HOUR } from '@bluffwind/core/units/time';
import { windComponents, windFromComponents } from '@bluffwind/core/weather/wind';
import { Hono } from 'hono';
import { z } from 'zod';
import { noise1 } from './noise';
import { DEMO_START, flowAt, SOUND_TIDE, surgeAt, waterTempAt, weatherAt } from './weather';

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
    }
    if (k.level) values.waterLevelM = round(tide.heightAt(at) + surgeAt(at) + 0.01 * jitter(7), 2);
    if (k.flow) values.flowM3s = round(Math.max(0.1, flowAt(at)), 2);
    const spike = noise1(hour * 1.31, 230 + k.seed) > 0.95;
    values.waterTempC = round(waterTempAt(k.water, at) + 0.05 * jitter(8) + (spike ? 9 : 0), 1);
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

/** Starts the station on a free loopback port and prints its address. */
export function startStation(port = 0): void {
  serve({ fetch: stationApp().fetch, port, hostname: '127.0.0.1' }, (address) => {
    process.stdout.write(`listening on http://127.0.0.1:${address.port}\n`);
  });
}
