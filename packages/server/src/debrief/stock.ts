// What was lost leaves the boxes when the captain signs the day off, and comes back when he opens it again.
import type { DebriefEdit } from '@bluffwind/contract/debrief';
import { type EntityManager, In, IsNull, Not, Raw } from 'typeorm';
import { PresentationEntity } from '../db/entities/baits';
import { GearEntity } from '../db/entities/rigs';
import { SetEntity, StopEntity } from '../db/entities/log';

/** Takes what was lost out of the stock of gear of that name; none falls below nothing. @returns Pieces taken, by gear. */
export async function takeLost(entities: EntityManager, lost: DebriefEdit['lost']): Promise<Record<string, number>> {
  const taken: Record<string, number> = {};
  for (const { what, number } of lost) {
    const row = await entities.findOne(GearEntity, {
      where: { name: Raw((name) => `lower(${name}) = lower(:what)`, { what }), retiredAt: IsNull(), stock: Not(IsNull()) },
      order: { id: 'ASC' },
      lock: { mode: 'pessimistic_write' },
    });
    const pieces = Math.min(number, row?.stock ?? 0);
    if (!row || pieces === 0) continue;
    await entities.decrement(GearEntity, { id: row.id }, 'stock', pieces);
    taken[row.id] = (taken[row.id] ?? 0) + pieces;
  }
  return taken;
}

/** Puts it back. */
export async function putBack(entities: EntityManager, taken: Readonly<Record<string, number>>): Promise<void> {
  for (const [id, pieces] of Object.entries(taken)) await entities.increment(GearEntity, { id, stock: Not(IsNull()) }, 'stock', pieces);
}

/** Names by which things are lost: the baits fished on a trip, then what is in the boxes. */
export async function tackleNames(entities: EntityManager, tripId: string): Promise<string[]> {
  const stops = await entities.findBy(StopEntity, { tripId, deletedAt: IsNull() });
  const sets = await entities.findBy(SetEntity, { stopId: In(stops.map((s) => s.id)) });
  const baits = await entities.find(PresentationEntity, {
    where: { id: In(sets.map((s) => s.presentationId)) },
    order: { name: 'ASC' },
  });
  const gear = await entities.find(GearEntity, { where: { retiredAt: IsNull() }, order: { name: 'ASC' } });
  return [...new Set([...baits, ...gear].map((x) => x.name))];
}
