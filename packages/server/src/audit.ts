import type { EntityManager } from 'typeorm';
import { AuditEntity } from './db/entities/outfit';
import type { Who } from './http/who';

/** Writes who did what to which thing; the application role can add to this record but not change it. */
export async function audit(
  entities: EntityManager,
  who: Pick<Who, 'outfitId' | 'personId'>,
  nowMs: number,
  action: string,
  subject: string,
  subjectId: string,
  detail: unknown,
): Promise<void> {
  await entities.insert(AuditEntity, {
    outfitId: who.outfitId,
    personId: who.personId,
    at: new Date(nowMs),
    action,
    subject,
    subjectId,
    detail: detail as object,
  });
}
