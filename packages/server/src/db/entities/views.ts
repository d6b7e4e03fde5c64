// Views of the database that answer what many questions ask. Nothing is written to them: the application's role may only read them.
// They are declared as tables are, since TypeORM makes a table of its own for views that it is to make, and these are made by a migration.
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import type { Tried } from '@bluffwind/contract/trialKinds';
import { EntitySchema } from 'typeorm';
import type { TripStatus } from './trip';

/** A set that counts: finished, longer than two minutes, of no more than 200 rod-hours, at a spot that who asks may know of. */
export interface FishedRow {
  id: string;
  outfitId: string;
  stopId: string;
  tripId: string;
  spotId: string;
  spot: string;
  waterId: string;
  privacy: 'crew' | 'captain';
  presentationId: string;
  bait: string;
  familyId: string;
  rods: number;
  startedAt: Date;
  endedAt: Date;
  rodHours: number;
  conditions: SpotConditions | null;
  tried: Tried | null;
  arm: string | null;
  /** A miss is a bite. */
  bites: number;
  /** A lost fish was hooked. */
  hooked: number;
  /** Landed. */
  fish: number;
}
export const FishedEntity = new EntitySchema<FishedRow>({
  name: 'fished',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    stopId: { type: 'uuid', name: 'stop_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    spotId: { type: 'uuid', name: 'spot_id' },
    spot: { type: 'text' },
    waterId: { type: 'uuid', name: 'water_id' },
    privacy: { type: 'text' },
    presentationId: { type: 'uuid', name: 'presentation_id' },
    bait: { type: 'text' },
    familyId: { type: 'text', name: 'family_id' },
    rods: { type: 'int' },
    startedAt: { type: 'timestamptz', name: 'started_at' },
    endedAt: { type: 'timestamptz', name: 'ended_at' },
    rodHours: { type: 'double precision', name: 'rod_hours' },
    conditions: { type: 'jsonb', nullable: true },
    tried: { type: 'text', nullable: true },
    arm: { type: 'text', nullable: true },
    bites: { type: 'int' },
    hooked: { type: 'int' },
    fish: { type: 'int' },
  },
});

/** The newest plan of a trip. */
export interface PlanNowRow {
  id: string;
  outfitId: string;
  tripId: string;
  version: number;
  madeAt: Date;
  expected: number;
  lo80: number;
  hi80: number;
  forecastRunAt: Date | null;
  /** Minutes under way, the run home included; null where it is not known. */
  runMin: number | null;
}
export const PlanNowEntity = new EntitySchema<PlanNowRow>({
  name: 'plan_now',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tripId: { type: 'uuid', name: 'trip_id' },
    version: { type: 'int' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    expected: { type: 'double precision' },
    lo80: { type: 'double precision' },
    hi80: { type: 'double precision' },
    forecastRunAt: { type: 'timestamptz', name: 'forecast_run_at', nullable: true },
    runMin: { type: 'double precision', name: 'run_min', nullable: true },
  },
});

/** Somebody who goes out on a trip: its captain, or a mate. */
export interface DownForRow {
  tripId: string;
  personId: string;
  outfitId: string;
  boatId: string;
  status: TripStatus;
  startsAt: Date;
  endsAt: Date;
}
export const DownForEntity = new EntitySchema<DownForRow>({
  name: 'down_for',
  columns: {
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    status: { type: 'text' },
    startsAt: { type: 'timestamptz', name: 'starts_at' },
    endsAt: { type: 'timestamptz', name: 'ends_at' },
  },
});
