import { ENVELOPE_SPANS, type StoredLimits } from '@bluffwind/core/catchrate/envelope';
import type { Hazard } from '@bluffwind/core/risk/hazard';
import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { columnName } from '../columnName';
import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';

export interface SpotRow {
  id: string;
  outfitId: string;
  waterId: string;
  name: string;
  structure: string;
  bottom: string;
  depthMinM: number;
  depthMaxM: number;
  lat: number;
  lon: number;
  shoreNormalDeg: number | null;
  fetchM: number[];
  accessDepthM: number | null;
  fadePerHour: number;
  privacy: 'crew' | 'captain';
  /** The captain who keeps it to himself and the owner; null when all captains know it. */
  keeperId: string | null;
  /** How it is walked or stood: 1 anyone, 2 sure feet, 3 a climb. */
  footing: number;
  shape: 'point' | 'line' | 'area';
  points: [number, number][];
  hazards: Hazard[];
  legality: string;
  restDays: number;
  pressure: number;
  note: string;
  heatOffsetC: number;
  heatSdC: number;
  heatReadings: number;
  importId: string | null;
  retiredAt: Date | null;
  mergedInto: string | null;
}
export const SpotEntity = new EntitySchema<SpotRow>({
  name: 'spot',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    name: { type: 'text' },
    structure: { type: 'text' },
    bottom: { type: 'text' },
    depthMinM: { type: 'double precision', name: 'depth_min_m' },
    depthMaxM: { type: 'double precision', name: 'depth_max_m' },
    lat: { type: 'double precision' },
    lon: { type: 'double precision' },
    shoreNormalDeg: { type: 'double precision', name: 'shore_normal_deg', nullable: true },
    fetchM: { type: 'int', name: 'fetch_m', array: true },
    accessDepthM: { type: 'double precision', name: 'access_depth_m', nullable: true },
    fadePerHour: { type: 'double precision', name: 'fade_per_hour' },
    privacy: { type: 'text' },
    keeperId: { type: 'uuid', name: 'keeper_id', nullable: true },
    footing: { type: 'int', default: 1 },
    shape: { type: 'text', default: 'point' },
    points: { type: 'jsonb' },
    hazards: { type: 'jsonb', default: [] },
    legality: { type: 'text', default: '' },
    restDays: { type: 'int', name: 'rest_days', default: 0 },
    pressure: { type: 'int', default: 1 },
    note: { type: 'text', default: '' },
    heatOffsetC: { type: 'double precision', name: 'heat_offset_c', default: 0 },
    heatSdC: { type: 'double precision', name: 'heat_sd_c', default: 0.6 },
    heatReadings: { type: 'int', name: 'heat_readings', default: 0 },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
    mergedInto: { type: 'uuid', name: 'merged_into', nullable: true },
  },
});

export interface FeatureRow {
  id: string;
  outfitId: string;
  waterId: string;
  kind: 'part' | 'no-go' | 'no-wake' | 'track' | 'passage';
  name: string;
  points: [number, number][];
  detail: { writtenOff?: { reason: string; on: string } | null; limitMps?: number; chartedDepthM?: number };
  madeAt: Date;
  madeBy: string | null;
  importId: string | null;
  removedAt: Date | null;
}
export const FeatureEntity = new EntitySchema<FeatureRow>({
  name: 'ground_feature',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    kind: { type: 'text' },
    name: { type: 'text' },
    points: { type: 'jsonb' },
    detail: { type: 'jsonb' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    madeBy: { type: 'uuid', name: 'made_by', nullable: true },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});

export interface SurveyRow {
  id: string;
  outfitId: string;
  waterId: string;
  name: string;
  source: 'file' | 'instrument';
  importId: string | null;
  instrumentId: string | null;
  madeAt: Date;
  tideCorrected: boolean;
  lat: number[];
  lon: number[];
  depthM: number[];
  grid: unknown;
  withdrawnAt: Date | null;
}
export const SurveyEntity = new EntitySchema<SurveyRow>({
  name: 'survey',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    name: { type: 'text' },
    source: { type: 'text' },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
    instrumentId: { type: 'uuid', name: 'instrument_id', nullable: true },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    tideCorrected: { type: 'boolean', name: 'tide_corrected' },
    lat: { type: 'double precision', array: true },
    lon: { type: 'double precision', array: true },
    depthM: { type: 'double precision', name: 'depth_m', array: true },
    grid: { type: 'jsonb', nullable: true },
    withdrawnAt: { type: 'timestamptz', name: 'withdrawn_at', nullable: true },
  },
});

export interface DismissalRow {
  id: string;
  outfitId: string;
  waterId: string;
  kind: string;
  lat: number;
  lon: number;
  madeAt: Date;
  madeBy: string;
}
export const DismissalEntity = new EntitySchema<DismissalRow>({
  name: 'dismissal',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    kind: { type: 'text' },
    lat: { type: 'double precision' },
    lon: { type: 'double precision' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    madeBy: { type: 'uuid', name: 'made_by' },
  },
});

export interface SpeciesRow {
  id: string;
  outfitId: string;
  name: string;
  habitat: 'salt' | 'fresh';
  lengthKind: LengthKind;
  sizeGoalMm: number | null;
  /** Usual lengths from least to most, mm. */
  leastMm: number | null;
  mostMm: number | null;
  caution: string;
  retiredAt: Date | null;
}
export const SpeciesEntity = new EntitySchema<SpeciesRow>({
  name: 'species',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    habitat: { type: 'text' },
    lengthKind: { type: 'text', name: 'length_kind' },
    sizeGoalMm: { type: 'int', name: 'size_goal_mm', nullable: true },
    leastMm: { type: 'int', name: 'least_mm', nullable: true },
    mostMm: { type: 'int', name: 'most_mm', nullable: true },
    caution: { type: 'text' },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

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

export interface RuleRow {
  id: string;
  outfitId: string;
  speciesId: string;
  zone: string | null;
  body: unknown;
  source: string;
  checkedOn: string;
  removedAt: Date | null;
}
export const RuleEntity = new EntitySchema<RuleRow>({
  name: 'rule',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    speciesId: { type: 'uuid', name: 'species_id' },
    zone: { type: 'text', nullable: true },
    body: { type: 'jsonb' },
    source: { type: 'text' },
    checkedOn: { type: 'date', name: 'checked_on' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});

/** Bait that went in at a spot, or is to go in. */
export interface FeedingRow {
  id: string;
  outfitId: string;
  spotId: string;
  at: Date;
  what: string;
  kg: number;
  cost: number;
  /** False while it is planned. */
  done: boolean;
  personId: string;
  removedAt: Date | null;
}
export const FeedingEntity = new EntitySchema<FeedingRow>({
  name: 'feeding',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    spotId: { type: 'uuid', name: 'spot_id' },
    at: { type: 'timestamptz' },
    what: { type: 'text' },
    kg: { type: 'double precision' },
    cost: { type: 'double precision' },
    done: { type: 'boolean' },
    personId: { type: 'uuid', name: 'person_id' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});
