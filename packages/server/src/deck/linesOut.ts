// Lines out of the water without the boat leaving: what fishes ends, and what fishes afterwards begins anew, so that no hour counts that
// was not fished.
import type { DeckEntry } from '@bluffwind/contract/deck';
import type { LinesOut } from '@bluffwind/core/turn/disturbances';
import { type EntityManager, In } from 'typeorm';
import { type DisturbanceRow, DisturbanceEntity } from '../db/entities/day';
import { Problem } from '../errors';

type Out = Extract<DeckEntry, { kind: 'lines-out' }>;
type Again = Extract<DeckEntry, { kind: 'lines-in' }>;

/** Ends what fishes at a stop. Sent again it ends nothing later. */
export async function linesOut(entities: EntityManager, outfitId: string, entry: Out): Promise<void> {
  const at = new Date(entry.at);
  const made: unknown[] = await entities.query(
    `insert into disturbance (id, outfit_id, stop_id, what, from_at) values ($1, $2, $3, $4, $5) on conflict do nothing returning id`,
    [entry.disturbanceId, outfitId, entry.stopId, entry.what, at],
  );
  if (made.length === 0) {
    const known = await entities.findOneBy(DisturbanceEntity, { id: entry.disturbanceId });
    if (known?.stopId !== entry.stopId || +known.fromAt !== +at)
      throw new Problem(
        'conflict',
        'Another entry of the log has this key and says something else. Log it again: the phone makes a new key.',
      );
    return;
  }
  await entities.query(
    `update "set" set ended_at = greatest($2, started_at) where stop_id = $1 and ended_at is null and started_at <= $2`,
    [entry.stopId, at],
  );
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
