import type { DataSource } from 'typeorm';

/** Keys of all outfits, for work that goes through them one by one; a job sees one outfit at a time like anybody else. */
export async function outfitIds(source: DataSource): Promise<string[]> {
  const rows: { id: string }[] = await source.query('select id from outfit_ids()');
  return rows.map((r) => r.id);
}
