// The chart of a water: the bed with surveys laid over it, marks, and what the crew has drawn.
import type { Grid, Mark } from '@bluffwind/contract/grounds';
import { bedOf, overlaySurveys } from '@bluffwind/core/ground/overlay';
import { insideRing } from '@bluffwind/core/ground/polygon';
import type { Passage } from '@bluffwind/core/ground/barCells';
import type { RunAreas } from '@bluffwind/core/ground/navigate';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { type EntityManager, IsNull } from 'typeorm';
import { FeatureEntity, type FeatureRow, SurveyEntity } from '../db/entities/grounds';
import { ChartLayerEntity } from '../db/entities/water';
import { found } from '../http/context';

/** A survey without its soundings. */
export interface SurveyHead {
  readonly id: string;
  readonly name: string;
  readonly source: 'file' | 'instrument';
  readonly madeAt: Date;
  readonly soundings: number;
  readonly tideCorrected: boolean;
  readonly grid: Grid | null;
}

/** Surveys of a water that have not been withdrawn, oldest first. */
export async function surveysOf(entities: EntityManager, waterId: string): Promise<SurveyHead[]> {
  return entities
    .createQueryBuilder(SurveyEntity, 's')
    .select('s.id', 'id')
    .addSelect('s.name', 'name')
    .addSelect('s.source', 'source')
    .addSelect('s.madeAt', 'madeAt')
    .addSelect('cardinality(s.lat)', 'soundings')
    .addSelect('s.tideCorrected', 'tideCorrected')
    .addSelect('s.grid', 'grid')
    .where({ waterId, withdrawnAt: IsNull() })
    .orderBy('s.madeAt')
    .addOrderBy('s.id')
    .getRawMany<SurveyHead>();
}

/** The charted grid alone, as stored. */
export async function chartedGrid(entities: EntityManager, waterId: string): Promise<Grid> {
  return found(await entities.findOneBy(ChartLayerEntity, { waterId, kind: 'bed' }), 'chart').data as Grid;
}

/** Marks of the chart. */
export async function marksOf(entities: EntityManager, waterId: string): Promise<Mark[]> {
  const layer = await entities.findOneBy(ChartLayerEntity, { waterId, kind: 'marks' });
  return (layer?.data ?? []) as Mark[];
}

/** The bed that everything is computed on, and a name for its state. */
export async function effectiveBed(entities: EntityManager, waterId: string): Promise<{ bed: SeaBed; version: string }> {
  const charted = bedOf(await chartedGrid(entities, waterId));
  const surveys = (await surveysOf(entities, waterId)).filter((s) => s.grid !== null);
  return {
    bed: overlaySurveys(
      charted,
      surveys.map((s) => bedOf(s.grid as Grid)),
    ),
    version: surveys.map((s) => s.id).join(),
  };
}

/** What the crew has drawn on a water and not removed. */
export async function featuresOf(entities: EntityManager, waterId: string): Promise<FeatureRow[]> {
  return entities.find(FeatureEntity, { where: { waterId, removedAt: IsNull() }, order: { madeAt: 'ASC', id: 'ASC' } });
}

/** Areas that bar or slow a run. */
export function runAreas(features: readonly FeatureRow[]): RunAreas {
  return {
    noGo: features.filter((f) => f.kind === 'no-go').map((f) => f.points),
    noWake: features.filter((f) => f.kind === 'no-wake').map((f) => ({ ring: f.points, limitMps: f.detail.limitMps ?? 2.6 })),
  };
}

/** Passages that the crew has charted: what a run over them is held to. */
export function passagesOf(features: readonly FeatureRow[]): Passage[] {
  return features
    .filter((f) => f.kind === 'passage' && f.detail.chartedDepthM !== undefined)
    .map((f) => ({ name: f.name, points: f.points, chartedDepthM: f.detail.chartedDepthM as number }));
}

/** Why the part of a water that a place lies in is written off, or null. */
export function writtenOffAt(features: readonly FeatureRow[], place: { lat: number; lon: number }): string | null {
  for (const f of features) {
    const off = f.kind === 'part' ? f.detail.writtenOff : null;
    if (off && insideRing(f.points, [place.lon, place.lat])) return `${f.name}: ${off.reason} (${off.on})`;
  }
  return null;
}
