import type { SignSide } from '@bluffwind/contract/signSides';
import type { Tried } from '@bluffwind/contract/trialKinds';
import { TRIP_WORD_NAMES, type TripWordName, type TripWords } from '@bluffwind/contract/tripWords';
import type { FishMore } from '@bluffwind/contract/deck';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { PARTY_FIGURE_NAMES, type PartyFigureName, type PartyFigures } from '@bluffwind/core/plan/partyFigures';
import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { columnName } from '../columnName';

export type TripStatus = 'planned' | 'under way' | 'done' | 'cancelled';
export type Goal = 'numbers' | 'size' | 'table' | 'learn';

/** Columns of the figures that a party's plan has to respect. */
const figureColumns = Object.fromEntries(
  PARTY_FIGURE_NAMES.map((f) => [f, { type: 'int', name: columnName(f), nullable: true }]),
) as Record<PartyFigureName, EntitySchemaColumnOptions>;

/** Columns of what is written down of a trip. */
const wordColumns = Object.fromEntries(TRIP_WORD_NAMES.map((n) => [n, { type: 'text', name: columnName(n), default: '' }])) as Record<
  TripWordName,
  EntitySchemaColumnOptions
>;

export interface TripRow extends PartyFigures, TripWords {
  id: string;
  outfitId: string;
  boatId: string;
  captainId: string;
  waterId: string;
  startsAt: Date;
  endsAt: Date;
  goal: Goal;
  rods: number;
  skill: number;
  status: TripStatus;
  beganAt: Date | null;
  endedAt: Date | null;
  /** Hardest footing of a spot that the party manages, 1 to 3. */
  footing: number;
  breaks: { name: string; from: string; to: string }[];
  aboard: string[] | null;
  /** Share of the boat's limits that holds with children, first-timers or people who do not swim aboard. */
  limitShare: number;
  cancelReason: string;
  /** The file that it came with; null where it was made here. */
  importId: string | null;
  /** What the calendar calls it that its booking came from; null where it came from none. */
  booking: string | null;
}
export const TripEntity = new EntitySchema<TripRow>({
  name: 'trip',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    captainId: { type: 'uuid', name: 'captain_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    startsAt: { type: 'timestamptz', name: 'starts_at' },
    endsAt: { type: 'timestamptz', name: 'ends_at' },
    goal: { type: 'text' },
    rods: { type: 'int' },
    skill: { type: 'int' },
    status: { type: 'text' },
    beganAt: { type: 'timestamptz', name: 'began_at', nullable: true },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    ...figureColumns,
    footing: { type: 'int', default: 3 },
    breaks: { type: 'jsonb', default: [] },
    aboard: { type: 'uuid', array: true, nullable: true },
    limitShare: { type: 'double precision', name: 'limit_share', default: 0.75 },
    ...wordColumns,
    cancelReason: { type: 'text', name: 'cancel_reason', default: '' },
    booking: { type: 'text', nullable: true },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
  },
});

export interface TripSpeciesRow {
  tripId: string;
  speciesId: string;
  outfitId: string;
  weight: number;
}
export const TripSpeciesEntity = new EntitySchema<TripSpeciesRow>({
  name: 'trip_species',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    speciesId: { type: 'uuid', primary: true, name: 'species_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    weight: { type: 'double precision', default: 1 },
  },
});

export interface PartyRow {
  tripId: string;
  clientId: string;
  outfitId: string;
}
export const PartyEntity = new EntitySchema<PartyRow>({
  name: 'party',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    clientId: { type: 'uuid', primary: true, name: 'client_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
  },
});

/** A mate who is aboard on a trip. */
export interface TripMateRow {
  tripId: string;
  personId: string;
  outfitId: string;
}
export const TripMateEntity = new EntitySchema<TripMateRow>({
  name: 'trip_mate',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
  },
});

export interface PlanRow {
  id: string;
  outfitId: string;
  tripId: string;
  version: number;
  madeBy: string;
  madeAt: Date;
  expected: number;
  lo80: number;
  hi80: number;
  bound: number;
  proved: boolean;
  bans: string[];
  modelVersion: string;
  evidenceVersion: string;
  forecastRunAt: Date | null;
  options: unknown;
  basis: unknown;
  triggers: unknown;
  /** Minutes under way, the run home included; null where it is not known. */
  runMin: number | null;
  /** What it was laid without, since nobody had said it; seen by who kept it. */
  notKnown: string[];
}
export const PlanEntity = new EntitySchema<PlanRow>({
  name: 'plan',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    version: { type: 'int' },
    madeBy: { type: 'uuid', name: 'made_by' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    expected: { type: 'double precision' },
    lo80: { type: 'double precision' },
    hi80: { type: 'double precision' },
    bound: { type: 'double precision' },
    proved: { type: 'boolean' },
    bans: { type: 'uuid', array: true },
    modelVersion: { type: 'text', name: 'model_version' },
    evidenceVersion: { type: 'text', name: 'evidence_version' },
    forecastRunAt: { type: 'timestamptz', name: 'forecast_run_at', nullable: true },
    options: { type: 'jsonb', default: {} },
    basis: { type: 'jsonb', nullable: true },
    triggers: { type: 'jsonb', default: [] },
    runMin: { type: 'double precision', name: 'run_min', nullable: true },
    notKnown: { type: 'text', name: 'not_known', array: true, default: [] },
  },
});

