// Plans of a trip as they were kept.
import type { PlanDesk, SavedPlan } from '@bluffwind/contract/plan';
import type { EntityManager } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { LegEntity, PlanEntity, type PlanRow } from '../db/entities/plan';
import { hiddenSpots } from './hiddenSpots';

/** Who made which plan of a trip and what it was worth, the newest first. */
export async function earlierPlans(entities: EntityManager, tripId: string): Promise<PlanDesk['earlier']> {
  const plans = await entities.find(PlanEntity, { where: { tripId }, order: { version: 'DESC' } });
  const people = await entities.find(PersonEntity);
  return plans.map((p) => ({
    version: p.version,
    madeAt: p.madeAt.toISOString(),
    madeBy: people.find((x) => x.id === p.madeBy)?.name ?? '',
    expected: p.expected,
  }));
}

/** The newest plan of a trip with its legs, or the one of a version; null when there is none. */
export async function savedPlan(entities: EntityManager, tripId: string, version?: number): Promise<SavedPlan | null> {
  const where = version === undefined ? { tripId } : { tripId, version };
  const [plan] = await entities.find(PlanEntity, { where, order: { version: 'DESC' }, take: 1 });
  return plan ? planView(entities, plan) : null;
}

async function planView(entities: EntityManager, plan: PlanRow): Promise<SavedPlan> {
  const legs = await entities.find(LegEntity, { where: { planId: plan.id }, order: { position: 'ASC' } });
  const maker = await entities.findOneBy(PersonEntity, { id: plan.madeBy });
  const secret = await hiddenSpots(entities, plan, legs);
  return {
    id: plan.id,
    version: plan.version,
    madeAt: plan.madeAt.toISOString(),
    madeBy: maker?.name ?? '',
    expected: plan.expected,
    lo80: plan.lo80,
    hi80: plan.hi80,
    bound: plan.bound,
    proved: plan.proved,
    bans: plan.bans,
    evidenceVersion: plan.evidenceVersion,
    modelVersion: plan.modelVersion,
    options: { again: false, without: [], ...(plan.options as Partial<SavedPlan['options']>) },
    // What is told of a spot that another captain keeps would give it away.
    notKnown: plan.notKnown as SavedPlan['notKnown'],
    runMin: plan.runMin,
    triggers: secret.size > 0 ? [] : (plan.triggers as SavedPlan['triggers']),
    basis: ((plan.basis ?? []) as SavedPlan['basis']).map((b) =>
      secret.has(b.spotId) ? { ...b, spotName: 'a kept spot', reasons: [], factors: [], stopIds: [] } : b,
    ),
    forecastRunAt: plan.forecastRunAt?.toISOString() ?? null,
    legs: legs.map((l) => ({
      spotId: l.spotId,
      presentationId: l.presentationId,
      arriveAt: l.arriveAt.toISOString(),
      startAt: l.startAt.toISOString(),
      departAt: l.departAt.toISOString(),
      expected: l.expected,
      lo80: l.lo80,
      hi80: l.hi80,
      pinned: l.pinned,
      parts: l.parts as SavedPlan['legs'][number]['parts'],
    })),
  };
}
