import type { GearAboard } from '@bluffwind/contract/aboard';
import { EntitySchema } from 'typeorm';

export interface BoatRow {
  id: string;
  outfitId: string;
  name: string;
  /** On foot nobody floats: the speed is a walking pace, and a cast from the bank reaches so far. */
  craft: 'boat' | 'foot';
  castM: number | null;
  /** Parking, permits, gates. */
  accessNote: string;
  hull: string;
  seats: number;
  speedMps: number;
  /** Speed left at its wave limit; half where null. */
  roughMps: number | null;
  draughtM: number;
  /** Limits that are null are not known. */
  windLimitMps: number | null;
  gustLimitMps: number | null;
  waveLimitM: number | null;
  tankL: number;
  burnLph: number;
  /** What it shows to the wind, and to the water across its drift, m2; null until somebody has said or timed it. */
  windageM2: number | null;
  hullM2: number | null;
  /** Lines of its own for the list before leaving. */
  checks: string[];
  /** What lies aboard, with the last day of what ends. */
  gear: GearAboard[];
  retiredAt: Date | null;
}

export const BoatEntity = new EntitySchema<BoatRow>({
  name: 'boat',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    craft: { type: 'text', default: 'boat' },
    castM: { type: 'double precision', name: 'cast_m', nullable: true },
    accessNote: { type: 'text', name: 'access_note', default: '' },
    hull: { type: 'text' },
    seats: { type: 'int' },
    speedMps: { type: 'double precision', name: 'speed_mps' },
    roughMps: { type: 'double precision', name: 'rough_mps', nullable: true },
    draughtM: { type: 'double precision', name: 'draught_m' },
    windLimitMps: { type: 'double precision', name: 'wind_limit_mps', nullable: true },
    gustLimitMps: { type: 'double precision', name: 'gust_limit_mps', nullable: true },
    waveLimitM: { type: 'double precision', name: 'wave_limit_m', nullable: true },
    tankL: { type: 'double precision', name: 'tank_l' },
    burnLph: { type: 'double precision', name: 'burn_lph' },
    windageM2: { type: 'double precision', name: 'windage_m2', nullable: true },
    hullM2: { type: 'double precision', name: 'hull_m2', nullable: true },
    checks: { type: 'text', array: true, default: [] },
    gear: { type: 'jsonb', default: [] },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

/** A boat's tank filled up: what it burned before does not count any more. */
export interface RefillRow {
  id: string;
  outfitId: string;
  boatId: string;
  at: Date;
  by: string;
}

export const RefillEntity = new EntitySchema<RefillRow>({
  name: 'refill',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});
