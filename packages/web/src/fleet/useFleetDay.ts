import type { PlanDesk } from '@bluffwind/contract/plan';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { post } from '../data/api';
import { deskQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { newPlanOf } from '../plan/newPlanOf';
import type { FleetSoFar, FleetTrip, FleetWorker } from '../workers/fleet.worker';
import { useWorker } from '../workers/useWorker';
import { fleetTripsQuery } from './queries';

const OF_PLANS = ['desk', 'board', 'brief', 'fleet'].map((key) => [key]);

const makeFleetWorker = () => new Worker(new URL('../workers/fleet.worker.ts', import.meta.url), { type: 'module' });

/** The trips of a day that are to be planned, all boats' plans as they are found, and how they are kept. */
export function useFleetDay(date: string, fair: boolean) {
  const queries = useQueryClient();
  const trips = useQuery(fleetTripsQuery(date));
  const open = useMemo(() => (trips.data ?? []).filter((t) => t.status === 'planned'), [trips.data]);
  const desks = useQueries({ queries: open.map((t) => deskQuery(t.id)) });
  const worker = useWorker<FleetWorker>(makeFleetWorker);
  const [so, setSo] = useState<FleetSoFar | null>(null);
  const [step, setStep] = useState('');
  const ready = open.length > 0 && desks.every((q) => q.data !== undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: desks are new objects in each render; when they were read tells them apart
  const day = useMemo(
    () => (ready ? open.map((t, i) => ({ trip: t, desk: desks[i]?.data as PlanDesk })) : null),
    [ready, open, desks.map((q) => q.dataUpdatedAt).join()],
  );
  // A plan that goes to a spot which its captain keeps to himself stays as it is.
  const all = useMemo(() => day?.filter((x) => x.desk.hiddenLegs === 0) ?? null, [day]);
  useEffect(() => {
    if (!all) return;
    let current = true;
    const kept = Object.fromEntries(
      all.map(({ trip, desk }) => [
        trip.id,
        (desk.saved?.legs ?? []).map((l) => ({ spotId: l.spotId, startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) })),
      ]),
    );
    void (async () => {
      const w = worker.get();
      await w.open(all.map(({ trip, desk }) => ({ tripId: trip.id, desk })));
      if (current)
        await w.plan(
          fair,
          kept,
          proxy((x: FleetSoFar) => current && setSo(x)),
        );
    })();
    return () => {
      current = false;
    };
  }, [all, worker, fair]);

  const keeping = useSave<{ laid: readonly FleetTrip[]; saved: (tripId: string) => PlanDesk['saved'] }>({
    send: async ({ laid, saved }) => {
      const triggers = await worker.get().triggers(
        laid,
        proxy((done: number) => setStep(`What would change them: boat ${done} of ${laid.length}`)),
      );
      return post('/fleet/plans', {
        plans: laid.map((t) => ({
          tripId: t.tripId,
          ...newPlanOf({
            replaces: saved(t.tripId)?.version ?? 0,
            bans: saved(t.tripId)?.bans ?? [],
            without: t.without.map((w) => w.presentationId),
            legs: t.plan.legs,
            triggers: triggers[t.tripId] ?? [],
            seen: t.notKnown,
          }),
        })),
      });
    },
    touches: OF_PLANS,
    told: 'The plans of all boats are kept.',
    onStored: () => setStep(''),
    onRefused: () => {
      setStep('');
      // Somebody else may have taken a spot meanwhile.
      for (const queryKey of OF_PLANS) void queries.invalidateQueries({ queryKey });
    },
  });
  const readAgain = () => void queries.invalidateQueries({ queryKey: ['desk'] });
  return { trips, open, desks, day, all, so, step, keeping, readAgain };
}
