import type { Hazard } from '@bluffwind/core/risk/hazard';
import { EntitySchema } from 'typeorm';

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
