// What is still open for tonight and tomorrow, the gravest first.
import { endingWords, gearEnding } from '@bluffwind/core/departure/gearEnding';
import { said, saidDay, saidTime } from '@bluffwind/core/units/measure';
import { addDays } from '@bluffwind/core/units/time';
import { type EntityManager, IsNull } from 'typeorm';
import { openTicks } from '../brief/kept';
import { unreadBriefs } from '../brief/unread';
import { endingPapers, paperWords } from '../crew/papers';
import { BoatEntity } from '../db/entities/boats';
import { feedsDue } from '../grounds/feeds';
import type { Who } from '../http/who';
import type { crossedTriggers } from '../plan/alerts';
import type { overdueBoats } from '../trips/overdue';
import type { tripViews } from '../trips/tripViews';

type View = Awaited<ReturnType<typeof tripViews>>[number];
export interface Open {
  readonly tripId: string | null;
  readonly text: string;
}

export interface Evening {
  readonly who: Who;
  readonly now: number;
  /** Today's date in the outfit's zone. */
  readonly date: string;
  readonly zone: string;
  readonly today: readonly View[];
  readonly tomorrow: readonly View[];
  readonly overdue: Awaited<ReturnType<typeof overdueBoats>>;
  /** What has changed in the water since a plan was made. */
  readonly crossed: Awaited<ReturnType<typeof crossedTriggers>>;
}

/** All that is open, of trips first and then of the outfit. */
export async function openThings(entities: EntityManager, evening: Evening): Promise<Open[]> {
  const { today, tomorrow, zone, overdue, crossed } = evening;
  const trips = [...today, ...tomorrow];
  const words = (id: string, text: string): Open[] =>
    trips.filter((t) => t.id === id).map((t) => ({ tripId: id, text: of(t, zone, text) }));
  return [
    ...overdue.map((o) => ({ tripId: o.tripId, text: `${o.boat} is overdue: it was to be back at ${saidTime(o.dueAt.getTime(), zone)}` })),
    ...crossed.flatMap((a) => words(a.tripId, a.text)),
    ...trips.filter((t) => t.status === 'planned').flatMap((t) => notReady(t, zone)),
    ...(await stillToTick(entities, evening)),
    ...(await notRead(entities, evening)),
    ...(await ofOutfit(entities, evening)),
  ];
}

const of = (t: View, zone: string, text: string) => `${t.boat.name} ${saidTime(Date.parse(t.startsAt), zone)}: ${text}`;

function notReady(t: View, zone: string): Open[] {
  const missing = [
    t.plan ? (t.plan.stale ? 'a newer forecast is in since the plan was made' : null) : 'no plan yet',
    t.guests.length === 0 ? 'no guests named' : null,
  ];
  return missing.flatMap((text) => (text === null ? [] : [{ tripId: t.id, text: of(t, zone, text) }]));
}

/** Things of tomorrow's lists that nobody has ticked. */
async function stillToTick(entities: EntityManager, { date, tomorrow, zone }: Evening): Promise<Open[]> {
  return (await openTicks(entities, addDays(date, 1))).flatMap(({ tripId, all, done }) => {
    const trip = tomorrow.find((t) => t.id === tripId && t.status === 'planned' && t.plan);
    return trip && done < all ? [{ tripId, text: of(trip, zone, `${all - done} of ${all} things still to tie, get ready or load`) }] : [];
  });
}

async function notRead(entities: EntityManager, { date, tomorrow, zone }: Evening): Promise<Open[]> {
  return (await unreadBriefs(entities, addDays(date, 1))).flatMap(({ tripId, people }) => {
    const trip = tomorrow.find((t) => t.id === tripId && t.status === 'planned');
    return trip ? [{ tripId: null, text: of(trip, zone, `the brief is not read by ${people.join(', ')}`) }] : [];
  });
}

/** Feeds that are due, papers and gear that end. */
async function ofOutfit(entities: EntityManager, { who, now, date, zone }: Evening): Promise<Open[]> {
  const feeds = await feedsDue(entities, now, who.role);
  const papers = await endingPapers(entities, date, who.role === 'owner' ? null : who.personId);
  const boats = await entities.findBy(BoatEntity, { retiredAt: IsNull() });
  const texts = [
    ...feeds.map(
      (f) => `Feed ${f.spot}: ${said(f.kg, 'weight', 1)}${f.what ? ` ${f.what}` : ''}, planned for ${saidDay(f.at.getTime(), zone)}`,
    ),
    ...papers.map((p) => paperWords(p, date)),
    ...boats.flatMap((b) => gearEnding(b.gear, date).map((g) => `Aboard ${b.name}: ${endingWords(g, date)}`)),
  ];
  return texts.map((text) => ({ tripId: null, text }));
}
