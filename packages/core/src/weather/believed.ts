// Several speak of one water: stations, instruments, files, the crew. Who is believed, and when another fills a gap.
import { MINUTE } from '../units/time';
import type { Track } from './joinForecast';

/** A reading with who says it: a station by its key, else the kind of source. */
export interface Said {
  readonly by: string;
  readonly variable: string;
  readonly atMs: number;
  readonly value: number;
  /** Flag of its quality; from 3 on it is not believed (QARTOD: 3 suspect, 4 fail). */
  readonly flag: number;
}

/** Another source is heard where the believed one was silent for two of these on either side. */
const SLOT = 30 * MINUTE;
const SUSPECT = 3;
const FAILED = 4;

/** Sources behind the stations, in the order in which they are asked. */
const BEHIND = ['instrument', 'import', 'crew'];
const CREW = 'crew';

/**
 * Of each variable the readings that are believed, by time, and who speaks. Stations speak before instruments and files; of several the one
 * with the fewest failures, of equals the first. The crew's own eyes are always taken. Any other only fills the gaps, since two places do
 * not read the same, and a line drawn through both would swing (common practice).
 * @param stations - In the order of their names.
 */
export function believed(
  readings: readonly Said[],
  stations: readonly { readonly id: string; readonly name: string }[],
): { readonly tracks: ReadonlyMap<string, Track>; readonly sources: Record<string, string> } {
  const byVariable = new Map<string, Map<string, Said[]>>();
  for (const r of readings) {
    const bySource = byVariable.get(r.variable) ?? new Map<string, Said[]>();
    const list = bySource.get(r.by);
    if (list) list.push(r);
    else bySource.set(r.by, [r]);
    byVariable.set(r.variable, bySource);
  }
  const rank = new Map(stations.map((s, i) => [s.id, i]));
  const names = new Map(stations.map((s) => [s.id, s.name]));
  const tracks = new Map<string, Track>();
  const sources: Record<string, string> = {};
  for (const [variable, bySource] of byVariable) {
    const speakers = [...bySource]
      .map(([by, list]) => ({
        by,
        list,
        kind: BEHIND.indexOf(by) + 1,
        failed: list.filter((r) => r.flag === FAILED).length,
        rank: rank.get(by) ?? stations.length,
      }))
      .sort((a, b) => a.kind - b.kind || a.failed - b.failed || a.rank - b.rank);
    const { track, first } = told(speakers);
    tracks.set(variable, track);
    if (first !== null) sources[variable] = names.get(first) ?? first;
  }
  return { tracks, sources };
}

/** What speakers in the order of their right to speak say together, and the first of them who says anything. */
function told(speakers: readonly { readonly by: string; readonly list: readonly Said[] }[]): { track: Track; first: string | null } {
  const merged = new Map<number, number>();
  const spoken = new Set<number>();
  let first: string | null = null;
  for (const { by, list } of speakers) {
    const mine: number[] = [];
    for (const { atMs, value, flag } of list) {
      const slot = Math.floor(atMs / SLOT);
      const taken = [-2, -1, 0, 1, 2].some((d) => spoken.has(slot + d));
      if (flag >= SUSPECT || (taken && by !== CREW)) continue;
      if (!merged.has(atMs) || by === CREW) merged.set(atMs, value);
      mine.push(slot);
      first ??= by;
    }
    for (const slot of mine) spoken.add(slot);
  }
  const sorted = [...merged].sort(([a], [b]) => a - b);
  return { track: { atMs: sorted.map(([at]) => at), value: sorted.map(([, v]) => v) }, first };
}
