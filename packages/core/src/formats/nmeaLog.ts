// A recorded NMEA log as soundings and readings: each depth gets the position and time of its moment; temperature and true
// wind become readings, the middle value of each ten minutes.
import { HOUR, MINUTE } from '../units/time';
import { type NmeaFact, parseNmea } from './nmea';
import type { FileReading } from './readingsCsv';
import { quote, type Refused, requireSize } from './refused';
import { num } from '../units/indexed';

/** A sounding of a track: as sounded, below the transducer; offset to the surface when the sounder gave it. */
export interface TrackSounding {
  readonly lat: number;
  readonly lon: number;
  readonly soundedM: number;
  readonly offsetM: number | null;
  readonly atMs: number | null;
}

export interface NmeaLogRead {
  readonly soundings: readonly TrackSounding[];
  readonly readings: readonly FileReading[];
  readonly refused: readonly Refused[];
}

const DAY_MS = 24 * HOUR;
const STALE = 10_000;
/** Length over which readings are joined to their middle value. */
const BIN = 10 * MINUTE;
/** So many garbled lines are listed; more are only counted in the last. */
const LISTED = 200;

/** Collects sentences as they come, from a file or a wire. */
export class NmeaCollector {
  private position: { lat: number; lon: number; atMs: number | null; line: number } | null = null;
  private day: number | null = null;
  private last: number | null = null;
  readonly soundings: TrackSounding[] = [];
  private readonly bins = new Map<string, { variable: string; atMs: number; values: number[] }>();
  private line = 0;

  /** @param dateMs - Midnight UTC of the day, for logs without a date. @param binMs - Span of one reading, ms. */
  constructor(
    dateMs: number | null = null,
    private readonly binMs = BIN,
  ) {
    this.day = dateMs;
  }

  /** Takes a line; returns why it was refused, or null. */
  take(text: string): { reason: string; remedy: string } | null {
    this.line++;
    const parsed = parseNmea(text);
    if ('reason' in parsed) return parsed;
    if (parsed.fact) this.note(parsed.fact);
    return null;
  }

  /** The middle values of every span so far. @param untilMs - Only of spans that had ended by then. */
  readings(untilMs = Number.POSITIVE_INFINITY): FileReading[] {
    return [...this.bins.values()]
      .filter((b) => b.atMs + this.binMs / 2 <= untilMs)
      .map((b) => {
        const sorted = [...b.values].sort((x, y) => x - y);
        return { atMs: b.atMs, variable: b.variable, value: num(sorted, Math.floor(sorted.length / 2)) };
      })
      .sort((a, b) => a.atMs - b.atMs);
  }

  /** Newest instant heard, Unix ms. */
  get heardAt(): number | null {
    return this.last;
  }

  private note(f: NmeaFact): void {
    const at = this.timeOf(f);
    if (at !== null) this.last = at;
    if (f.kind === 'position' && f.lat !== undefined && f.lon !== undefined)
      this.position = { lat: f.lat, lon: f.lon, atMs: at ?? this.last, line: this.line };
    if (f.kind === 'depth' && f.depthM !== undefined && f.depthM > 0 && this.position) {
      const { lat, lon, atMs } = this.position;
      const old = this.last !== null && atMs !== null && this.last - atMs > STALE;
      if (!old && this.line - this.position.line < 60)
        this.soundings.push({
          lat,
          lon,
          soundedM: f.depthM,
          offsetM: f.offsetM !== undefined && f.offsetM > 0 ? f.offsetM : null,
          atMs: this.last,
        });
    }
    if (f.kind === 'water temperature' && f.tempC !== undefined) this.bin('waterTempC', f.tempC);
    if (f.kind === 'wind' && !f.relative && f.windMps !== undefined && f.windFromDeg !== undefined) {
      this.bin('windMps', f.windMps);
      this.bin('windFromDeg', f.windFromDeg % 360);
    }
  }

  private bin(variable: string, value: number): void {
    if (this.last === null) return;
    const atMs = Math.floor(this.last / this.binMs) * this.binMs + this.binMs / 2;
    const key = `${variable} ${atMs}`;
    const bin = this.bins.get(key) ?? { variable, atMs, values: [] };
    bin.values.push(value);
    this.bins.set(key, bin);
  }

  private timeOf(f: NmeaFact): number | null {
    if (f.atMs !== undefined) {
      this.day = Math.floor(f.atMs / DAY_MS) * DAY_MS;
      return f.atMs;
    }
    if (f.timeOfDayMs === undefined || this.day === null) return null;
    const at = this.day + f.timeOfDayMs;
    // Past midnight the date has not been told yet.
    if (this.last !== null && at < this.last - 12 * HOUR) {
      this.day += DAY_MS;
      return at + DAY_MS;
    }
    return at;
  }
}

/** Reads a whole log. @param dateMs - Midnight UTC of its first day, for logs whose sentences carry no date. */
export function readNmeaLog(text: string, dateMs: number | null = null): NmeaLogRead {
  requireSize(text.length);
  const collector = new NmeaCollector(dateMs);
  const refused: Refused[] = [];
  let garbled = 0;
  text.split(/\r\n|\n|\r/).forEach((line, i) => {
    if (line.trim() === '') return;
    const fault = collector.take(line);
    if (!fault) return;
    garbled++;
    if (garbled <= LISTED) refused.push({ line: i + 1, text: quote(line), ...fault });
  });
  return { soundings: collector.soundings, readings: collector.readings(), refused };
}
