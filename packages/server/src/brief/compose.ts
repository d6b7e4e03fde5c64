// Gathers today's stops and tomorrow's trips and lets the core compare.
import type { BriefView } from '@bluffwind/contract/brief';
import type { SavedPlan } from '@bluffwind/contract/plan';
import { composeBrief, type RankedSpot, type StopOutcome } from '@bluffwind/core/brief/composeBrief';
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import { countRange } from '@bluffwind/core/catchrate/rangeOf';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { scoreDay } from '@bluffwind/core/plan/layDay';
import { dayLines, riskOfLegs, stopLines } from '@bluffwind/core/plan/legRisk';
import { laidWithout } from '@bluffwind/core/risk/findingWords';
import { openWater } from '@bluffwind/core/conditions/openWater';
import { type Ranking, rankTrip, worldOf } from '@bluffwind/core/plan/rankTrip';
import { holdsIn, limitWords, recheckWords, type Rule } from '@bluffwind/core/rules/verdict';
import { dateWords } from '@bluffwind/core/rules/seasonWords';
import { addDays, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import { PersonEntity } from '../db/entities/outfit';
import { SpotEntity, type SpotRow } from '../db/entities/grounds';
import { BriefEntity, BriefReadEntity, type TripRow } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { effectiveBed } from '../grounds/chartData';
import { mayShow } from '../grounds/mayShow';
import { found, type Who } from '../http/context';
import { inputsOf, loadDesk } from '../plan/desk';
import { restingSpots } from '../plan/resting';
import { crewRules } from '../rules/crewRules';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { tripViews } from '../trips/tripViews';
import { tripWords } from './tripWords';

/** The brief for a date: what happened the day before, and what it changes. */
export async function briefFor(entities: EntityManager, date: string, who: Who, nowMs: number): Promise<BriefView> {
  const zone = await zoneOf(entities, who.outfitId);
  const debriefDate = addDays(date, -1);
  const dayStart = startOfLocalDay(debriefDate, zone);
  const dayEnd = startOfLocalDay(date, zone);
  const until = Math.min(nowMs, dayEnd);
  const trips = await tripsOn(entities, date, zone);
  const fished = (await tripsOn(entities, debriefDate, zone)).filter((t) => t.status === 'done' || t.status === 'under way');
  const spots = await entities.find(SpotEntity);
  const waters = await entities.find(WaterEntity);
  const nameOf = (id: string) => spots.find((s) => s.id === id)?.name ?? '';
  const shows = (o: { spotId: string }) => spots.some((s) => s.id === o.spotId && mayShow(s, who.role));

  const everything: StopOutcome[] = [];
  for (const trip of fished) everything.push(...(await outcomesOf(entities, trip, dayStart, until, nowMs, nameOf)));

  // Mates do not learn captains' spots here; the totals of the day count them all the same.
  const outcomes = everything.filter(shows);
  const day = composeBrief(everything, [], []);
  const boats: BriefView['boats'] = [];
  const changes: BriefView['changes'] = [];
  let total = composeBrief(outcomes, [], []);
  const published = await entities.findOneBy(BriefEntity, { date });
  const reads = published ? await entities.findBy(BriefReadEntity, { briefId: published.id }) : [];
  const people = await entities.find(PersonEntity);
  const rules = await crewRules(entities);
  const views = await tripViews(entities, trips, who);
  const ranked = new Set<string>();
  for (const trip of trips) {
    const desk = await loadDesk(entities, trip, nowMs, 'owner', { evidenceBeforeMs: until });
    const inputs = inputsOf(desk);
    const after = rankTrip(inputs);
    if (!ranked.has(trip.waterId)) {
      ranked.add(trip.waterId);
      const earlier: PlanInputs = { ...inputs, sets: inputs.sets.filter((s) => s.at < dayStart) };
      const before = rankTrip(earlier, { model: fitCatchRate(worldOf(inputs), earlier.sets) });
      total = composeBrief(outcomes, rankedSpots(before, nameOf), rankedSpots(after, nameOf));
      const water = waters.find((w) => w.id === trip.waterId)?.name ?? '';
      changes.push(...total.changes.filter(shows).map((c) => ({ ...c, water })));
    }
    const view = found(
      views.find((v) => v.id === trip.id),
      'trip',
    );
    const { bed } = await effectiveBed(entities, trip.waterId);
    const water = found(
      waters.find((w) => w.id === trip.waterId),
      'water',
    );
    const words = tripWords(inputs, view, zone, openWater(bed, water));
    const risk = riskOfLegs(inputs, after, (desk.saved?.legs ?? []).map(stayOf));
    boats.push({
      trip: view,
      plan: desk.saved,
      // A plan with a leg that is hidden from who asks cannot be weighed anew for him: it stays at what it was kept with.
      worthNow: desk.saved && (desk.hiddenLegs > 0 ? desk.saved.expected : worthNow(inputs, after, desk.saved)),
      ...words,
      cautions: [
        ...(desk.saved && desk.saved.notKnown.length > 0 ? [{ level: 'unknown' as const, text: laidWithout(desk.saved.notKnown) }] : []),
        ...words.cautions,
        ...(desk.saved ? dayLines(risk, zone).filter((l) => !words.cautions.some((w) => w.text.startsWith(l.text))) : []),
        ...(desk.fuel === '' ? [] : [{ level: 'near' as const, text: `Fuel: ${desk.fuel}` }]),
      ],
      legRisks: risk.legs.map((l) => stopLines(l, zone)),
      rules: ruleWords(
        rules,
        date,
        view.species.map((s) => s.id),
        waters.find((w) => w.id === trip.waterId)?.ruleZone || null,
        view.species,
      ),
      readBy: reads.map((r) => people.find((p) => p.id === r.personId)?.name ?? ''),
    });
  }
  const names: Record<string, string> = {};
  for (const b of boats) {
    const desk = b.plan?.legs ?? [];
    for (const l of desk) names[l.spotId] = nameOf(l.spotId) || 'a kept spot';
  }
  const presentations: { id: string; name: string }[] = await entities.query('select id, name from presentation');
  for (const p of presentations) names[p.id] = p.name;
  return {
    date,
    debriefDate,
    zone,
    writtenAt: new Date(nowMs).toISOString(),
    publishedAt: published?.publishedAt.toISOString() ?? null,
    trips: fished.length,
    fish: day.fish,
    rodHours: day.rodHours,
    expected: day.expected,
    summary: total.summary,
    againstPlan: [...total.againstPlan],
    changes,
    boats,
    leaveAlone: [
      ...(await tiredSpots(entities, dayStart, who.role)),
      ...(await restWords(
        entities,
        trips,
        spots.filter((s) => mayShow(s, who.role)),
        dayEnd,
        zone,
      )),
    ],
    names,
  };
}

/** A kept leg as the judgement reads it. */
function stayOf(l: SavedPlan['legs'][number]) {
  return { spotId: l.spotId, arriveMs: Date.parse(l.arriveAt), startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) };
}

