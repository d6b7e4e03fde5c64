// Hourly forecasts as JSON: an object with a list of times and, beside it, lists of values as long, by names that say what they are;
// units may stand in an object of the same names. Members of an ensemble are lists of their own, told by a number at the end of the name.
import { ALL_VARIABLES } from '../weather/variables';
import { clockReader } from './localTime';
import { type FileReading, unitHinted } from './readingsCsv';
import { quote, type Refused, requireSize, UnreadableFile } from './refused';
import { inputUnit, unitsOf } from './unitsOf';

/** A value foretold; members are numbered from 1, 0 is the forecast as a whole. */
export interface Foretold extends FileReading {
  readonly member: number;
}

type Json = Readonly<Record<string, unknown>>;
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v);

/** The object that has times, and the object it stands in. */
function hourlyOf(root: unknown): { readonly hours: Json; readonly around: Json } | null {
  if (!isObject(root)) return null;
  const has = (o: Json) => Array.isArray(o.time) || Array.isArray(o.times) || Array.isArray(o.at);
  if (has(root)) return { hours: root, around: root };
  for (const v of Object.values(root)) if (isObject(v) && has(v)) return { hours: v, around: root };
  return null;
}

/** Whether a text is such a forecast. */
export function isForecastJson(text: string): boolean {
  if (!/^\uFEFF?\s*\{/.test(text.slice(0, 200))) return false;
  try {
    return hourlyOf(JSON.parse(text.replace(/^\uFEFF/, ''))) !== null;
  } catch {
    return false;
  }
}

/**
 * Reads it. Times without an offset are UTC plus what `utc_offset_seconds` says where it stands in the file, else of the zone.
 * Throws UnreadableFile when nothing in it is a variable of the water.
 */
export function readForecastJson(text: string, zone: string): { readings: Foretold[]; refused: Refused[] } {
  requireSize(text.length);
  const found = hourlyOf(JSON.parse(text.replace(/^\uFEFF/, '')));
  if (!found) throw new UnreadableFile('It has no list of times.', 'Take the hourly forecast as JSON.');
  const { hours, around } = found;
  // biome-ignore lint/plugin: hourlyOf finds only what has one of these as a list.
  const times = (hours.time ?? hours.times ?? hours.at) as unknown[];
  const offset = around.utc_offset_seconds;
  const clock = clockReader(zone, 'dmy');
  const refused: Refused[] = [];
  const at = times.map((t, i): number | null => {
    const written = String(t);
    const bare = !/(Z|[+-]\d{2}:?\d{2})$/.test(written) && !/^\d{10,13}$/.test(written);
    const when = clock(bare && typeof offset === 'number' ? `${written}Z` : written);
    if ('atMs' in when) return bare && typeof offset === 'number' ? when.atMs - offset * 1000 : when.atMs;
    refused.push({ line: i + 1, text: quote(written), reason: when.reason, remedy: when.remedy });
    return null;
  });
  // biome-ignore lint/plugin: isObject has seen it.
  const units = Object.entries(around).find(([k, v]) => /units$/i.test(k) && isObject(v))?.[1] as Json | undefined;
  const readings: Foretold[] = [];
  for (const [name, values] of Object.entries(hours)) {
    if (!Array.isArray(values) || values.length !== times.length || values === times) continue;
    const m = /^(.*?)_?member_?(\d+)$/i.exec(name);
    const base = m?.[1] ?? name;
    const variable = variableOf(base);
    if (!variable) continue;
    const unit = inputUnit(
      variable,
      unitHinted(variable, `${String(units?.[base] ?? units?.[name] ?? '')} ${base.replaceAll('_', ' ')}`) ??
        unitsOf(variable)[0]?.id ??
        '',
    );
    values.forEach((v, i) => {
      const atMs = at[i];
      if (typeof v !== 'number' || !Number.isFinite(v) || atMs === null || atMs === undefined) return;
      readings.push({ atMs, variable, value: unit.toSi(v), member: m ? Number(m[2]) : 0 });
    });
  }
  if (readings.length === 0)
    throw new UnreadableFile(
      `None of ${Object.keys(hours).slice(0, 8).join(', ')} is a variable of the water.`,
      'Ask for wind, gusts, direction, temperature, cloud, pressure or visibility by the hour.',
    );
  return { readings, refused };
}

function variableOf(name: string): string | null {
  const words = name.replaceAll('_', ' ');
  // Rain, radiation and the like are not asked for here.
  return ALL_VARIABLES.find(([, v]) => v.heading?.test(words))?.[0] ?? null;
}
