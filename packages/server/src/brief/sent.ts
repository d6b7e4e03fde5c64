// A brief as it went out: what it was made from is stored with it, so that it can be read again as it was, by each with his own eyes.
import type { BriefView } from '@bluffwind/contract/brief';
import type { EntityManager } from 'typeorm';
import { BriefWordEntity } from '../db/entities/brief';
import { PlanEntity } from '../db/entities/plan';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import type { BriefParts } from './parts';

/** What is stored of a brief when it goes out. */
export interface SentBrief {
  readonly parts: BriefParts;
  /** Version of each trip's plan; a trip without one is missing. */
  readonly plans: Readonly<Record<string, number>>;
  /** What captains added, by the trip or the outfit that it is about. */
  readonly words: Readonly<Record<string, string>>;
}

/** Whether a stored body is one; those of earlier versions held what one person read. */
export function isSent(body: unknown): body is SentBrief {
  return typeof body === 'object' && body !== null && 'parts' in body && 'plans' in body && 'words' in body;
}

/** What captains have added to a date's brief so far, by trip or outfit. */
export async function wordsOn(entities: EntityManager, date: string): Promise<Record<string, string>> {
  const rows = await entities.findBy(BriefWordEntity, { date });
  return Object.fromEntries(rows.map((r) => [r.about, r.text]));
}

/** What is to be stored of a date's brief that goes out now. */
export async function sentNow(entities: EntityManager, outfitId: string, date: string, parts: BriefParts): Promise<SentBrief> {
  const trips = await tripsOn(entities, date, await zoneOf(entities, outfitId));
  const plans: Record<string, number> = {};
  for (const { id } of trips) {
    const [plan] = await entities.find(PlanEntity, { where: { tripId: id }, order: { version: 'DESC' }, take: 1 });
    if (plan) plans[id] = plan.version;
  }
  return { parts, plans, words: await wordsOn(entities, date) };
}

/** What a reader of a brief that went out has to know now, boat by boat; nothing where it still stands. */
export function sinceSent(sent: Pick<BriefView, 'boats' | 'words'>, now: Pick<BriefView, 'boats' | 'words'>): string[] {
  const out: string[] = [];
  const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((x) => b.includes(x));
  for (const boat of now.boats) {
    const name = boat.trip.boat.name;
    const before = sent.boats.find((b) => b.trip.id === boat.trip.id);
    if (!before) {
      out.push(`${name}: a trip that the brief did not have.`);
      continue;
    }
    if (boat.plan && boat.plan.version !== before.plan?.version)
      out.push(
        before.plan ? `${name}: the day was laid anew by ${boat.plan.madeBy}.` : `${name}: the day is laid now, by ${boat.plan.madeBy}.`,
      );
    const known = before.cautions.map((c) => c.text);
    for (const c of boat.cautions) if (!known.includes(c.text)) out.push(`${name}: ${c.text}`);
    if (!same(before.rules, boat.rules)) out.push(`${name}: the rules that apply have changed.`);
    if (before.words !== boat.words) out.push(`${name}: the captain has written something else.`);
  }
  for (const boat of sent.boats)
    if (!now.boats.some((b) => b.trip.id === boat.trip.id)) out.push(`${boat.trip.boat.name}: its trip is called off or on another day.`);
  if (sent.words !== now.words) out.push('What is written to everybody has changed.');
  return out;
}
