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
  },
});

export interface SpeciesRow {
  id: string;
  outfitId: string;
  name: string;
  habitat: 'salt' | 'fresh';
  lengthKind: 'total' | 'fork' | 'standard';
  sizeGoalMm: number | null;
  caution: string;
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
    caution: { type: 'text' },
  },
});

export interface FamilyRow {
  outfitId: string;
  id: string;
  name: string;
  depthMinM: number;
  depthMaxM: number;
  tempMinC: number;
  tempMaxC: number;
  coverRate: number;
  skill: number;
  snag: number;
  handling: string;
}
export const FamilyEntity = new EntitySchema<FamilyRow>({
  name: 'family',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    depthMinM: { type: 'double precision', name: 'depth_min_m' },
    depthMaxM: { type: 'double precision', name: 'depth_max_m' },
    tempMinC: { type: 'double precision', name: 'temp_min_c' },
    tempMaxC: { type: 'double precision', name: 'temp_max_c' },
    coverRate: { type: 'int', name: 'cover_rate' },
    skill: { type: 'int' },
    snag: { type: 'int' },
    handling: { type: 'text' },
  },
});

export interface PresentationRow {
  id: string;
  outfitId: string;
  familyId: string;
  name: string;
  habitat: 'salt' | 'fresh' | 'both';
  active: boolean;
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
  },
});
