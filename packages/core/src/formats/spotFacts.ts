// What a file of ours says of a spot beyond its name and place, so that a spot that goes out and comes back is the same. Other programs
// pass over it: GeoJSON in a member of the properties (RFC 7946, 6.1), GPX in extensions of a namespace of our own (GPX 1.1 schema).
import { HAZARD_KINDS, type Hazard } from '../risk/hazard';
import { escapeXml } from './xml';

/** Facts of a spot. Depths below datum, m; null where nobody has said. */
export interface SpotFacts {
  readonly structure: string;
  readonly bottom: string;
  readonly depthMinM: number | null;
  readonly depthMaxM: number | null;
  readonly accessDepthM: number | null;
  readonly privacy: 'crew' | 'captain';
  readonly footing: number;
  readonly restDays: number;
  readonly pressure: number;
  readonly legality: string;
  readonly note: string;
  readonly hazards: readonly Hazard[];
}

/** Name of the member of GeoJSON properties, and of the GPX element. */
export const FACTS_KEY = 'bluffwind';
export const FACTS_NAMESPACE = 'urn:bluffwind:spot:1';
const MOST_HAZARDS = 8;

type Raw = Readonly<Record<string, unknown>>;

const text = (v: unknown, most: number): string => (typeof v === 'string' ? v.trim().slice(0, most) : '');
const figure = (v: unknown, min: number, max: number): number | null => {
  const n = typeof v === 'number' ? v : typeof v === 'string' && v.trim() !== '' ? Number(v) : Number.NaN;
  return Number.isFinite(n) && n >= min && n <= max ? n : null;
};
const whole = (v: unknown, min: number, max: number, usual: number): number => {
  const n = figure(v, min, max);
  return n !== null && Number.isInteger(n) ? n : usual;
};

/** Facts from what a file has, values as numbers or as texts; what cannot be is left out. Null where there are none. */
export function factsFrom(raw: Raw, hazards: readonly Raw[]): SpotFacts | null {
  const structure = text(raw.structure, 40);
  if (structure === '') return null;
  return {
    structure,
    bottom: text(raw.bottom, 40) || 'unknown',
    depthMinM: figure(raw.depthMinM, -10, 500),
    depthMaxM: figure(raw.depthMaxM, -10, 500),
    accessDepthM: figure(raw.accessDepthM, -10, 50),
    privacy: raw.privacy === 'captain' ? 'captain' : 'crew',
    footing: whole(raw.footing, 1, 3, 1),
    restDays: whole(raw.restDays, 0, 60, 0),
    pressure: whole(raw.pressure, 1, 3, 1),
    legality: text(raw.legality, 500),
    note: text(raw.note, 2000),
    hazards: hazards.slice(0, MOST_HAZARDS).flatMap((h) => hazardFrom(h) ?? []),
  };
}

function hazardFrom(h: Raw): Hazard | null {
  const note = text(h.note, 300);
  if (note === '') return null;
  const [from, to] = [figure(h.windsFromDeg, 0, 360), figure(h.windsToDeg, 0, 360)];
  return {
    kind: HAZARD_KINDS.find((k) => k === h.kind) ?? 'other',
    windSectorDeg: from === null || to === null ? null : [from, to],
    windMps: figure(h.windMps, 0, 60),
    waveM: figure(h.waveM, 0, 20),
    tideBelowM: figure(h.tideBelowM, -20, 20),
    tideAboveM: figure(h.tideAboveM, -20, 20),
    binds: h.binds === true || h.binds === 'true',
    note,
  };
}

/** A hazard flat, as it is written. */
function flat({ windSectorDeg, ...h }: Hazard): Record<string, string | number | boolean> {
  const all = { ...h, windsFromDeg: windSectorDeg?.[0] ?? null, windsToDeg: windSectorDeg?.[1] ?? null };
  return known(all);
}

function known(all: Readonly<Record<string, string | number | boolean | null>>): Record<string, string | number | boolean> {
  return Object.fromEntries(Object.entries(all).flatMap(([k, v]) => (v === null || v === '' ? [] : [[k, v]])));
}

/** Facts as a member of GeoJSON properties. */
export function factsJson({ hazards, ...facts }: SpotFacts): object {
  return { ...known(facts), hazards: hazards.map(flat) };
}

/** Facts as a GPX extension. @param shape - Kept, since GPX knows no areas. */
export function factsXml({ hazards, ...facts }: SpotFacts, shape: string): string {
  const attributes = (all: Record<string, unknown>) =>
    Object.entries(all)
      .map(([k, v]) => ` ${k}="${escapeXml(String(v)).replace(/\n/g, '&#10;')}"`)
      .join('');
  const inside = hazards.map((h) => `<b:hazard${attributes(flat(h))}></b:hazard>`).join('');
  return `<extensions><b:spot xmlns:b="${FACTS_NAMESPACE}"${attributes({ shape, ...known(facts) })}>${inside}</b:spot></extensions>`;
}
