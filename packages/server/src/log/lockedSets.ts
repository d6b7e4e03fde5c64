import type { EntityManager } from 'typeorm';

export interface LockedSet {
  readonly id: string;
  readonly presentationId: string;
  readonly spot: string;
  /** Its water is fresh. */
  readonly fresh: boolean;
}

/** Those of the entries that are in the log still, held until the end of the transaction. */
export async function lockedSets(entities: EntityManager, ids: readonly string[]): Promise<LockedSet[]> {
  return entities.query(
    `select s.id, s.presentation_id as "presentationId", sp.name as spot, w.kind = 'fresh' as fresh
         from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null join spot sp on sp.id = st.spot_id
         join water w on w.id = sp.water_id where s.id = any($1) for update of s`,
    [ids],
  );
}
