import { ENVELOPE_SPANS, type StoredLimits } from '@bluffwind/core/catchrate/envelope';
import { columnName } from '../columnName';
import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';

/** Columns of the limits of a family. */
const limitColumns = Object.fromEntries(
  ENVELOPE_SPANS.flatMap((s) =>
    [s.lo, s.hi].map((f) => [f, { type: 'double precision', name: columnName(f), nullable: s.start === null }]),
  ),
) as Record<keyof StoredLimits, EntitySchemaColumnOptions>;

export interface FamilyRow extends StoredLimits {
  outfitId: string;
  id: string;
  name: string;
  coverRate: number;
  skill: number;
  snag: number;
  handling: string;
  light: number[];
  cover: string[];
  months: number[];
  zone: 'bottom' | 'middle' | 'surface';
  look: string;
  rods: number;
  costPerHour: number;
  forage: string[];
}

export const FamilyEntity = new EntitySchema<FamilyRow>({
  name: 'family',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    ...limitColumns,
    coverRate: { type: 'int', name: 'cover_rate' },
    skill: { type: 'int' },
    snag: { type: 'int' },
    handling: { type: 'text' },
    light: { type: 'int', array: true, default: [] },
    cover: { type: 'text', array: true, default: [] },
    months: { type: 'int', array: true, default: [] },
    zone: { type: 'text', default: 'middle' },
    look: { type: 'text', default: 'natural' },
    rods: { type: 'int', default: 1 },
    costPerHour: { type: 'double precision', name: 'cost_per_hour', default: 0 },
    forage: { type: 'text', array: true, default: [] },
  },
});

export interface PresentationRow {
  id: string;
  outfitId: string;
  familyId: string;
  name: string;
  habitat: 'salt' | 'fresh' | 'both';
  active: boolean;
  sizeMm: number | null;
  weightG: number | null;
  colour: string;
  leaderKg: number | null;
  retrieve: string;
  pauseS: number | null;
  look: string | null;
  /** Trips of the crew that one day's bait lasts for; null for any number. */
  tripsADay: number | null;
}

export const PresentationEntity = new EntitySchema<PresentationRow>({
  name: 'presentation',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    familyId: { type: 'text', name: 'family_id' },
    name: { type: 'text' },
    habitat: { type: 'text' },
    active: { type: 'boolean', default: true },
    sizeMm: { type: 'double precision', name: 'size_mm', nullable: true },
    weightG: { type: 'double precision', name: 'weight_g', nullable: true },
    colour: { type: 'text', default: '' },
    leaderKg: { type: 'double precision', name: 'leader_kg', nullable: true },
    retrieve: { type: 'text', default: '' },
    pauseS: { type: 'double precision', name: 'pause_s', nullable: true },
    look: { type: 'text', nullable: true },
    tripsADay: { type: 'int', name: 'trips_a_day', nullable: true },
  },
});
