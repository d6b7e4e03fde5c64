import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { EntitySchema } from 'typeorm';

export interface SpeciesRow {
  id: string;
  outfitId: string;
  name: string;
  habitat: 'salt' | 'fresh';
  lengthKind: LengthKind;
  sizeGoalMm: number | null;
  /** Usual lengths from least to most, mm. */
  leastMm: number | null;
  mostMm: number | null;
  caution: string;
  retiredAt: Date | null;
}

export const SpeciesEntity = new EntitySchema<SpeciesRow>({
  name: 'species',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    habitat: { type: 'text' },
    lengthKind: { type: 'text', name: 'length_kind' },
    sizeGoalMm: { type: 'int', name: 'size_goal_mm', nullable: true },
    leastMm: { type: 'int', name: 'least_mm', nullable: true },
    mostMm: { type: 'int', name: 'most_mm', nullable: true },
    caution: { type: 'text' },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

export interface RuleRow {
  id: string;
  outfitId: string;
  speciesId: string;
  zone: string | null;
  body: unknown;
  source: string;
  checkedOn: string;
  removedAt: Date | null;
}

export const RuleEntity = new EntitySchema<RuleRow>({
  name: 'rule',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    speciesId: { type: 'uuid', name: 'species_id' },
    zone: { type: 'text', nullable: true },
    body: { type: 'jsonb' },
    source: { type: 'text' },
    checkedOn: { type: 'date', name: 'checked_on' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});
