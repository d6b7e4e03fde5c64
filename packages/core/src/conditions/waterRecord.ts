import { type CurrentStation, currentModel } from '../tide/currentModel';
import { residualAt } from '../tide/residual';
import { subordinateTide, type TideDifferences } from '../tide/subordinate';
import { type HarmonicConstant, tideModel } from '../tide/tideModel';
import type { Series } from '../weather/series';
import type { VariableName } from '../weather/variables';
import type { WaterState } from './spotConditions';

/** Constants of a water's tide; with differences when it is a secondary port of the place the constants belong to. */
export interface TideRecord {
  readonly constants: readonly HarmonicConstant[];
  readonly z0M: number;
  readonly differences?: TideDifferences | null;
}

/** A water state as plain data, as it is stored and sent. */
export interface WaterRecord extends Omit<WaterState, 'tide' | 'levelAt' | 'currents'> {
  readonly tide: TideRecord | null;
  readonly currents: readonly CurrentStation[];
}

/** Brings a record to life: constants become models, the measured level a residual that fades. */
export function waterStateOf(record: WaterRecord): WaterState {
  const reference = record.tide ? tideModel(record.tide.constants, record.tide.z0M) : null;
  const tide = reference && record.tide?.differences ? subordinateTide(reference, record.tide.differences) : reference;
  const off = tide ? residualAt(tide, record.levelM) : null;
  return {
    ...record,
    tide,
    levelAt: tide && off ? (atMs) => tide.heightAt(atMs) + off(atMs) : null,
    currents: record.currents.map((station) => ({ station, model: currentModel(station) })),
  };
}

/** The record of one variable, or null where there is none; the wind, which is kept by its parts, is not among them. */
export function seriesOf(water: WaterState, variable: VariableName): Series | null {
  if (variable === 'waterLevelM') return water.levelM;
  // biome-ignore lint/plugin: the variables that a water holds by name are series, each or null.
  return variable in water ? ((water as unknown as Record<string, Series | null>)[variable] ?? null) : (water.others?.[variable] ?? null);
}