export interface LegRow {
  id: string;
  outfitId: string;
  planId: string;
  position: number;
  spotId: string;
  presentationId: string;
  arriveAt: Date;
  startAt: Date;
  departAt: Date;
  expected: number;
  lo80: number;
  hi80: number;
  pinned: boolean;
  parts: unknown;
}
export const LegEntity = new EntitySchema<LegRow>({
  name: 'leg',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    planId: { type: 'uuid', name: 'plan_id' },
    position: { type: 'int' },
    spotId: { type: 'uuid', name: 'spot_id' },
    presentationId: { type: 'uuid', name: 'presentation_id' },
    arriveAt: { type: 'timestamptz', name: 'arrive_at' },
    startAt: { type: 'timestamptz', name: 'start_at' },
    departAt: { type: 'timestamptz', name: 'depart_at' },
    expected: { type: 'double precision' },
    lo80: { type: 'double precision' },
    hi80: { type: 'double precision' },
    pinned: { type: 'boolean' },
    parts: { type: 'jsonb', default: [] },
  },
});

export interface StopRow {
  id: string;
  outfitId: string;
  tripId: string;
  spotId: string;
  startedAt: Date;
  endedAt: Date | null;
  conditions: SpotConditions | null;
  deletedAt: Date | null;
}
export const StopEntity = new EntitySchema<StopRow>({
  name: 'stop',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    spotId: { type: 'uuid', name: 'spot_id' },
    startedAt: { type: 'timestamptz', name: 'started_at' },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    conditions: { type: 'jsonb', nullable: true },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export interface SetRow {
  id: string;
  outfitId: string;
  stopId: string;
  presentationId: string;
  rods: number;
  startedAt: Date;
  endedAt: Date | null;
  /** What a trial compares on these rods, and which of it they fish. */
  tried: Tried | null;
  arm: string | null;
}
export const SetEntity = new EntitySchema<SetRow>({
  name: 'set',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    stopId: { type: 'uuid', name: 'stop_id' },
    presentationId: { type: 'uuid', name: 'presentation_id' },
    rods: { type: 'int' },
    startedAt: { type: 'timestamptz', name: 'started_at' },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    tried: { type: 'text', nullable: true },
    arm: { type: 'text', nullable: true },
  },
});

export interface CatchRow {
  id: string;
  outfitId: string;
  setId: string;
  speciesId: string | null;
  clientId: string | null;
  at: Date;
  lengthMm: number | null;
  lengthKind: LengthKind;
  outcome: 'landed' | 'lost' | 'missed';
  kept: boolean;
  /** Told after it was logged: weight, hook, what it had eaten. */
  more: Omit<FishMore, 'speciesId' | 'clientId' | 'lengthMm' | 'lengthKind' | 'kept'>;
  deletedAt: Date | null;
}
export const CatchEntity = new EntitySchema<CatchRow>({
  name: 'catch',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    setId: { type: 'uuid', name: 'set_id' },
    speciesId: { type: 'uuid', name: 'species_id', nullable: true },
    clientId: { type: 'uuid', name: 'client_id', nullable: true },
    at: { type: 'timestamptz' },
    lengthMm: { type: 'int', name: 'length_mm', nullable: true },
    lengthKind: { type: 'text', name: 'length_kind' },
    outcome: { type: 'text' },
    kept: { type: 'boolean' },
    more: { type: 'jsonb', default: {} },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export interface SightingRow {
  id: string;
  outfitId: string;
  tripId: string;
  spotId: string | null;
  at: Date;
  kind: string;
  note: string;
  /** Depth of what was seen, m, and how it lay to the bottom. */
  depthM: number | null;
  relation: 'tight' | 'above' | null;
  /** Where it was set on the chart, and on which side of what stands there. */
  lat: number | null;
  lon: number | null;
  side: SignSide | null;
  deletedAt: Date | null;
}
export const SightingEntity = new EntitySchema<SightingRow>({
  name: 'sighting',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    spotId: { type: 'uuid', name: 'spot_id', nullable: true },
    at: { type: 'timestamptz' },
    kind: { type: 'text' },
    note: { type: 'text' },
    depthM: { type: 'double precision', name: 'depth_m', nullable: true },
    relation: { type: 'text', nullable: true },
    lat: { type: 'double precision', nullable: true },
    lon: { type: 'double precision', nullable: true },
    side: { type: 'text', nullable: true },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export interface BriefRow {
  id: string;
  outfitId: string;
  date: string;
  publishedAt: Date;
  publishedBy: string;
  body: unknown;
}
export const BriefEntity = new EntitySchema<BriefRow>({
  name: 'brief',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    date: { type: 'date' },
    publishedAt: { type: 'timestamptz', name: 'published_at' },
    publishedBy: { type: 'uuid', name: 'published_by' },
    body: { type: 'jsonb' },
  },
});

/** What a captain adds to a brief: about a trip, or about the outfit for everybody. */
export interface BriefWordRow {
  outfitId: string;
  date: string;
  about: string;
  text: string;
  by: string;
  at: Date;
}
export const BriefWordEntity = new EntitySchema<BriefWordRow>({
  name: 'brief_word',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    date: { type: 'date', primary: true },
    about: { type: 'uuid', primary: true },
    text: { type: 'text' },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});

export interface BriefReadRow {
  briefId: string;
  outfitId: string;
  personId: string;
  readAt: Date;
}
export const BriefReadEntity = new EntitySchema<BriefReadRow>({
  name: 'brief_read',
  columns: {
    briefId: { type: 'uuid', primary: true, name: 'brief_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    readAt: { type: 'timestamptz', name: 'read_at' },
  },
});
