import type { DeckStop } from '@bluffwind/contract/deck';
import { In, IsNull, type EntityManager } from 'typeorm';
import { outsOf } from './linesOut';
import { CatchToldEntity } from '../db/entities/day';
import { StopEntity, SetEntity, CatchEntity } from '../db/entities/log';

/** Stops of a trip with their sets and fish, as a phone holds them. */
export async function deckStops(entities: EntityManager, tripId: string): Promise<DeckStop[]> {
  const stops = await entities.find(StopEntity, { where: { tripId, deletedAt: IsNull() }, order: { startedAt: 'ASC', id: 'ASC' } });
  if (stops.length === 0) return [];
  // Rods that began together stay in the phone's order: its keys grow with time.
  const sets = await entities.find(SetEntity, { where: { stopId: In(stops.map((s) => s.id)) }, order: { startedAt: 'ASC', id: 'ASC' } });
  const catches = await entities.find(CatchEntity, {
    where: { setId: In(sets.map((s) => s.id)), deletedAt: IsNull() },
    order: { at: 'ASC' },
  });
  const outs = await outsOf(
    entities,
    stops.map((s) => s.id),
  );
  const toldAt = await timesTold(
    entities,
    catches.map((k) => k.id),
  );
  return stops.map((stop) => ({
    id: stop.id,
    spotId: stop.spotId,
    startedAt: stop.startedAt.toISOString(),
    endedAt: stop.endedAt?.toISOString() ?? null,
    outs: outs
      .filter((o) => o.stopId === stop.id)
      .map((o) => ({ id: o.id, what: o.what, fromAt: o.fromAt.toISOString(), toAt: o.toAt?.toISOString() ?? null })),
    sets: sets
      .filter((s) => s.stopId === stop.id)
      .map((s) => ({
        id: s.id,
        presentationId: s.presentationId,
        rods: s.rods,
        trial: s.tried && s.arm ? { what: s.tried, arm: s.arm } : null,
        startedAt: s.startedAt.toISOString(),
        endedAt: s.endedAt?.toISOString() ?? null,
        catches: catches
          .filter((k) => k.setId === s.id)
          .map((k) => ({
            id: k.id,
            speciesId: k.speciesId,
            clientId: k.clientId,
            at: k.at.toISOString(),
            lengthMm: k.lengthMm,
            outcome: k.outcome,
            kept: k.kept,
            more: k.more,
            toldAt: toldAt.get(k.id),
          })),
      })),
  }));
}

/** When each thing of each fish was told last. */
async function timesTold(entities: EntityManager, catchIds: readonly string[]): Promise<Map<string, Record<string, string>>> {
  const rows = await entities
    .createQueryBuilder(CatchToldEntity, 'w')
    .select('w.catchId', 'catchId')
    .addSelect('w.field', 'field')
    .addSelect('max(w.at)', 'at')
    .where({ catchId: In([...catchIds]) })
    .groupBy('w.catchId')
    .addGroupBy('w.field')
    .getRawMany<{ catchId: string; field: string; at: Date }>();
  const told = new Map<string, Record<string, string>>();
  for (const r of rows) told.set(r.catchId, { ...told.get(r.catchId), [r.field]: r.at.toISOString() });
  return told;
}
