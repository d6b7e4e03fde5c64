import type { ImportView } from '@bluffwind/contract/imports';
import type { EntityManager } from 'typeorm';

export async function importsOf(entities: EntityManager, waterId: string, only: string | null = null): Promise<ImportView[]> {
  const rows: (Omit<ImportView, 'madeAt' | 'undoneAt' | 'fileName'> & { file_name: string; made_at: Date; undone_at: Date | null })[] =
    await entities.query(
      `select i.id, i.kind, i.file_name, i.made_at, p.name as by, i.stored, i.known, i.refused, i.undone_at
     from import i join person p on p.id = i.made_by where ($1::uuid is null or i.water_id = $1) and ($2::uuid is null or i.id = $2)
     order by i.made_at desc, i.id limit 100`,
      [only ? null : waterId, only],
    );
  return rows.map(({ file_name, made_at, undone_at, ...r }) => ({
    ...r,
    fileName: file_name,
    madeAt: made_at.toISOString(),
    undoneAt: undone_at?.toISOString() ?? null,
  }));
}

export async function importOf(entities: EntityManager, importId: string): Promise<ImportView | null> {
  return (await importsOf(entities, '', importId))[0] ?? null;
}
