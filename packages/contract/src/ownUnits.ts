import { UNIT_CHOICES, type Units } from '@bluffwind/core/units/measure';
import { z } from 'zod';

const choice = <K extends keyof Units>(of: K) => z.enum(UNIT_CHOICES[of] as unknown as [Units[K], ...Units[K][]]);

/** What somebody reads figures, times and dates in. */
export const ownUnits = z
  .object({
    depth: choice('depth'),
    speed: choice('speed'),
    temp: choice('temp'),
    length: choice('length'),
    mass: choice('mass'),
    distance: choice('distance'),
    volume: choice('volume'),
    pressure: choice('pressure'),
    clock: choice('clock'),
    dates: choice('dates'),
  })
  .strict();
