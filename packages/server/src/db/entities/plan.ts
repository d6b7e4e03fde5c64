import { EntitySchema } from 'typeorm';

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
