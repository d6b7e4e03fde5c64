// Papers that end and days away: what of them matters on a day.
import type { PAPER_KINDS } from '@bluffwind/contract/paperKinds';
import { saidDate } from '@bluffwind/core/units/measure';
import { addDays, daysBetween } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';

/** A paper that ends is told so long before. */
const WARN_DAYS = 60;

export interface PaperOf {
  readonly personId: string;
  readonly person: string;
  readonly kind: (typeof PAPER_KINDS)[number];
  readonly name: string;
  readonly endsOn: string;
}

/** What a paper is called in a sentence. */
export const paperName = (p: Pick<PaperOf, 'kind' | 'name'>): string =>
  p.name !== '' ? p.name : p.kind === 'other' ? 'paper' : p.kind === 'medical' ? 'medical certificate' : p.kind;

/** Papers of people who are still here that end within two months of a day, or have ended; of one person or of all. */
export async function endingPapers(entities: EntityManager, today: string, personId: string | null): Promise<PaperOf[]> {
  return entities.query(
    `select p.person_id as "personId", x.name as person, p.kind, p.name, p.ends_on::text as "endsOn"
     from paper p join person x on x.id = p.person_id and x.active
     where p.removed_at is null and p.ends_on <= $1 and ($2::uuid is null or p.person_id = $2)
       -- One that was renewed has a later one of its kind and name.
       and not exists (select from paper q where q.person_id = p.person_id and q.kind = p.kind and q.name = p.name
         and q.removed_at is null and q.ends_on > p.ends_on)
     order by p.ends_on, x.name`,
    [addDays(today, WARN_DAYS), personId],
  );
}

/** A line for the wall about a paper. */
export function paperWords(p: PaperOf, today: string): string {
  const days = daysBetween(today, p.endsOn);
  const when =
    days < 0
      ? `ended on ${saidDate(p.endsOn)}`
      : days === 0
        ? 'ends today'
        : days === 1
          ? 'ends tomorrow'
          : `ends on ${saidDate(p.endsOn)}`;
  return `${p.person}: ${paperName(p)} ${when}`;
}

/** Who of some people is away on one of two days, by name. */
export async function awayOn(entities: EntityManager, personIds: readonly string[], from: string, to: string) {
  const rows: { personId: string; person: string; fromOn: string; toOn: string }[] = await entities.query(
    `select a.person_id as "personId", x.name as person, a.from_on::text as "fromOn", a.to_on::text as "toOn"
     from away a join person x on x.id = a.person_id
     where a.removed_at is null and a.person_id = any($1) and a.from_on <= $3 and a.to_on >= $2 order by x.name`,
    [personIds, from, to],
  );
  return rows;
}
