import type { TakenLeg } from '@bluffwind/contract/deck';
import type { DebriefEdit } from '@bluffwind/contract/debrief';
import type { Tried } from '@bluffwind/contract/trialKinds';
import type { ReportBody } from '@bluffwind/contract/report';
import type { Disturbance } from '@bluffwind/core/turn/disturbances';
import { EntitySchema } from 'typeorm';

export interface DepartureRow {
  tripId: string;
  outfitId: string;
  done: string[];
  left: string[];
  signedBy: string;
  dueAt: Date;
  ashore: string;
  at: Date;
  by: string;
}
export const DepartureEntity = new EntitySchema<DepartureRow>({
  name: 'departure',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    done: { type: 'text', array: true },
    left: { type: 'text', array: true, name: 'left_open' },
    signedBy: { type: 'text', name: 'signed_by' },
    dueAt: { type: 'timestamptz', name: 'due_at' },
    ashore: { type: 'text' },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});

/** What a trip compares on its rods. */
export interface TrialRow {
  tripId: string;
  outfitId: string;
  what: Tried | null;
  arms: string[];
  at: Date;
  by: string;
}
export const TrialEntity = new EntitySchema<TrialRow>({
  name: 'trial',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    what: { type: 'text', nullable: true },
    arms: { type: 'text', array: true },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});

/** The stops that are left of a trip as they were laid anew on deck; null when its plan holds again. */
export interface TripRestRow {
  tripId: string;
  outfitId: string;
  legs: TakenLeg[] | null;
  at: Date;
  by: string;
}
export const TripRestEntity = new EntitySchema<TripRestRow>({
  name: 'trip_rest',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    legs: { type: 'jsonb', nullable: true },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});

/** A part of the way that a boat went at a stop. */
export interface TrackPartRow {
  entryId: string;
  outfitId: string;
  stopId: string;
  at: Date;
  points: { lat: number; lon: number; atMs: number }[];
}
export const TrackPartEntity = new EntitySchema<TrackPartRow>({
  name: 'track_part',
  columns: {
    entryId: { type: 'uuid', primary: true, name: 'entry_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    stopId: { type: 'uuid', name: 'stop_id' },
    at: { type: 'timestamptz' },
    points: { type: 'jsonb' },
  },
});

/** One thing told of a fish after it was logged. */
export interface CatchToldRow {
  entryId: string;
  field: string;
  outfitId: string;
  catchId: string;
  value: unknown;
  at: Date;
  /** Null for what it was logged with. */
  by: string | null;
}
export const CatchToldEntity = new EntitySchema<CatchToldRow>({
  name: 'catch_told',
  columns: {
    entryId: { type: 'uuid', primary: true, name: 'entry_id' },
    field: { type: 'text', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    catchId: { type: 'uuid', name: 'catch_id' },
    value: { type: 'jsonb' },
    at: { type: 'timestamptz' },
    by: { type: 'uuid', nullable: true },
  },
});

export interface PhotoRow {
  id: string;
  outfitId: string;
  tripId: string;
  catchId: string | null;
  at: Date;
  by: string;
  bytes: Buffer;
}
export const PhotoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    catchId: { type: 'uuid', name: 'catch_id', nullable: true },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
    // Read where it is shown and nowhere else.
    bytes: { type: 'bytea', select: false },
  },
});

/** A time in which a stop was not fished. */
export interface DisturbanceRow {
  id: string;
  outfitId: string;
  stopId: string;
  what: Disturbance;
  fromAt: Date;
  toAt: Date | null;
}
export const DisturbanceEntity = new EntitySchema<DisturbanceRow>({
  name: 'disturbance',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    stopId: { type: 'uuid', name: 'stop_id' },
    what: { type: 'text' },
    fromAt: { type: 'timestamptz', name: 'from_at' },
    toAt: { type: 'timestamptz', name: 'to_at', nullable: true },
  },
});

export interface DebriefRow {
  tripId: string;
  outfitId: string;
  said: string;
  chips: DebriefEdit['chips'];
  lost: DebriefEdit['lost'];
  baitLeft: string;
  /** Pieces that it took out of the boxes when it was signed, by gear. */
  taken: Record<string, number>;
  signedAt: Date | null;
  signedBy: string | null;
  by: string;
  at: Date;
}
export const DebriefEntity = new EntitySchema<DebriefRow>({
  name: 'debrief',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    said: { type: 'text' },
    chips: { type: 'text', array: true },
    lost: { type: 'jsonb' },
    baitLeft: { type: 'text', name: 'bait_left' },
    taken: { type: 'jsonb', default: {} },
    signedAt: { type: 'timestamptz', name: 'signed_at', nullable: true },
    signedBy: { type: 'uuid', name: 'signed_by', nullable: true },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});

export interface ReportRow {
  id: string;
  outfitId: string;
  tripId: string;
  tokenHash: Buffer;
  body: ReportBody;
  madeBy: string;
  madeAt: Date;
  expiresAt: Date;
  openedAt: Date | null;
}
export const ReportEntity = new EntitySchema<ReportRow>({
  name: 'report',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    tokenHash: { type: 'bytea', name: 'token_hash' },
    body: { type: 'jsonb' },
    madeBy: { type: 'uuid', name: 'made_by' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    openedAt: { type: 'timestamptz', name: 'opened_at', nullable: true },
  },
});

export interface ReportLookRow {
  outfitId: string;
  name: string;
  colour: string;
  words: string;
  /** JPEG; read only where it is asked for. */
  logo: Buffer | null;
}
export const ReportLookEntity = new EntitySchema<ReportLookRow>({
  name: 'report_look',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    name: { type: 'text' },
    colour: { type: 'text' },
    words: { type: 'text' },
    logo: { type: 'bytea', nullable: true },
  },
});
