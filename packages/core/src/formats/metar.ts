// Aviation weather reports (METAR, WMO code FM 15) as readings: wind, gust, visibility, cloud, air and dew point, pressure.
// Checked against metar-taf-parser.
import type { FileReading } from './readingsCsv';
import { quote, type Refused } from './refused';
import { fieldOf, nth } from '../units/indexed';

const OKTAS: Record<string, number> = { SKC: 0, CLR: 0, NSC: 0, NCD: 0, FEW: 0.25, SCT: 0.5, BKN: 0.75, OVC: 1, VV: 1 };
const KNOT = 1852 / 3600;
const WIND_UNITS: Record<string, number> = { KT: KNOT, MPS: 1, KMH: 1 / 3.6 };
const DAY_MS = 86_400_000;

/** One report: its station, instant, readings, and whether it speaks of thunder. */
export interface MetarReport {
  readonly station: string;
  readonly atMs: number;
  readonly readings: readonly FileReading[];
  readonly thunder: boolean;
}

/**
 * Reads one report, or says why not.
 * @param nearMs - An instant near the report: the report names day, hour and minute only.
 */
export function parseMetar(text: string, nearMs: number): MetarReport | { reason: string; remedy: string } {
  const words = text.trim().replace(/=$/, '').split(/\s+/);
  const rest = words.filter((w) => !['METAR', 'SPECI', 'COR', 'AUTO'].includes(w));
  const [station = '', stamp = ''] = rest;
  const time = /^(\d{2})(\d{2})(\d{2})Z$/.exec(stamp);
  if (!/^[A-Z][A-Z0-9]{3}$/.test(station) || !time)
    return { reason: 'it is not a METAR report', remedy: 'A report begins with a station of four letters and a time such as 181720Z.' };
  const atMs = instantOf(Number(time[1]), Number(time[2]), Number(time[3]), nearMs);
  if (atMs === null) return { reason: `${stamp} is not a time`, remedy: 'Day, hour and minute in UTC, such as 181720Z.' };
  const out = new Map<string, number>();
  let thunder = false;
  const body = rest.slice(2);
  for (let i = 0; i < body.length; i++) {
    const w = nth(body, i);
    if (w === 'RMK' || w === 'TEMPO' || w === 'BECMG' || w === 'NOSIG') break;
    const wind = /^(\d{3}|VRB)(\d{2,3})(?:G(\d{2,3}))?(KT|MPS|KMH)$/.exec(w);
    if (wind) {
      const factor = fieldOf(WIND_UNITS, nth(wind, 4));
      out.set('windMps', Number(wind[2]) * factor);
      if (wind[1] !== 'VRB') out.set('windFromDeg', Number(wind[1]) % 360);
      if (wind[3]) out.set('windGustMps', Number(wind[3]) * factor);
      continue;
    }
    if (w === 'CAVOK') {
      out.set('visibilityM', 10_000);
      out.set('cloud', 0);
      continue;
    }
    if (/^\d{4}$/.test(w)) {
      out.set('visibilityM', w === '9999' ? 10_000 : Number(w));
      continue;
    }
    const miles = /^(?:(\d+)\/(\d+)|(\d+))SM$/.exec(w);
    if (miles) {
      const whole = /^\d$/.test(body[i - 1] ?? '') && miles[1] ? Number(body[i - 1]) : 0;
      out.set('visibilityM', (whole + (miles[3] ? Number(miles[3]) : Number(miles[1]) / Number(miles[2]))) * 1609.344);
      continue;
    }
    const cloud = /^(SKC|CLR|NSC|NCD|FEW|SCT|BKN|OVC|VV)(\d{3}|\/{3})?(CB|TCU)?$/.exec(w);
    if (cloud) {
      out.set('cloud', Math.max(out.get('cloud') ?? 0, fieldOf(OKTAS, nth(cloud, 1))));
      continue;
    }
    const temps = /^(M?\d{2})\/(M?\d{2})?$/.exec(w);
    if (temps) {
      const c = (t: string) => Number(t.replace('M', '-'));
      out.set('airTempC', c(nth(temps, 1)));
      if (temps[2]) out.set('dewPointC', c(temps[2]));
      continue;
    }
    const q = /^Q(\d{4})$/.exec(w);
    if (q) out.set('pressureHpa', Number(q[1]));
    const a = /^A(\d{4})$/.exec(w);
    if (a) out.set('pressureHpa', (Number(a[1]) / 100) * 33.86389);
    if (/^[+-]?(VC)?TS/.test(w)) thunder = true;
  }
  if (thunder) out.set('thunder', 1);
  return { station, atMs, thunder, readings: [...out].map(([variable, value]) => ({ atMs, variable, value })) };
}

/** The instant with this day of the month nearest to another. */
function instantOf(day: number, hour: number, minute: number, nearMs: number): number | null {
  if (day < 1 || day > 31 || hour > 23 || minute > 59) return null;
  const near = new Date(nearMs);
  let best: number | null = null;
  for (const months of [-1, 0, 1]) {
    const at = Date.UTC(near.getUTCFullYear(), near.getUTCMonth() + months, day, hour, minute);
    if (new Date(at).getUTCDate() !== day) continue;
    if (best === null || Math.abs(at - nearMs) < Math.abs(best - nearMs)) best = at;
  }
  return best !== null && Math.abs(best - nearMs) < 31 * DAY_MS ? best : null;
}

/** Reads text with a report a line (or ending in =). */
export function readMetars(text: string, nearMs: number): { readings: FileReading[]; refused: Refused[] } {
  const readings: FileReading[] = [];
  const refused: Refused[] = [];
  text.split(/\r\n|\n|\r/).forEach((line, i) => {
    if (line.trim() === '' || line.startsWith('#')) return;
    const r = parseMetar(line, nearMs);
    if ('reason' in r) refused.push({ line: i + 1, text: quote(line), ...r });
    else readings.push(...r.readings);
  });
  return { readings, refused };
}
