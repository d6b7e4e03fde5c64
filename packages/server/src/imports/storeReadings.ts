import { qualityFlags } from '@bluffwind/core/weather/quality';
import { isVariable, VARIABLES } from '@bluffwind/core/weather/variables';
import type { EntityManager } from 'typeorm';
import { bulkInsert } from '../db/bulk';
import { Problem } from '../errors';
import type { Who } from '../http/who';

/** Readings of a file as columns of one length. */
export interface ReadingColumns {
  readonly atMs: readonly number[];
  readonly variable: readonly string[];
  readonly value: readonly number[];
}

/** Stores a file's readings, flagged as one sensor each; those that were imported before are counted, not stored again. */
export async function storeImportedReadings(
  entities: EntityManager,
  who: Who,
  waterId: string,
  importId: string,
  columns: ReadingColumns,
): Promise<{ stored: number; known: number }> {
  const unknown = columns.variable.findIndex((v) => !isVariable(v));
  if (unknown >= 0)
    throw new Problem('invalid', `reading ${unknown + 1} is of "${columns.variable[unknown]}", which is not known`, [
      { field: `variable.${unknown}`, message: `one of ${Object.keys(VARIABLES).join(', ')}` },
    ]);
  let stored = 0;
  let known = 0;
  for (const variable of new Set(columns.variable)) {
    const all = columns.atMs
      .map((atMs, i) => ({ atMs, value: columns.value[i] as number, of: columns.variable[i] }))
      .filter((r) => r.of === variable)
      .sort((a, b) => a.atMs - b.atMs);
    const flags = qualityFlags(variable, all);
    const there: { at: Date }[] = await entities.query(
      `select distinct r.at from reading r join unnest($3::timestamptz[], $4::float8[]) as x (at, value) on r.at = x.at and r.value = x.value
       where r.water_id = $1 and r.variable = $2 and r.source = 'import' and r.withdrawn_at is null`,
      [waterId, variable, all.map((r) => new Date(r.atMs)), all.map((r) => r.value)],
    );
    const seen = new Set(there.map((t) => t.at.getTime()));
    const fresh = all.map((r, i) => ({ ...r, flag: flags[i] as number })).filter((r) => !seen.has(r.atMs));
    known += all.length - fresh.length;
    const fill = <T>(v: T) => fresh.map(() => v);
    stored += await bulkInsert(entities, 'reading', {
      outfit_id: ['uuid', fill(who.outfitId)],
      water_id: ['uuid', fill(waterId)],
      person_id: ['uuid', fill(who.personId)],
      import_id: ['uuid', fill(importId)],
      source: ['text', fill('import')],
      variable: ['text', fill(variable)],
      at: ['timestamptz', fresh.map((r) => new Date(r.atMs))],
      value: ['double precision', fresh.map((r) => r.value)],
      flag: ['smallint', fresh.map((r) => r.flag)],
    });
  }
  return { stored, known };
}
