// Rise, set, transit and twilight by astronomy-engine: upper limb with 34' of refraction, civil twilight at -6 deg.
import { Body, Illumination, Observer, SearchAltitude, SearchHourAngle, SearchRiseSet } from 'astronomy-engine';
import { DAY } from '../units/time';

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

/**
 * Sun and moon events in the 24 h that begin at an instant (use the start of a local or UTC day).
 * @param fromMs - Start, Unix milliseconds.
 * @param lat - Degrees, -90 to 90. @param lon - Degrees east, -180 to 180.
 */
export function skyDay(fromMs: number, lat: number, lon: number): SkyDay {
  const observer = new Observer(lat, lon, 0);
  const start = new Date(fromMs);
  const within = (t: { date: Date } | null): number | null => {
    const ms = t?.date.getTime();
    return ms !== undefined && ms < fromMs + DAY ? ms : null;
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
