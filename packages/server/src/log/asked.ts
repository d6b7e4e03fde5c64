import type { logFilter } from '@bluffwind/contract/log';
import { addDays, startOfLocalDay } from '@bluffwind/core/units/time';
import type { z } from '@hono/zod-openapi';
import type { Who } from '../http/who';

type Filter = Omit<z.infer<typeof logFilter>, 'limit'>;

/** What is asked for of the log, of a set s and its spot sp; the species is $4, which the catches are held against. */
export const ASKED = `(sp.privacy = 'crew' or $7) and ($1::uuid is null or sp.water_id = $1) and ($2::uuid is null or sp.id = $2)
  and ($3::uuid is null or s.presentation_id = $3) and ($5::timestamptz is null or s.started_at >= $5)
  and ($6::timestamptz is null or s.started_at < $6)
  and ($8::uuid is null or s.trip_id in (select id from trip where boat_id = $8))
  and ($9::text is null or ($9 = 'in') = ((s.conditions->>'tideStage')::float8 < 0.5))
  and ($10::float8 is null or (s.conditions->>'windMps')::float8 >= $10) and ($11::float8 is null or (s.conditions->>'windMps')::float8 < $11)
  and ($12::text is null or ($12 = 'fish') = exists (select from "catch" gave where gave.set_id = s.id and gave.outcome = 'landed'
    and gave.deleted_at is null and ($4::uuid is null or gave.species_id = $4)))`;

/** How many values ASKED takes; what a question adds of its own comes after them. */
export const ASKED_VALUES = 12;

/** Winds by their names, m/s: Beaufort 3 begins at 3.4, 5 at 8.0 (WMO-No. 306). */
const WINDS = { light: [null, 3.4], breeze: [3.4, 8], strong: [8, null] } as const;

/** Its values. Captains' spots are nothing for mates. */
export function askedValues(q: Filter, who: Who, zone: string): unknown[] {
  return [
    q.waterId ?? null,
    q.spotId ?? null,
    q.presentationId ?? null,
    q.speciesId ?? null,
    q.from ? new Date(startOfLocalDay(q.from, zone)) : null,
    q.to ? new Date(startOfLocalDay(addDays(q.to, 1), zone)) : null,
    who.role !== 'mate',
    q.boatId ?? null,
    q.tide ?? null,
    ...(q.wind ? WINDS[q.wind] : [null, null]),
    q.gave ?? null,
  ];
}
