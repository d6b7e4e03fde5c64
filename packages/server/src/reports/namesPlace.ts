import { nameKey } from '@bluffwind/core/units/nameKey';
import type { EntityManager } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';

/** A position as people write it: degrees with a point or with minutes, north or west. */
const POSITION = /\d{1,3}[.,]\d{3,}|\d{1,3}\s*°(?!\s*[CF]\b)|\b\d{1,3}\s*(?:deg|degrees)\s+(?!C\b|F\b|warm|in\b)/i;
/** Shorter names are words of any sentence. */
const SHORTEST = 4;

/** What in a text gives a place away: a spot's name, however it is written, or a position; null where nothing does. */
export async function namesPlace(entities: EntityManager, text: string): Promise<string | null> {
  const position = POSITION.exec(text);
  if (position) return position[0];
  const said = nameKey(text);
  const spots = await entities.find(SpotEntity);
  return spots.find((s) => s.name.length >= SHORTEST && said.includes(nameKey(s.name)))?.name ?? null;
}
