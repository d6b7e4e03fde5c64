// Papers that end and days away: what of them matters on a day.
import type { PAPER_KINDS } from '@bluffwind/contract/paperKinds';
import { saidDate } from '@bluffwind/core/units/measure';
import { addDays, daysBetween } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull, LessThanOrEqual, MoreThanOrEqual } from 'typeorm';
import { AwayEntity, PaperEntity, type PaperRow, PersonEntity } from '../db/entities/people';
import { namesOf } from '../db/namesOf';

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
  const papers = await entities.find(PaperEntity, {
    where: { removedAt: IsNull(), ...(personId === null ? {} : { personId }) },
    order: { endsOn: 'ASC' },
  });
  const people = await entities.findBy(PersonEntity, { id: In(papers.map((p) => p.personId)), active: true });
  const until = addDays(today, WARN_DAYS);
  // One that was renewed has a later one of its kind and name.
  const renewed = (p: PaperRow) =>
    papers.some((q) => q.personId === p.personId && q.kind === p.kind && q.name === p.name && q.endsOn > p.endsOn);
  return papers
    .filter((p) => p.endsOn <= until && !renewed(p))
    .flatMap(({ personId, kind, name, endsOn }) => {
      const person = people.find((x) => x.id === personId);
      return person ? [{ personId, person: person.name, kind, name, endsOn }] : [];
    })
    .sort((a, b) => a.endsOn.localeCompare(b.endsOn) || a.person.localeCompare(b.person));
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
  const away = await entities.findBy(AwayEntity, {
    removedAt: IsNull(),
    personId: In([...personIds]),
    fromOn: LessThanOrEqual(to),
    toOn: MoreThanOrEqual(from),
  });
  const names = await namesOf(entities, PersonEntity, away, (a) => a.personId);
  return away
    .map(({ personId, fromOn, toOn }) => ({ personId, person: names.get(personId) ?? '', fromOn, toOn }))
    .sort((a, b) => a.person.localeCompare(b.person));
}
