import { type HarmonicConstant, tideModel } from '../tide/tideModel';
import type { Series } from '../weather/series';
import type { WindSeries } from '../weather/wind';
import type { WaterState } from './spotConditions';

/** A water state as plain data, as it is stored and sent. */
export interface WaterRecord extends Omit<WaterState, 'tide'> {
  readonly tide: { readonly constants: readonly HarmonicConstant[]; readonly z0M: number } | null;
  readonly wind: WindSeries | null;
  readonly waterTempC: Series | null;
}

/** Brings a record to life: the harmonic constants become a tide model. */
export function waterStateOf(record: WaterRecord): WaterState {
  return { ...record, tide: record.tide ? tideModel(record.tide.constants, record.tide.z0M) : null };
}
