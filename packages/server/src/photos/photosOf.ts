import type { photoList } from '@bluffwind/contract/photos';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { PhotoEntity } from '../db/entities/day';
import { stopOfCatch } from '../deck/stopOf';
import { Problem } from '../errors';

/** Bytes that all photos of the outfit take, and how many the trip has. */
export async function spaceTaken(entities: EntityManager, tripId: string): Promise<{ size: number; photos: number }> {
  const taken = await entities
    .createQueryBuilder(PhotoEntity, 'p')
    .select('coalesce(sum(octet_length(p.bytes)), 0)::float8', 'size')
    .addSelect('count(*) filter (where p.tripId = :tripId)::int', 'photos')
    .setParameter('tripId', tripId)
    .getRawOne<{ size: number; photos: number }>();
  return taken ?? { size: 0, photos: 0 };
}

/** Photos of a trip in the order in which they were taken, without their bytes. */
export async function photosOf(entities: EntityManager, tripId: string): Promise<z.infer<typeof photoList>['photos']> {
  const photos = await entities
    .createQueryBuilder(PhotoEntity, 'p')
    .select('p.id', 'id')
    .addSelect('p.catchId', 'catchId')
    .addSelect('p.at', 'at')
    .addSelect('octet_length(p.bytes)', 'bytes')
    .where({ tripId })
    .orderBy('p.at')
    .addOrderBy('p.id')
    .getRawMany<{ id: string; catchId: string | null; at: Date; bytes: number }>();
  return photos.map((p) => ({ ...p, at: p.at.toISOString() }));
}

/** Refuses a fish that is not of a trip. */
export async function requireOfTrip(entities: EntityManager, catchId: string, tripId: string): Promise<void> {
  if ((await stopOfCatch(entities, catchId))?.tripId !== tripId)
    throw new Problem('not_found', 'catchId: no such fish on this trip', [{ field: 'catchId', message: 'no such fish' }]);
}
