import type { BigLureHours } from '@bluffwind/core/plan/bigLureHours';
import type { DayRisk } from '@bluffwind/core/plan/legRisk';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import type { RodRole } from '@bluffwind/core/plan/partyFit';
import { proxy, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { ChangesSoFar, PlanWorker } from '../workers/plan.worker';
import type { Working } from './planState';
import { words } from '../data/units';

export interface Fit {
  readonly sentence: string;
  readonly roles: readonly RodRole[];
}

/** A plan as it is told: in sentences, and with what speaks against it. */
export interface Told {
  readonly sentences: readonly string[];
  readonly risk: DayRisk | null;
  /** For each stop how its line is fished under way; null where the boat lies. */
  readonly tracks: readonly ({ readonly text: string; readonly mind: string | null } | null)[];
  /** The hours in which big lures are eaten; null where none is aboard. */
  readonly bigLures: BigLureHours | null;
}

interface Asked {
  /** Answers what is looked at now; the one behind what takes its time, null until it knows the trip. */
  readonly worker: Remote<PlanWorker> | null;
  readonly behind: Remote<PlanWorker> | null;
  readonly opened: boolean;
  readonly shown: Working | null;
  readonly selected: string | null;
}

/** What hangs on a plan: the naive day, the party's fit, what would change it, and why the spot looked at is not in it. */
export function useFindings({ worker, behind, opened, shown, selected }: Asked) {
  const [whyNot, setWhyNot] = useState<string | null>(null);
  const [naive, setNaive] = useState<NaiveDay | null>(null);
  const [fit, setFit] = useState<Fit | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [changes, setChanges] = useState<ChangesSoFar | null>(null);

  // Worked out behind the plan, which it never holds up.
  useEffect(() => {
    if (!behind) return;
    let current = true;
    setChanges(null);
    void behind.naive(shown).then((n) => current && setNaive(n));
    if (shown) {
      void behind.told(shown).then((t) => current && setTold({ ...t, sentences: t.sentences.map(words) }));
      void behind.fit(shown).then((f) => current && setFit({ ...f, sentence: words(f.sentence) }));
      void behind.changes(
        shown,
        { bans: shown.bans, again: shown.again },
        proxy((so: ChangesSoFar) => {
          if (current) setChanges(so);
        }),
      );
    } else {
      setFit(null);
      setTold(null);
    }
    return () => {
      current = false;
    };
  }, [behind, shown]);

  useEffect(() => {
    if (!worker || !opened || !selected) return setWhyNot(null);
    let current = true;
    void worker.whyNot(selected, shown?.legs ?? []).then((w) => current && setWhyNot(w === null ? null : words(w)));
    return () => {
      current = false;
    };
  }, [worker, opened, selected, shown]);

  return { naive, fit, told, changes, whyNot };
}

export type Findings = ReturnType<typeof useFindings>;
