import { METRIC, type Units } from '@bluffwind/core/units/measure';
import type { EntityManager } from 'typeorm';
import type { PersonRow } from '../db/entities/people';
import { BriefEntity } from '../db/entities/brief';
import { briefPdf } from './briefPdf';
import { presentBrief } from './present';
import { isSent } from './sent';

/** A brief as it went out, as a file for one person, and by whom it was sent; null when none went out. */
export async function briefFileFor(
  entities: EntityManager,
  person: Pick<PersonRow, 'id' | 'outfitId' | 'role'>,
  date: string,
  units: Units = METRIC,
): Promise<{ bytes: Buffer; by: string } | null> {
  const row = await entities.findOneBy(BriefEntity, { date });
  if (!row || !isSent(row.body)) return null;
  const who = { personId: person.id, outfitId: person.outfitId, role: person.role };
  const view = await presentBrief(entities, date, who, row.body.parts, { sent: row.body });
  return { bytes: await briefPdf(view, units), by: view.publishedBy ?? '' };
}
