import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { usualHull } from '@bluffwind/core/tackle/usualHull';
import { type EntityManager, IsNull } from 'typeorm';
import type { BoatRow } from '../db/entities/boats';
import { GearEntity } from '../db/entities/rigs';

/** What a boat shows to wind and water, m2: as its drift was timed, else guessed from seats and draught. */
export function hullOf({ windageM2, hullM2, seats, draughtM }: Pick<BoatRow, 'windageM2' | 'hullM2' | 'seats' | 'draughtM'>) {
  // On foot nothing drifts: the figures are of no use there and of no harm.
  const usual = usualHull(seats, draughtM || 0.3);
  return { windageM2: windageM2 ?? usual.windageM2, hullM2: hullM2 ?? usual.hullM2 };
}

/** Diameters of the crew's sea anchors, m, least first; the usual ones where none is listed. */
export async function anchorsOf(entities: EntityManager): Promise<{ readonly anchorsM: number[]; readonly usual: boolean }> {
  const rows = await entities.findBy(GearEntity, { kind: 'sea anchor', retiredAt: IsNull() });
  const sizes = [...new Set(rows.flatMap((g) => (g.stock === 0 || g.acrossMm === null ? [] : g.acrossMm / 1000)))].sort((a, b) => a - b);
  return sizes.length > 0 ? { anchorsM: sizes, usual: false } : { anchorsM: [...USUAL_BOX.anchorsM], usual: true };
}
