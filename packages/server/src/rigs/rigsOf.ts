// What the rigs of a trip are made from, for one person's eyes.
import type { TripRigs } from '@bluffwind/contract/rigs';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { HOUR } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull, MoreThan, Not } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { BaitTrialEntity, GearEntity, RigChoiceEntity, RigTickEntity } from '../db/entities/rigs';
import { SightingEntity } from '../db/entities/log';
import type { TripRow } from '../db/entities/trip';
import { mayShow } from '../grounds/mayShow';
import { found } from '../http/context';
import type { Who } from '../http/who';
import { isAboard } from '../trips/crew';
import { anchorsOf, hullOf } from '../trips/driftOf';
import { leaderCounts } from './leaderCounts';
import { lossesOf } from './lossesOf';

/** Marks tell for so long how high the fish stand. */
const MARKS_MS = 72 * HOUR;
/** Fish tight to the bottom are so far off it, m. */
const TIGHT_M = 0.3;

/** Reads it. */
export async function rigsOf(entities: EntityManager, trip: TripRow, who: Who, nowMs: number): Promise<TripRigs> {
  const [people, spots] = [await entities.find(PersonEntity), await entities.findBy(SpotEntity, { waterId: trip.waterId })];
  const name = (personId: string) => people.find((p) => p.id === personId)?.name ?? '';
  const aboard = await isAboard(entities, trip, who);
  const shown = new Map(spots.filter((s) => aboard || mayShow(s, who.role)).map((s) => [s.id, s]));
  const boat = found(await entities.findOneBy(BoatEntity, { id: trip.boatId }), 'boat');
  const choices = await entities.findBy(RigChoiceEntity, { tripId: trip.id });
  const ticks = await entities.findBy(RigTickEntity, { tripId: trip.id, done: true });
  const marks = await entities.find(SightingEntity, {
    where: { kind: 'marks', spotId: In([...shown.keys()]), at: MoreThan(new Date(nowMs - MARKS_MS)), deletedAt: IsNull() },
    order: { at: 'DESC' },
  });
  return {
    choices: choices
      .filter((c) => shown.has(c.spotId))
      .map(({ spotId, presentationId, part, value, by }) => ({ spotId, presentationId, part, value, by: name(by) })),
    ticks: ticks.map((t) => ({ key: t.key, by: name(t.by), at: t.at.toISOString() })),
    box: await boxOf(entities),
    boat: {
      ...hullOf(boat),
      timed: boat.hullM2 !== null,
      accessNote: boat.accessNote,
    },
    trials: (await entities.find(BaitTrialEntity)).map(({ presentationId, depthM, seconds, divesM }) => ({
      presentationId,
      depthM,
      seconds,
      divesM,
    })),
    leaders: await leaderCounts(entities),
    marks: [...new Map([...marks].reverse().flatMap((m) => markOf(m, shown.get(m.spotId ?? '')))).values()],
    losses: await lossesOf(entities, nowMs),
    baits: await baitsOf(entities),
  };
}

interface Mark {
  readonly spotId: string;
  readonly upM: number;
  readonly at: string;
}

/** How high over the bottom a mark was, by its spot, where that can be said. */
function markOf(
  m: { spotId: string | null; at: Date; depthM: number | null; relation: string | null },
  spot: { id: string; depthMinM: number; depthMaxM: number } | undefined,
): [string, Mark][] {
  if (!spot) return [];
  const middle = (spot.depthMinM + spot.depthMaxM) / 2;
  const upM = m.depthM !== null && m.relation !== 'tight' ? Math.max(0, middle - m.depthM) : m.relation === 'tight' ? TIGHT_M : null;
  return upM === null ? [] : [[spot.id, { spotId: spot.id, upM, at: m.at.toISOString() }]];
}

/** Sizes in the boxes, least first; the usual ones of a kind that nobody has listed. */
async function boxOf(entities: EntityManager): Promise<TripRigs['box']> {
  const gear = await entities.findBy(GearEntity, { retiredAt: IsNull(), stock: Not(0) });
  const gone = await entities.findBy(GearEntity, { retiredAt: IsNull(), stock: IsNull() });
  const all = [...gear, ...gone];
  const sizes = (kind: string, of: (g: (typeof all)[number]) => number | null) =>
    [...new Set(all.filter((g) => g.kind === kind).flatMap((g) => of(g) ?? []))].sort((a, b) => a - b);
  const weights = sizes('weight', (g) => g.massG);
  const heads = sizes('head', (g) => g.massG);
  const anchors = await anchorsOf(entities);
  return {
    weightsG: weights.length > 0 ? weights : [...USUAL_BOX.weightsG],
    headsG: heads.length > 0 ? heads : [...USUAL_BOX.headsG],
    anchorsM: anchors.anchorsM,
    usual: { weights: weights.length === 0, heads: heads.length === 0, anchors: anchors.usual },
  };
}

async function baitsOf(entities: EntityManager): Promise<TripRigs['baits']> {
  const families = new Map((await entities.find(FamilyEntity)).map((f) => [f.id, f]));
  return (await entities.findBy(PresentationEntity, { active: true })).flatMap((p) => {
    const f = families.get(p.familyId);
    return f ? [{ presentationId: p.id, forage: f.forage, costPerHour: f.costPerHour }] : [];
  });
}
