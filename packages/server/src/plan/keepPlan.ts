// Keeps a plan: scored by the server with its own evidence, refused where it meets another boat's, stored with what it was made from.
import type { NewPlan, SavedPlan } from '@bluffwind/contract/plan';
import { layDay, scoreDay } from '@bluffwind/core/plan/layDay';
import { riskOfLegs } from '@bluffwind/core/plan/legRisk';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { quantityList } from '@bluffwind/core/risk/findingWords';
import type { Quantity } from '@bluffwind/core/risk/judge';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { LegEntity, PlanEntity } from '../db/entities/plan';
import type { TripRow } from '../db/entities/trip';
import { Problem } from '../errors';
import { found } from '../http/context';
import type { Who } from '../http/who';
import { basisOf } from './basis';
import { inputsOf, loadDesk } from './desk';
import { savedPlan } from './savedPlan';
import { refuseHeldBaits } from './heldBaits';
import { refuseMeetings } from './taken';
import { saidTime } from '@bluffwind/core/units/measure';

const SOLVER_MS = 2000;

interface Keeping {
  readonly entities: EntityManager;
  readonly who: Who;
  readonly nowMs: number;
}

/**
 * Stores a trip's plan; the same plan sent again is answered as it was stored.
 * @param replacing - Trips whose plans are replaced in the same transaction and do not count as they are.
 * Throws a Problem when it is out of date, cannot be sailed, or meets another boat's plan.
 */
export async function keepPlan(
  { entities, who, nowMs }: Keeping,
  trip: TripRow,
  body: NewPlan,
  { replacing = [] }: { replacing?: readonly string[] } = {},
): Promise<SavedPlan> {
  if (trip.status === 'done' || trip.status === 'cancelled')
    throw new Problem('conflict', `The trip is ${trip.status}; its plan stays as it was.`);
  const [newest] = await entities.find(PlanEntity, { where: { tripId: trip.id }, order: { version: 'DESC' }, take: 1 });
  if (newest?.id === body.id) return found(await savedPlan(entities, trip.id), 'plan');
  if ((newest?.version ?? 0) !== body.replaces)
    throw new Problem(
      'conflict',
      `${newest ? `Version ${newest.version} has been saved meanwhile` : 'No plan has been saved yet'}; yours replaces ${body.replaces}.`,
    );
  const desk = await loadDesk(entities, trip, nowMs, who.role, { replacing });
  if (desk.hiddenLegs > 0)
    throw new Problem('not_allowed', 'Its plan goes to a spot that one captain keeps; that captain or the owner can change it.');
  const asked = body.legs.map((l) => ({
    spotId: l.spotId,
    startMs: Date.parse(l.startAt),
    departMs: Date.parse(l.departAt),
    pinned: l.pinned,
  }));
  const inputs = inputsOf(desk);
  const ranking = rankTrip(inputs, { aboard: desk.aboard ?? undefined });
  const { again, without } = body.options;
  // What others have is refused by name below, not as a leg that cannot be sailed.
  const scored = feasible(() => scoreDay({ ...inputs, taken: [] }, ranking, asked, { without }));
  await refuseMeetings(entities, trip, scored.legs, (ms) => saidTime(ms, desk.zone), replacing);
  await refuseHeldBaits(entities, trip, scored.legs, replacing);
  const { notKnown } = riskOfLegs(inputs, ranking, scored.legs);
  refuseUnseen(notKnown, body.seen);
  const until = performance.now() + SOLVER_MS;
  const pins = asked.filter((l) => l.pinned);
  const best = feasible(() => layDay(inputs, ranking, { pins, bans: body.bans, again, without, stop: () => performance.now() > until }));
  const version = body.replaces + 1;
  await entities.insert(PlanEntity, {
    id: body.id,
    outfitId: who.outfitId,
    tripId: trip.id,
    version,
    madeBy: who.personId,
    madeAt: new Date(nowMs),
    expected: scored.expected,
    lo80: scored.lo80,
    hi80: scored.hi80,
    bound: Math.max(best.bound, scored.expected),
    proved: best.proved && scored.expected >= best.expected - 1e-6,
    bans: body.bans,
    modelVersion: ranking.model.version,
    evidenceVersion: desk.evidence.version,
    options: body.options,
    triggers: body.triggers,
    runMin: scored.runMin,
    notKnown: [...notKnown],
    basis: basisOf(inputs, ranking, scored.legs) as never,
    forecastRunAt: desk.forecastRunAt ? new Date(desk.forecastRunAt) : null,
  });
  await entities.insert(
    LegEntity,
    scored.legs.map((l, position) => ({
      outfitId: who.outfitId,
      planId: body.id,
      position,
      spotId: l.spotId,
      presentationId: l.presentationId,
      arriveAt: new Date(l.arriveMs),
      startAt: new Date(l.startMs),
      departAt: new Date(l.departMs),
      expected: l.expected,
      lo80: l.lo80,
      hi80: l.hi80,
      pinned: asked[position]?.pinned ?? false,
      parts: l.parts.map((p) => ({
        presentationId: p.presentationId,
        fromAt: new Date(p.fromMs).toISOString(),
        toAt: new Date(p.toMs).toISOString(),
      })),
    })),
  );
  await audit(entities, who, nowMs, 'save plan', 'trip', trip.id, { version, expected: scored.expected });
  return found(await savedPlan(entities, trip.id), 'plan');
}

/** A plan that is laid without something is kept only by who says that he saw it. */
function refuseUnseen(notKnown: readonly Quantity[], seen: readonly string[]): void {
  const unseen = notKnown.filter((q) => !seen.includes(q));
  if (unseen.length > 0)
    throw new Problem('not_seen', `Nobody has said what these do on this trip: ${quantityList(unseen)}.`, [
      { field: 'seen', message: `not known: ${quantityList(unseen)}` },
    ]);
}

/** Turns the core's refusal of a plan into a problem that says what cannot be done. */
function feasible<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) {
      const [field = 'legs'] = error.message.split(':');
      throw new Problem('not_feasible', error.message, [{ field, message: error.message }]);
    }
    throw error;
  }
}
