import type { RigChoice } from '@bluffwind/contract/rigs';
import type { GearKind } from '@bluffwind/core/tackle/gearKinds';
import { EntitySchema } from 'typeorm';

export interface GearRow {
  id: string;
  outfitId: string;
  kind: GearKind;
  name: string;
  massG: number | null;
  strengthKg: number | null;
  acrossMm: number | null;
  stock: number | null;
  cost: number | null;
  note: string;
  retiredAt: Date | null;
}
export const GearEntity = new EntitySchema<GearRow>({
  name: 'gear',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    kind: { type: 'text' },
    name: { type: 'text' },
    massG: { type: 'double precision', name: 'mass_g', nullable: true },
    strengthKg: { type: 'double precision', name: 'strength_kg', nullable: true },
    acrossMm: { type: 'double precision', name: 'across_mm', nullable: true },
    stock: { type: 'int', nullable: true },
    cost: { type: 'double precision', nullable: true },
    note: { type: 'text', default: '' },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

export interface BaitTrialRow {
  presentationId: string;
  outfitId: string;
  depthM: number | null;
  seconds: number | null;
  divesM: number | null;
  by: string;
  at: Date;
}
export const BaitTrialEntity = new EntitySchema<BaitTrialRow>({
  name: 'bait_trial',
  columns: {
    presentationId: { type: 'uuid', primary: true, name: 'presentation_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    depthM: { type: 'double precision', name: 'depth_m', nullable: true },
    seconds: { type: 'double precision', nullable: true },
    divesM: { type: 'double precision', name: 'dives_m', nullable: true },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});

export interface RigChoiceRow {
  tripId: string;
  spotId: string;
  presentationId: string;
  part: RigChoice['part'];
  outfitId: string;
  value: number;
  by: string;
  at: Date;
}
export const RigChoiceEntity = new EntitySchema<RigChoiceRow>({
  name: 'rig_choice',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    spotId: { type: 'uuid', primary: true, name: 'spot_id' },
    presentationId: { type: 'uuid', primary: true, name: 'presentation_id' },
    part: { type: 'text', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    value: { type: 'double precision' },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});

export interface RigTickRow {
  tripId: string;
  key: string;
  outfitId: string;
  done: boolean;
  by: string;
  at: Date;
}
export const RigTickEntity = new EntitySchema<RigTickRow>({
  name: 'rig_tick',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    key: { type: 'text', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    done: { type: 'boolean' },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});
