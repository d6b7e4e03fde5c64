// What can be done to a plan: lay, pin, ban, drag, undo, keep. The worker does the arithmetic; this holds what it was asked.
import type { PlanDesk } from '@bluffwind/contract/plan';
import type { DayPlan } from '@bluffwind/core/plan/plannedDay';
import type { Quantity } from '@bluffwind/core/risk/judge';
import type { Trigger } from '@bluffwind/core/plan/whatWouldChange';
import type { Remote } from 'comlink';
import { useCallback, useReducer, useState } from 'react';
import type { PlanWorker } from '../workers/plan.worker';
import { afterBan, afterDrag, afterPin, EMPTY, fromSaved, move, pinsOf, type Working } from './planState';
import { useDraft } from './useDraft';
import { useKeeping } from './useKeeping';
import { useOffer } from './useOffer';

interface Asked {
  readonly bans?: readonly string[];
  readonly order?: readonly string[] | null;
  readonly again?: boolean;
  readonly legs?: Working['legs'];
  /** A spot that the plan must visit, at any time. */
  readonly must?: string;
  readonly by: string;
}

export interface PlanDoing {
  readonly shown: Working | null;
  /** Fish of the plan before the last step, or null. */
  readonly before: number | null;
  readonly refused: string | null;
  readonly busy: boolean;
  /** A better plan than the one on screen, offered and not forced. */
  readonly offer: Working | null;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly lay: () => void;
  readonly ban: (spotId: string) => void;
  readonly pin: (spotId: string) => void;
  readonly setAgain: (again: boolean) => void;
  readonly drag: (index: number, byMs: number) => void;
  readonly clear: () => void;
  readonly show: (plan: DayPlan, by: string) => void;
  readonly take: () => void;
  readonly decline: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly save: (triggers: readonly Trigger[]) => void;
}

/** The plan of a trip's desk. */
export function usePlan(
  tripId: string,
  desk: PlanDesk | undefined,
  worker: Remote<PlanWorker> | null,
  opened: boolean,
  seen: readonly Quantity[],
): PlanDoing {
  const [history, step] = useReducer(move, EMPTY);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const shown = history.now;
  const [offer, closeOffer] = useOffer(desk, worker, opened, shown);
  const savedHere = useDraft(tripId, desk, worker, opened, shown, step);

  const solve = useCallback(
    async ({ must, ...asked }: Asked): Promise<void> => {
      if (!worker) return;
      const from = { bans: [] as readonly string[], again: false, order: null, legs: [] as Working['legs'], ...shown, ...asked };
      setBusy(true);
      const pins = must === undefined ? pinsOf(from) : [...pinsOf(from), { spotId: must }];
      const laid = await worker
        .lay({ pins, bans: from.bans, again: from.again, order: from.order ?? undefined })
        .catch((error: Error) => ({ refused: `The day could not be laid: ${error.message}` }));
      setBusy(false);
      if ('refused' in laid) {
        setRefused(laid.refused);
        return;
      }
      setRefused(null);
      closeOffer();
      step({
        kind: 'show',
        to: { ...laid.plan, bans: from.bans, again: from.again, order: from.order, saved: null, ms: laid.ms, by: asked.by },
      });
    },
    [worker, shown, closeOffer],
  );

  const lay = useCallback(() => void solve({ order: null, by: 'laid' }), [solve]);
  const ban = useCallback((spotId: string) => void solve(afterBan(shown, spotId)), [shown, solve]);
  const pin = useCallback(
    (spotId: string) => {
      const to = afterPin(shown, spotId);
      if (to) step({ kind: 'show', to });
      else void solve({ must: spotId, order: null, by: 'pinned into the plan' });
    },
    [shown, solve],
  );
  const drag = useCallback(
    (index: number, byMs: number) => {
      if (!shown) return;
      const to = afterDrag(shown.legs, index, byMs);
      if (to.kind === 'order') void solve({ order: to.order, by: 'put in another order' });
      else {
        const legs = shown.legs.map((l, i) => (i === index ? { ...l, startMs: to.startMs, departMs: to.departMs, pinned: true } : l));
        void solve({ legs, order: null, by: 'moved' });
      }
    },
    [shown, solve],
  );
  const keeping = useKeeping(tripId, {
    desk,
    shown,
    seen,
    onKept: (plan) => {
      savedHere(plan.version);
      step({ kind: 'kept', to: { ...fromSaved(plan), order: shown?.order ?? null, ms: shown?.ms ?? null } });
      setRefused(null);
    },
    onRefused: setRefused,
  });

  return {
    shown,
    before: history.past.at(-1)?.expected ?? null,
    refused,
    busy: busy || keeping.busy,
    offer,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    lay,
    ban,
    pin,
    drag,
    save: keeping.save,
    setAgain: (again) => void solve({ again, by: again ? 'second visits allowed' : 'one visit a spot' }),
    clear: () => setRefused(null),
    show: (plan, by) => step({ kind: 'show', to: { bans: [], again: false, ...shown, ...plan, order: null, saved: null, ms: null, by } }),
    take: () => {
      if (offer) step({ kind: 'show', to: offer });
      closeOffer();
    },
    decline: closeOffer,
    undo: () => step({ kind: 'undo' }),
    redo: () => step({ kind: 'redo' }),
  };
}
