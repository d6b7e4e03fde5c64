import { EntitySchema } from 'typeorm';

/** What entries were before they became one. */
export interface MergedBefore {
  readonly what: 'entry' | 'fish';
  /** Rows of "set" that are gone. */
  readonly sets?: readonly Record<string, unknown>[];
  /** The one that is left, as it was. */
  readonly kept?: { readonly rods: number; readonly endedAt: string };
  /** Stops as they were. */
  readonly stops?: readonly { readonly id: string; readonly endedAt: string | null; readonly deleted: boolean }[];
  /** Where fish, times without lines and ways gone were. */
  readonly fish?: readonly { readonly id: string; readonly setId: string }[];
  readonly outs?: readonly { readonly id: string; readonly stopId: string }[];
  readonly ways?: readonly { readonly id: string; readonly stopId: string }[];
  /** Photos of the fish that is gone, and what the one that is left took from it. */
  readonly photos?: readonly string[];
  readonly told?: { readonly entryId: string; readonly fields: readonly string[] };
  readonly other?: string;
}

export interface LogMergeRow {
  id: string;
  outfitId: string;
  intoId: string;
  before: MergedBefore;
  at: Date;
  by: string;
}
export const LogMergeEntity = new EntitySchema<LogMergeRow>({
  name: 'log_merge',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    intoId: { type: 'uuid', name: 'into_id' },
    before: { type: 'jsonb' },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});

export interface LogMergedRow {
  id: string;
  outfitId: string;
  mergeId: string;
  kind: 'stop' | 'set' | 'catch';
  intoId: string;
}
export const LogMergedEntity = new EntitySchema<LogMergedRow>({
  name: 'log_merged',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    mergeId: { type: 'uuid', name: 'merge_id' },
    kind: { type: 'text' },
    intoId: { type: 'uuid', name: 'into_id' },
  },
});
