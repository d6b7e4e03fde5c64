// Rise, set, transit and twilight by astronomy-engine: upper limb with 34' of refraction, civil twilight at -6 deg,
// nautical at -12, golden light between -4 and 6.
import { Body, Illumination, MoonPhase, Observer, SearchAltitude, SearchHourAngle, SearchRiseSet } from 'astronomy-engine';
import { DAY } from '../units/time';
import { nth } from '../units/indexed';

/** Events of one day, Unix milliseconds; null when the event does not happen. */
export interface SkyDay {
  readonly sunrise: number | null;
  readonly sunset: number | null;
  readonly civilDawn: number | null;
  readonly civilDusk: number | null;
  readonly moonrise: number | null;
  readonly moonset: number | null;
  readonly moonTransit: number | null;
  /** Lit share of the moon's disc at the middle of the day, 0 to 1. */
  readonly moonIllumination: number;
}

const at = (t: { date: Date } | null) => t?.date.getTime() ?? null;

/**
 * Sun and moon events in the 24 h that begin at an instant (use the start of a local or UTC day).
 * @param fromMs - Start, Unix milliseconds.
 * @param lat - Degrees, -90 to 90. @param lon - Degrees east, -180 to 180.
 */
export function skyDay(fromMs: number, lat: number, lon: number): SkyDay {
  const observer = new Observer(lat, lon, 0);
  const start = new Date(fromMs);
  const within = (t: { date: Date } | null): number | null => {
    const ms = at(t);
    return ms !== null && ms < fromMs + DAY ? ms : null;
  };
  return {
    sunrise: within(SearchRiseSet(Body.Sun, observer, +1, start, 1)),
    sunset: within(SearchRiseSet(Body.Sun, observer, -1, start, 1)),
    civilDawn: within(SearchAltitude(Body.Sun, observer, +1, start, 1, -6)),
    civilDusk: within(SearchAltitude(Body.Sun, observer, -1, start, 1, -6)),
    moonrise: within(SearchRiseSet(Body.Moon, observer, +1, start, 1)),
    moonset: within(SearchRiseSet(Body.Moon, observer, -1, start, 1)),
    moonTransit: within(SearchHourAngle(Body.Moon, observer, 0, start).time),
    moonIllumination: Illumination(Body.Moon, new Date(fromMs + DAY / 2)).phase_fraction,
  };
}

/** Light and moon of one day beyond rise and set. */
export interface LightDay {
  readonly nauticalDawn: number | null;
  readonly nauticalDusk: number | null;
  /** Golden light, sun from -4 to 6 degrees, morning and evening; null when it does not happen. */
  readonly goldenMorning: readonly [number, number] | null;
  readonly goldenEvening: readonly [number, number] | null;
  /** Sunrise to sunset, hours; null at the poles' long days and nights. */
  readonly dayLengthH: number | null;
  /** When the moon stands lowest, opposite its transit. */
  readonly moonUnderfoot: number | null;
  readonly moonPhase: MoonName;
}

/** Phases as said, from new through full. */
export type MoonName =
  | 'new moon'
  | 'waxing crescent'
  | 'first quarter'
  | 'waxing gibbous'
  | 'full moon'
  | 'waning gibbous'
  | 'last quarter'
  | 'waning crescent';

const NAMES: readonly MoonName[] = [
  'new moon',
  'waxing crescent',
  'first quarter',
  'waxing gibbous',
  'full moon',
  'waning gibbous',
  'last quarter',
  'waning crescent',
];

/** Light and moon of the 24 h that begin at an instant; arguments as for {@link skyDay}. */
export function lightDay(fromMs: number, lat: number, lon: number): LightDay {
  const observer = new Observer(lat, lon, 0);
  const start = new Date(fromMs);
  const height = (direction: 1 | -1, deg: number) => {
    const ms = at(SearchAltitude(Body.Sun, observer, direction, start, 1, deg));
    return ms !== null && ms < fromMs + DAY ? ms : null;
  };
  const span = (a: number | null, b: number | null): readonly [number, number] | null =>
    a !== null && b !== null && a < b ? [a, b] : null;
  const day = skyDay(fromMs, lat, lon);
  const underfoot = at(SearchHourAngle(Body.Moon, observer, 12, start).time);
  return {
    nauticalDawn: height(1, -12),
    nauticalDusk: height(-1, -12),
    goldenMorning: span(height(1, -4), height(1, 6)),
    goldenEvening: span(height(-1, 6), height(-1, -4)),
    dayLengthH: day.sunrise !== null && day.sunset !== null ? ((day.sunset - day.sunrise) / 3_600_000 + 48) % 24 : null,
    moonUnderfoot: underfoot !== null && underfoot < fromMs + DAY ? underfoot : null,
    moonPhase: nth(NAMES, Math.round(MoonPhase(new Date(fromMs + DAY / 2)) / 45) % 8),
  };
}
