// Lines out of the water without the boat leaving: what fishes ends, and what fishes afterwards begins anew, so that no hour counts that
// was not fished.
import type { DeckEntry } from '@bluffwind/contract/deck';
import type { LinesOut } from '@bluffwind/core/turn/disturbances';
import { type EntityManager, In, LessThanOrEqual } from 'typeorm';
import { type DisturbanceRow, DisturbanceEntity } from '../db/entities/day';
import { Problem } from '../errors';
import { endSets } from './endAt';
import { insertOnce } from './insertOnce';

type Out = Extract<DeckEntry, { kind: 'lines-out' }>;
type Again = Extract<DeckEntry, { kind: 'lines-in' }>;

/** Ends what fishes at a stop. Sent again it ends nothing later. */
export async function linesOut(entities: EntityManager, outfitId: string, entry: Out): Promise<void> {
  const at = new Date(entry.at);
  const isNew = await insertOnce(
    entities,
    DisturbanceEntity,
    { id: entry.disturbanceId, outfitId, stopId: entry.stopId, what: entry.what, fromAt: at },
    (known) => known.stopId === entry.stopId && +known.fromAt === +at,
  );
  if (!isNew) return;
  await endSets(entities, { stopId: entry.stopId, startedAt: LessThanOrEqual(at) }, at);
}

/** Ends the time without lines. Throws Problem for one that this stop does not have. */
export async function linesIn(entities: EntityManager, entry: Again): Promise<void> {
  const [, known]: [unknown, number] = await entities.query(
    `update disturbance set to_at = least(coalesce(to_at, 'infinity'), greatest($3, from_at)) where id = $1 and stop_id = $2`,
    [entry.disturbanceId, entry.stopId, new Date(entry.at)],
  );
  if (known === 0) throw new Problem('not_found', 'disturbanceId: lines were not taken out so at this stop');
}

/** Times without lines of some stops, the first first. */
export async function outsOf(entities: EntityManager, stopIds: readonly string[]): Promise<DisturbanceRow[]> {
  if (stopIds.length === 0) return [];
  return entities.find(DisturbanceEntity, { where: { stopId: In([...stopIds]) }, order: { fromAt: 'ASC' } });
}

export const asOut = (row: DisturbanceRow): LinesOut => ({
  what: row.what,
  fromMs: row.fromAt.getTime(),
  toMs: row.toAt?.getTime() ?? null,
});
