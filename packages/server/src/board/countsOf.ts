import type { Beginnings } from '@bluffwind/contract/outfit';
import type { EntityManager } from 'typeorm';

/** How much of each thing an outfit has, its sample left aside; `sample` is what it is called, "none" where one could be had, null where none can. */
export async function countsOf(entities: EntityManager, maySample: boolean): Promise<Beginnings> {
  const [row] = await entities.query(
    `with s as (select water_id, boat_id from sample),
           own as (select * from water where id not in (select water_id from s)),
           live as (select * from own where retired_at is null)
         select (select count(*)::int from live) as waters,
          (select count(*)::int from chart_layer l join live w on w.id = l.water_id
            where l.kind = 'bed' and exists (select from jsonb_array_elements(l.data->'depthM') d where jsonb_typeof(d) = 'number')) as shores,
          (select count(*)::int from survey v join live w on w.id = v.water_id where v.withdrawn_at is null) as surveys,
          (select count(*)::int from live where tide is not null) as tides,
          (select count(*)::int from (select from reading r join live w on w.id = r.water_id where withdrawn_at is null limit 1000) r) as readings,
          (select count(*)::int from boat where retired_at is null and id not in (select boat_id from s)) as boats,
          (select count(*)::int from spot p join live w on w.id = p.water_id where p.retired_at is null) as spots,
          (select count(*)::int from species where retired_at is null) as species,
          (select count(*)::int from presentation where active) as baits,
          (select count(*)::int from person where active) as people,
          (select count(*)::int from client where retired_at is null) as clients,
          (select count(*)::int from rule where removed_at is null) as rules,
          (select count(*)::int from trip t join own w on w.id = t.water_id where t.status <> 'cancelled') as trips,
          (select count(*)::int from plan p join trip t on t.id = p.trip_id join own w on w.id = t.water_id) as plans,
          (select count(*)::int from stop p join trip t on t.id = p.trip_id join own w on w.id = t.water_id where p.deleted_at is null) as stops,
          coalesce((select to_jsonb(x) from (select w.name as water, b.name as boat from s join water w on w.id = s.water_id
            join boat b on b.id = s.boat_id) x), $1::jsonb) as sample`,
    [maySample ? JSON.stringify('none') : null],
  );
  return row;
}
