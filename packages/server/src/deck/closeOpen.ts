import type { EntityManager } from 'typeorm';

/** Ends stops that run since before an instant (all but one, or one only), with their sets; sent again it ends nothing later. */
export async function closeOpen(
  entities: EntityManager,
  tripId: string,
  at: Date,
  { only = null, except = null }: { only?: string | null; except?: string | null } = {},
): Promise<void> {
  const which = 'st.trip_id = $1 and st.started_at <= $2 and ($3::uuid is null or st.id = $3) and ($4::uuid is null or st.id <> $4) and';
  const values = [tripId, at, only, except];
  await entities.query(
    `update "set" s set ended_at = greatest($2, s.started_at) from stop st where st.id = s.stop_id and ${which} s.ended_at is null`,
    values,
  );
  await entities.query(
    `update disturbance d set to_at = greatest($2, d.from_at) from stop st where st.id = d.stop_id and ${which} d.to_at is null`,
    values,
  );
  await entities.query(`update stop st set ended_at = greatest($2, st.started_at) where ${which} st.ended_at is null`, values);
}
