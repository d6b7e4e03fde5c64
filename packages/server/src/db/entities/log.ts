import type { SignSide } from '@bluffwind/contract/signSides';
import type { Tried } from '@bluffwind/contract/trialKinds';
import type { FishMore } from '@bluffwind/contract/deck';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { EntitySchema } from 'typeorm';

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
