import type { photoList } from '@bluffwind/contract/photos';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { Problem } from '../errors';

/** Bytes that all photos of the outfit take, and how many the trip has. */
export async function spaceTaken(entities: EntityManager, tripId: string): Promise<{ size: number; photos: number }> {
  const [row] = await entities.query(
    `select coalesce(sum(octet_length(bytes)), 0)::float8 as size, count(*) filter (where trip_id = $1)::int as photos from photo`,
    [tripId],
  );
  return row;
}

/** Photos of a trip in the order in which they were taken, without their bytes. */
export async function photosOf(entities: EntityManager, tripId: string): Promise<z.infer<typeof photoList>['photos']> {
  const rows: { id: string; catch_id: string | null; at: Date; size: number }[] = await entities.query(
    'select id, catch_id, at, octet_length(bytes) as size from photo where trip_id = $1 order by at, id',
    [tripId],
  );
  return rows.map((r) => ({ id: r.id, catchId: r.catch_id, at: r.at.toISOString(), bytes: r.size }));
}

/** Refuses a fish that is not of a trip. */
export async function requireOfTrip(entities: EntityManager, catchId: string, tripId: string): Promise<void> {
  const [row] = await entities.query(
    'select from "catch" c join "set" s on s.id = c.set_id join stop st on st.id = s.stop_id where c.id = $1 and st.trip_id = $2',
    [catchId, tripId],
  );
  if (!row) throw new Problem('not_found', 'catchId: no such fish on this trip', [{ field: 'catchId', message: 'no such fish' }]);
}
