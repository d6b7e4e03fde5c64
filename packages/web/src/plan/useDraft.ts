import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Remote } from 'comlink';
import { type Dispatch, useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { PlanWorker } from '../workers/plan.worker';
import { draftOf, dropDraft, keepDraft } from './draft';
import { fromSaved, type Move, type Working } from './planState';

/**
 * Brings up the plan that was saved, or the one that was left without being saved, once; and keeps what is being worked on until it is
 * saved.
 * @returns How to say that a version has just been saved from here, so that it is not brought up again.
 */
export function useDraft(
  tripId: string,
  desk: PlanDesk | undefined,
  worker: Remote<PlanWorker> | null,
  opened: boolean,
  shown: Working | null,
  step: Dispatch<Move>,
): (version: number) => void {
  const loaded = useRef('');
  /** The plan that was left: what it is worth on the water of now is worked out when the spots are ranked. */
  const [left, setLeft] = useState<Working | null>(null);
  /** A plan that was left and is no longer the newest stays kept until another takes its place. */
  const overtaken = useRef(false);
  const base = desk?.saved?.version ?? 0;

  useEffect(() => {
    const key = desk?.saved ? `${tripId} ${desk.saved.version}` : tripId;
    if (!desk || loaded.current === key) return;
    const first = !loaded.current.startsWith(tripId);
    loaded.current = key;
    if (!first) return;
    const draft = draftOf(tripId);
    overtaken.current = draft !== null && draft.base !== (desk.saved?.version ?? 0);
    if (draft && overtaken.current) step({ kind: 'show', to: draft.plan });
    if (desk.saved) step({ kind: 'show', to: fromSaved(desk.saved) });
    if (draft && !overtaken.current) {
      step({ kind: 'show', to: draft.plan });
      setLeft(draft.plan);
    }
    if (overtaken.current) toast('Another plan was saved meanwhile. Yours, which was not saved, is one Undo back.', { duration: 15_000 });
  }, [desk, tripId, step]);

  useEffect(() => {
    if (!left || !worker || !opened || shown !== left) return;
    let current = true;
    void worker.score(left.legs.map((l) => ({ spotId: l.spotId, startMs: l.startMs, departMs: l.departMs }))).then((now) => {
      if (!current || 'refused' in now) return;
      const legs = now.plan.legs.map((l, i) => ({ ...l, pinned: left.legs[i]?.pinned ?? false }));
      setLeft(null);
      step({ kind: 'kept', to: { ...left, ...now.plan, legs } });
    });
    return () => {
      current = false;
    };
  }, [left, worker, opened, shown, step]);

  useEffect(() => {
    if (!shown || !loaded.current.startsWith(tripId)) return;
    if (shown.saved === null) {
      overtaken.current = false;
      keepDraft(tripId, { base, plan: shown });
    } else if (!overtaken.current) dropDraft(tripId);
  }, [shown, tripId, base]);

  return useCallback(
    (version: number) => {
      loaded.current = `${tripId} ${version}`;
      overtaken.current = false;
    },
    [tripId],
  );
}
