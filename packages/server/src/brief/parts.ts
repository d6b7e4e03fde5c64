// Gathers today's stops and tomorrow's trips and lets the core compare.
import type { RiskLine } from '@bluffwind/contract/risk';
import type { PlanDesk, SavedPlan } from '@bluffwind/contract/plan';
import type { RankedSpot, StopOutcome } from '@bluffwind/core/brief/composeBrief';
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { scoreDay } from '@bluffwind/core/plan/layDay';
import { dayLines, riskOfLegs, stopLines } from '@bluffwind/core/plan/legRisk';
import { laidWithout } from '@bluffwind/core/risk/findingWords';
import { openWater } from '@bluffwind/core/conditions/openWater';
import { type Ranking, rankTrip, worldOf } from '@bluffwind/core/plan/rankTrip';
import { dayRigs } from '@bluffwind/core/tackle/dayRigs';
import type { NightItem } from '@bluffwind/core/tackle/nightList';
import { holdsIn, limitWords, recheckWords, type Rule } from '@bluffwind/core/rules/verdict';
import { dateWords } from '@bluffwind/core/rules/seasonWords';
import { addDays, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import { SpotEntity, type SpotRow } from '../db/entities/grounds';
import type { TripRow } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { effectiveBed } from '../grounds/chartData';
import { found } from '../http/context';
import { inputsOf, loadDesk } from '../plan/desk';
import { restingSpots } from '../plan/resting';
import { outcomesOf } from './outcomesOf';
import { rigsOf } from '../rigs/rigsOf';
import { crewRules } from '../rules/crewRules';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { tiredSpots } from './tiredSpots';
import { tripViews } from '../trips/tripViews';
import { tripWords } from './tripWords';

/** What a brief says of a trip, whoever reads it. */
export interface BoatPart {
  readonly tripId: string;
  readonly worthNow: number | null;
  readonly water: string;
  readonly cautions: readonly RiskLine[];
  readonly legRisks: readonly (readonly RiskLine[])[];
  readonly rules: readonly string[];
  /** What is tied, got ready and loaded the night before; absent in briefs that were kept before it was told. */
  readonly tonight?: readonly NightItem[];
}

/** What takes its time to work out of a brief: kept, and shown to each reader as far as it is for him. */
export interface BriefParts {
  readonly writtenAt: string;
  readonly fishedTrips: number;
  readonly outcomes: readonly StopOutcome[];
  readonly waters: readonly { readonly name: string; readonly before: readonly RankedSpot[]; readonly after: readonly RankedSpot[] }[];
  readonly boats: readonly BoatPart[];
  readonly tired: readonly { readonly spotId: string; readonly words: string }[];
  readonly resting: readonly { readonly spotId: string; readonly words: string }[];
}

/** The parts of the brief for a date: what happened the day before, and what it changes. The transaction sees all of the outfit. */
export async function briefParts(entities: EntityManager, outfitId: string, date: string, nowMs: number): Promise<BriefParts> {
  const zone = await zoneOf(entities, outfitId);
  const debriefDate = addDays(date, -1);
  const dayStart = startOfLocalDay(debriefDate, zone);
  const dayEnd = startOfLocalDay(date, zone);
  const until = Math.min(nowMs, dayEnd);
  const trips = await tripsOn(entities, date, zone);
  const fished = (await tripsOn(entities, debriefDate, zone)).filter((t) => t.status === 'done' || t.status === 'under way');
  const spots = await entities.find(SpotEntity);
  const waters = await entities.find(WaterEntity);
  const nameOf = (id: string) => spots.find((s) => s.id === id)?.name ?? '';

  const outcomes: StopOutcome[] = [];
  for (const trip of fished) outcomes.push(...(await outcomesOf(entities, trip, dayStart, until, nowMs, nameOf)));

  const boats: BoatPart[] = [];
  const changed: BriefParts['waters'][number][] = [];
  const rules = await crewRules(entities);
  const views = await tripViews(entities, trips, { personId: '', outfitId, role: 'owner' });
  const ranked = new Set<string>();
  for (const trip of trips) {
    const desk = await loadDesk(entities, trip, nowMs, 'owner', { evidenceBeforeMs: until });
    const inputs = inputsOf(desk);
    const after = rankTrip(inputs);
    const water = found(
      waters.find((w) => w.id === trip.waterId),
      'water',
    );
    if (!ranked.has(trip.waterId)) {
      ranked.add(trip.waterId);
      const earlier: PlanInputs = { ...inputs, sets: inputs.sets.filter((s) => s.at < dayStart) };
      const before = rankTrip(earlier, { model: fitCatchRate(worldOf(inputs), earlier.sets) });
      changed.push({ name: water.name, before: rankedSpots(before, nameOf), after: rankedSpots(after, nameOf) });
    }
    const view = found(
      views.find((v) => v.id === trip.id),
      'trip',
    );
    const { bed } = await effectiveBed(entities, trip.waterId);
    const words = tripWords(inputs, view, zone, openWater(bed, water));
    const risk = riskOfLegs(inputs, after, (desk.saved?.legs ?? []).map(stayOf));
    const night = desk.saved && (await tonight(entities, trip, outfitId, inputs, after, desk, nowMs));
    boats.push({
      tripId: trip.id,
      tonight: night ?? [],
      worthNow: desk.saved && worthNow(inputs, after, desk.saved),
      water: words.water,
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
        water.ruleZone || null,
        view.species,
      ),
    });
  }
  return {
    writtenAt: new Date(nowMs).toISOString(),
    fishedTrips: fished.length,
    outcomes,
    waters: changed,
    boats,
    tired: await tiredSpots(entities, spots, dayStart, zone),
    resting: await restWords(entities, trips, spots, dayEnd, zone),
  };
}

/** The list of the night before a trip, as its own captain has it. */
async function tonight(
  entities: EntityManager,
  trip: TripRow,
  outfitId: string,
  inputs: PlanInputs,
  ranking: Ranking,
  desk: PlanDesk,
  nowMs: number,
): Promise<readonly NightItem[]> {
  const crew = await rigsOf(entities, trip, { personId: trip.captainId, outfitId, role: 'owner' }, nowMs);
  const legs = (desk.saved?.legs ?? []).map((l) => ({
    ...stayOf(l),
    presentationId: l.presentationId,
    parts: l.parts.map((p) => ({ presentationId: p.presentationId, fromMs: Date.parse(p.fromAt), toMs: Date.parse(p.toAt) })),
  }));
  const { children, nonSwimmers } = desk.party;
  const party = { species: desk.species, guests: desk.guests.length, children: Number(children), nonSwimmers: Number(nonSwimmers) };
  return dayRigs(inputs, ranking, legs, crew, party).night.items;
}

/** A kept leg as the judgement reads it. */
function stayOf(l: SavedPlan['legs'][number]) {
  return { spotId: l.spotId, arriveMs: Date.parse(l.arriveAt), startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) };
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
  spots: readonly SpotRow[],
  dayMs: number,
  zone: string,
): Promise<BriefParts['resting']> {
  const words: BriefParts['resting'][number][] = [];
  for (const waterId of new Set(trips.map((t) => t.waterId))) {
    for (const [spotId, until] of await restingSpots(entities, waterId, dayMs)) {
      const spot = spots.find((s) => s.id === spotId);
      if (spot) words.push({ spotId, words: `${spot.name}: rests until ${dateWords(localDate(until, zone).slice(5))}` });
    }
  }
  return words.sort((a, b) => a.words.localeCompare(b.words));
}