/** What each stop of a trip was expected to give by what was known before that day, and what it gave. */
async function outcomesOf(
  entities: EntityManager,
  trip: TripRow,
  dayStart: number,
  until: number,
  nowMs: number,
  nameOf: (id: string) => string,
): Promise<StopOutcome[]> {
  const desk = await loadDesk(entities, trip, nowMs, 'owner', { evidenceBeforeMs: until });
  const inputs = inputsOf(desk);
  const ids = new Set<string>(
    (await entities.query(`select id from stop where trip_id = $1 and deleted_at is null`, [trip.id])).map((r: { id: string }) => r.id),
  );
  const mine = inputs.sets.filter((s) => s.stopId !== undefined && ids.has(s.stopId));
  const earlier = inputs.sets.filter((s) => s.at < dayStart);
  const model = fitCatchRate(worldOf(inputs), earlier);
  return mine.map((s) => {
    // A stay fades: what was expected is the rate over its length, less what fading takes.
    const hours = s.rodHours / trip.rods;
    const fade = inputs.spots.find((x) => x.id === s.spot)?.fadePerHour ?? 0;
    const share = fade > 0 && hours > 0 ? (1 - Math.exp(-fade * hours)) / (fade * hours) : 1;
    const expected = model.rate(s) * s.rodHours * share;
    return {
      spotId: s.spot,
      spotName: nameOf(s.spot),
      rodHours: s.rodHours,
      fish: s.counts ?? s.fish,
      expected,
      ...countRange(expected, model.dispersion),
    };
  });
}

function rankedSpots(ranking: Ranking, nameOf: (id: string) => string): RankedSpot[] {
  return ranking.calls.map((c) => ({ spotId: c.spotId, spotName: nameOf(c.spotId), rate: c.ratePerRodHour }));
}

function worthNow(inputs: PlanInputs, ranking: Ranking, { legs, options }: Pick<SavedPlan, 'legs' | 'options'>): number | null {
  try {
    return scoreDay(
      inputs,
      ranking,
      legs.map((l) => ({ spotId: l.spotId, startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) })),
      options,
    ).expected;
  } catch (error) {
    // The plan no longer fits the water (a bar, a limit): it has no worth as it stands.
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function ruleWords(
  rules: readonly Rule[],
  date: string,
  ids: readonly string[],
  zone: string | null,
  species: readonly { id: string; name: string }[],
): string[] {
  return ids
    .map((speciesId) => {
      const own = rules.filter((r) => r.species === speciesId && holdsIn(r, zone));
      const name = species.find((s) => s.id === speciesId)?.name ?? '';
      const words = own.map((r) => `${limitWords(r)}${recheckWords(r, date)}`);
      return own.length > 0 ? `${name}: ${words.join(', ')}` : `${name}: no rule on file, check before keeping`;
    })
    .sort();
}

/** Spots that are left to rest on the day, by the crew's own rest days. */
async function restWords(
  entities: EntityManager,
  trips: readonly TripRow[],
  shown: readonly SpotRow[],
  dayMs: number,
  zone: string,
): Promise<string[]> {
  const words: string[] = [];
  for (const waterId of new Set(trips.map((t) => t.waterId))) {
    for (const [id, until] of await restingSpots(entities, waterId, dayMs)) {
      const spot = shown.find((s) => s.id === id);
      if (spot) words.push(`${spot.name}: rests until ${dateWords(localDate(until, zone).slice(5))}`);
    }
  }
  return words.sort();
}

/** Spots fished on four or more of the last five days. */
async function tiredSpots(entities: EntityManager, dayStart: number, role: string): Promise<string[]> {
  const rows: { name: string; days: number }[] = await entities.query(
    `select sp.name, count(distinct date_trunc('day', st.started_at))::int as days from stop st join spot sp on sp.id = st.spot_id
     where st.started_at >= $1 and st.started_at < $2 and st.deleted_at is null and (sp.privacy = 'crew' or $3) group by sp.name having count(distinct date_trunc('day', st.started_at)) >= 4 order by 2 desc, 1`,
    [new Date(dayStart - 4 * 86_400_000), new Date(dayStart + 86_400_000), role !== 'mate'],
  );
  return rows.map((r) => `${r.name}: fished ${r.days} days of 5`);
}
