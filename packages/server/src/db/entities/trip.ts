import { TRIP_WORD_NAMES, type TripWordName, type TripWords } from '@bluffwind/contract/tripWords';
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
