// A brief as one of the crew reads it: of what was worked out, that which is for him, with the plans and receipts of now.
import type { BriefView } from '@bluffwind/contract/brief';
import type { SavedPlan } from '@bluffwind/contract/plan';
import { composeBrief } from '@bluffwind/core/brief/composeBrief';
import { addDays } from '@bluffwind/core/units/time';
import { type EntityManager, In } from 'typeorm';
import { DebriefEntity } from '../db/entities/day';
import { PresentationEntity } from '../db/entities/baits';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { RigTickEntity } from '../db/entities/rigs';
import { BriefEntity, BriefReadEntity } from '../db/entities/brief';
import { mayShow } from '../grounds/mayShow';
import { found } from '../http/context';
import type { Who } from '../http/who';
import { savedPlan } from '../plan/savedPlan';
import { forEyes } from '../plan/forEyes';
import { isAboard } from '../trips/crew';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { tripViews } from '../trips/tripViews';
import type { BriefParts } from './parts';
import { type SentBrief, wordsOn } from './sent';

/**
 * The brief for a date for one person, in whose transaction spots that are kept from him are no rows.
 * @param sent - Given, the brief is shown as it went out.
 */
export async function presentBrief(
  entities: EntityManager,
  date: string,
  who: Who,
  parts: BriefParts,
  { sent = null }: { sent?: SentBrief | null } = {},
): Promise<BriefView> {
  const zone = await zoneOf(entities, who.outfitId);
  const trips = await tripsOn(entities, date, zone);
  const spots = await entities.find(SpotEntity);
  const there = new Map(spots.map((s) => [s.id, s]));
  const shows = ({ spotId }: { spotId: string }) => {
    const spot = there.get(spotId);
    return spot !== undefined && mayShow(spot, who.role);
  };
  // Nobody learns another's spots here; the totals of the day count them all the same.
  const outcomes = parts.outcomes.filter(shows);
  const day = composeBrief(parts.outcomes, [], []);
  const mine = composeBrief(outcomes, [], []);
  const changes = parts.waters.flatMap((w) =>
    composeBrief(outcomes, w.before, w.after)
      .changes.filter(shows)
      .map((c) => ({ ...c, water: w.name })),
  );
  const last = parts.waters.at(-1);
  const total = last ? composeBrief(outcomes, last.before, last.after) : mine;
  const published = await entities.findOneBy(BriefEntity, { date });
  const reads = published ? await entities.findBy(BriefReadEntity, { briefId: published.id }) : [];
  const people = await entities.find(PersonEntity);
  const words = sent ? sent.words : await wordsOn(entities, date);
  // A receipt is for what went out last.
  const readAt = (personId: string) =>
    reads.find((r) => r.personId === personId && published && r.readAt >= published.publishedAt)?.readAt.toISOString() ?? null;
  const names: Record<string, string> = {};
  const ticks = await entities.findBy(RigTickEntity, { tripId: In(trips.map((t) => t.id)), done: true });
  const ticked = new Set(ticks.map((t) => `${t.tripId} ${t.key}`));
  const boats: BriefView['boats'] = [];
  for (const view of await tripViews(entities, trips, who)) {
    const part = parts.boats.find((b) => b.tripId === view.id);
    if (!part) continue;
    const aboard = await isAboard(entities, view, who);
    const names1 = (spotId: string) => there.has(spotId) && (aboard || shows({ spotId }));
    const version = sent?.plans[view.id];
    const saved = sent && version === undefined ? null : await savedPlan(entities, view.id, version);
    const plan = saved && forEyes(saved, names1);
    const hidden = saved?.legs.some((l) => !there.has(l.spotId)) ?? false;
    for (const l of plan?.legs ?? [])
      names[l.spotId] = names1(l.spotId)
        ? found(there.get(l.spotId), 'spot').name
        : there.has(l.spotId)
          ? 'a captain’s spot'
          : 'a kept spot';
    boats.push({
      trip: sent ? { ...view, plan: saved && { ...pickPlan(saved), stale: false } } : view,
      plan,
      // A plan with a leg that is hidden from who asks is not weighed anew for him: it stays at what it was kept with.
      worthNow: plan && (hidden ? plan.expected : part.worthNow),
      water: part.water,
      cautions: [...part.cautions],
      // What is told of a spot that is not shown would give it away.
      legRisks: part.legRisks.map((lines, i) => (names1(plan?.legs[i]?.spotId ?? '') ? [...lines] : [])),
      rules: [...part.rules],
      tonight: (part.tonight ?? []).map(({ key, group, what }) => ({ key, group, what, done: ticked.has(`${view.id} ${key}`) })),
      words: words[view.id] ?? '',
      people: [view.captain, ...view.mates].map((p) => ({ name: p.name, readAt: readAt(p.id) })),
    });
  }
  for (const p of await entities.find(PresentationEntity, { select: { id: true, name: true } })) names[p.id] = p.name;
  return {
    date,
    debriefDate: addDays(date, -1),
    zone,
    writtenAt: parts.writtenAt,
    publishedAt: published?.publishedAt.toISOString() ?? null,
    publishedBy: people.find((p) => p.id === published?.publishedBy)?.name ?? null,
    asPublished: sent !== null,
    since: [],
    words: words[who.outfitId] ?? '',
    trips: parts.fishedTrips,
    fish: day.fish,
    rodHours: day.rodHours,
    expected: day.expected,
    summary: total.summary,
    againstPlan: [...total.againstPlan],
    changes,
    boats,
    said: await saidOf(entities, addDays(date, -1), zone),
    leaveAlone: [...parts.tired.filter(shows), ...parts.resting.filter(shows)].map((x) => x.words),
    names,
  };
}

/** A plan as a trip's row names it. */
const pickPlan = ({ version, madeAt, expected, lo80, hi80 }: SavedPlan) => ({ version, madeAt, expected, lo80, hi80 });

/** What the crews wrote down of a day's trips, in the order in which they went out. */
async function saidOf(entities: EntityManager, date: string, zone: string): Promise<BriefView['said']> {
  const trips = await tripsOn(entities, date, zone);
  const rows = await entities.findBy(DebriefEntity, { tripId: In(trips.map((t) => t.id)) });
  if (rows.length === 0) return [];
  const [boats, people] = [await entities.find(BoatEntity), await entities.find(PersonEntity)];
  return trips.flatMap((t) => {
    const row = rows.find((r) => r.tripId === t.id);
    if (!row) return [];
    return {
      tripId: t.id,
      boat: boats.find((b) => b.id === t.boatId)?.name ?? '',
      said: row.said,
      chips: [...row.chips],
      lost: row.lost,
      baitLeft: row.baitLeft,
      signedBy: people.find((p) => p.id === row.signedBy)?.name ?? null,
    };
  });
}
