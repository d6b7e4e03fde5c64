import type { logFilter } from '@bluffwind/contract/log';
import { addDays, startOfLocalDay } from '@bluffwind/core/units/time';
import type { z } from '@hono/zod-openapi';
import type { Who } from '../http/who';

type Filter = Omit<z.infer<typeof logFilter>, 'limit'>;

/** What is asked for of the log, of a set s and its spot sp; the species is $4, which the catches are held against. */
export const ASKED = `(sp.privacy = 'crew' or $7) and ($1::uuid is null or sp.water_id = $1) and ($2::uuid is null or sp.id = $2)
  and ($3::uuid is null or s.presentation_id = $3) and ($5::timestamptz is null or s.started_at >= $5)
  and ($6::timestamptz is null or s.started_at < $6)`;

/** Its values, $1 to $7. Captains' spots are nothing for mates. */
export function askedValues(q: Filter, who: Who, zone: string): unknown[] {
  return [
    q.waterId ?? null,
    q.spotId ?? null,
    q.presentationId ?? null,
    q.speciesId ?? null,
    q.from ? new Date(startOfLocalDay(q.from, zone)) : null,
    q.to ? new Date(startOfLocalDay(addDays(q.to, 1), zone)) : null,
    who.role !== 'mate',
  ];
}
