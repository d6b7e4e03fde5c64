import type { ImportView } from '@bluffwind/contract/imports';
import type { EntityManager } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { ImportEntity, type ImportRow } from '../db/entities/water';
import { namesOf } from '../db/namesOf';

/** Imports of a water, the newest first, a hundred at most. */
export async function importsOf(entities: EntityManager, waterId: string): Promise<ImportView[]> {
  return views(entities, await entities.find(ImportEntity, { where: { waterId }, order: { madeAt: 'DESC', id: 'ASC' }, take: 100 }));
}

/** One import; null where it is not known. */
export async function importOf(entities: EntityManager, id: string): Promise<ImportView | null> {
  const [view] = await views(entities, await entities.findBy(ImportEntity, { id }));
  return view ?? null;
}

async function views(entities: EntityManager, rows: readonly ImportRow[]): Promise<ImportView[]> {
  const people = await namesOf(entities, PersonEntity, rows, (r) => r.madeBy);
  return rows.map(({ id, kind, fileName, madeAt, madeBy, stored, known, refused, undoneAt }) => ({
    id,
    kind,
    fileName,
    madeAt: madeAt.toISOString(),
    by: people.get(madeBy) ?? '',
    stored,
    known,
    refused,
    undoneAt: undoneAt?.toISOString() ?? null,
  }));
}
