import type { StationReading } from '@bluffwind/contract/stations';
import type { TideRecord } from '@bluffwind/core/conditions/waterRecord';
import type { CurrentStation } from '@bluffwind/core/tide/currentModel';
import { EntitySchema } from 'typeorm';

export interface WaterRow {
  id: string;
  outfitId: string;
  name: string;
  kind: 'salt' | 'fresh';
  ruleZone: string;
  lat: number;
  lon: number;
  dockLat: number;
  dockLon: number;
  tide: TideRecord | null;
  currents: CurrentStation[];
  retiredAt: Date | null;
}
export const WaterEntity = new EntitySchema<WaterRow>({
  name: 'water',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    kind: { type: 'text' },
    ruleZone: { type: 'text', name: 'rule_zone' },
    lat: { type: 'double precision' },
    lon: { type: 'double precision' },
    dockLat: { type: 'double precision', name: 'dock_lat' },
    dockLon: { type: 'double precision', name: 'dock_lon' },
    tide: { type: 'jsonb', nullable: true },
    currents: { type: 'jsonb' },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

export interface ChartLayerRow {
  id: string;
  outfitId: string;
  waterId: string;
  kind: 'bed' | 'marks';
  data: unknown;
}
export const ChartLayerEntity = new EntitySchema<ChartLayerRow>({
  name: 'chart_layer',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    kind: { type: 'text' },
    data: { type: 'jsonb' },
  },
});

export interface StationRow {
  id: string;
  outfitId: string;
  waterId: string;
  name: string;
  path: string;
  lat: number;
  lon: number;
  polledTo: Date | null;
  lastError: string | null;
  failures: number;
  nextTryAt: Date | null;
  lastGoodAt: Date | null;
  /** Address that the crew gave, and how its answer is read; null for stations of the shipped kind. */
  url: string | null;
  reading: StationReading | null;
  removedAt: Date | null;
}
export const StationEntity = new EntitySchema<StationRow>({
  name: 'station',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    name: { type: 'text' },
    path: { type: 'text' },
    lat: { type: 'double precision' },
    lon: { type: 'double precision' },
    polledTo: { type: 'timestamptz', name: 'polled_to', nullable: true },
    lastError: { type: 'text', name: 'last_error', nullable: true },
    failures: { type: 'int', default: 0 },
    nextTryAt: { type: 'timestamptz', name: 'next_try_at', nullable: true },
    lastGoodAt: { type: 'timestamptz', name: 'last_good_at', nullable: true },
    url: { type: 'text', nullable: true },
    reading: { type: 'jsonb', nullable: true },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});

export interface ImportRow {
  id: string;
  outfitId: string;
  waterId: string;
  kind: 'readings' | 'places' | 'soundings' | 'trips';
  fileName: string;
  madeAt: Date;
  madeBy: string;
  stored: number;
  known: number;
  refused: number;
  undoneAt: Date | null;
  undoneBy: string | null;
}
export const ImportEntity = new EntitySchema<ImportRow>({
  name: 'import',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    kind: { type: 'text' },
    fileName: { type: 'text', name: 'file_name' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    madeBy: { type: 'uuid', name: 'made_by' },
    stored: { type: 'int' },
    known: { type: 'int' },
    refused: { type: 'int' },
    undoneAt: { type: 'timestamptz', name: 'undone_at', nullable: true },
    undoneBy: { type: 'uuid', name: 'undone_by', nullable: true },
  },
});

export interface InstrumentRow {
  id: string;
  outfitId: string;
  boatId: string;
  waterId: string;
  name: string;
  address: string | null;
  transducerM: number;
  lastHeardAt: Date | null;
  lastError: string | null;
  removedAt: Date | null;
}
export const InstrumentEntity = new EntitySchema<InstrumentRow>({
  name: 'instrument',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    name: { type: 'text' },
    address: { type: 'text', nullable: true },
    transducerM: { type: 'double precision', name: 'transducer_m' },
    lastHeardAt: { type: 'timestamptz', name: 'last_heard_at', nullable: true },
    lastError: { type: 'text', name: 'last_error', nullable: true },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});

export interface ReadingRow {
  id: string;
  outfitId: string;
  waterId: string;
  stationId: string | null;
  personId: string | null;
  source: 'station' | 'crew' | 'import' | 'instrument';
  variable: string;
  at: Date;
  value: number;
  flag: number;
  supersededBy: string | null;
  key: string | null;
  spotId: string | null;
  importId: string | null;
  instrumentId: string | null;
  note: string;
  withdrawnAt: Date | null;
}
export const ReadingEntity = new EntitySchema<ReadingRow>({
  name: 'reading',
  columns: {
    id: { type: 'bigint', primary: true, generated: 'increment' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    stationId: { type: 'uuid', name: 'station_id', nullable: true },
    personId: { type: 'uuid', name: 'person_id', nullable: true },
    source: { type: 'text' },
    variable: { type: 'text' },
    at: { type: 'timestamptz' },
    value: { type: 'double precision' },
    flag: { type: 'smallint' },
    supersededBy: { type: 'bigint', name: 'superseded_by', nullable: true },
    key: { type: 'uuid', nullable: true },
    spotId: { type: 'uuid', name: 'spot_id', nullable: true },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
    instrumentId: { type: 'uuid', name: 'instrument_id', nullable: true },
    note: { type: 'text', default: '' },
    withdrawnAt: { type: 'timestamptz', name: 'withdrawn_at', nullable: true },
  },
});

export interface ForecastRow {
  id: string;
  outfitId: string;
  stationId: string;
  runAt: Date;
  fetchedAt: Date;
  /** The file that it came with; null where a station told it. */
  importId: string | null;
}
export const ForecastEntity = new EntitySchema<ForecastRow>({
  name: 'forecast',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    stationId: { type: 'uuid', name: 'station_id' },
    runAt: { type: 'timestamptz', name: 'run_at' },
    fetchedAt: { type: 'timestamptz', name: 'fetched_at' },
    importId: { type: 'uuid', name: 'import_id', nullable: true },
  },
});

export interface ForecastMemberRow {
  forecastId: string;
  outfitId: string;
  member: number;
  variable: string;
  at: Date[];
  value: number[];
}
export const ForecastMemberEntity = new EntitySchema<ForecastMemberRow>({
  name: 'forecast_member',
  columns: {
    forecastId: { type: 'uuid', primary: true, name: 'forecast_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    member: { type: 'int', primary: true },
    variable: { type: 'text', primary: true },
    at: { type: 'timestamptz', array: true },
    value: { type: 'double precision', array: true },
  },
});

export interface PictureRow {
  id: string;
  outfitId: string;
  waterId: string;
  name: string;
  widthPx: number;
  heightPx: number;
  lon: [number, number, number];
  lat: [number, number, number];
  /** JPEG; read only where it is asked for. */
  bytes: Buffer;
  madeAt: Date;
}
export const PictureEntity = new EntitySchema<PictureRow>({
  name: 'water_picture',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    name: { type: 'text' },
    widthPx: { type: 'int', name: 'width_px' },
    heightPx: { type: 'int', name: 'height_px' },
    lon: { type: 'double precision', array: true },
    lat: { type: 'double precision', array: true },
    bytes: { type: 'bytea', select: false },
    madeAt: { type: 'timestamptz', name: 'made_at' },
  },
});
