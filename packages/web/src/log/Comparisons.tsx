import type { TrialView } from '@bluffwind/contract/trials';
import type { Tried } from '@bluffwind/contract/trialKinds';
import { WINDOW_WORDS } from '@bluffwind/core/catchrate/bigLureWindow';
import { followsBy, followWords, type LooksAndTakes } from '@bluffwind/core/log/followsBy';
import { marksWords } from '@bluffwind/core/log/marksTold';
import { trialOutcome } from '@bluffwind/core/tackle/trialOutcome';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { failedOf } from '../data/failedOf';
import { Fault, Waiting } from '../ui/parts';
import { armWords } from '../data/armWords';
import { comparisonsQuery } from './queries';

const NAMES: Record<Tried, string> = { leader: 'Leaders', hook: 'Hooks', lure: 'Lures' };

/** What was compared on purpose: trials on deck, and big lures in their window and outside it. */
export default function Comparisons() {
  const all = useQuery(comparisonsQuery);
  const follows = useMemo(() => (all.data ? followsBy(all.data.bigLures) : null), [all.data]);
  if (failedOf(all)) return <Fault error={all.error} retry={() => void all.refetch()} />;
  if (!all.data || !follows) return <Waiting what="Adding up the trials" />;
  const marks = marksWords(all.data.marks);
  return (
    <section aria-label="Trials" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-3 py-3 md:px-[18px]">
      {all.data.trials.length === 0 && (
        <p className="max-w-prose text-ink-2">
          No trial yet. On deck, “Compare leaders, hooks or lures” divides the rods of a bait among two to four of them; what each was
          bitten on and what was landed is set side by side here.
        </p>
      )}
      {all.data.trials.map((t) => (
        <Trial key={`${t.what} ${t.bait} ${t.arms.map((a) => a.arm).join()}`} trial={t} />
      ))}
      {marks !== '' && (
        <>
          <h2 className="mt-5 font-bold">Marks on the sounder</h2>
          <p className="max-w-prose" data-marks="">
            {marks}
          </p>
        </>
      )}
      <h2 className="mt-5 font-bold">Big lures: looks and takes</h2>
      <p className="max-w-prose" data-follows="">
        {followWords(follows)}
      </p>
      {follows.all.rodHours > 0 && (
        <table className="mt-2 w-full max-w-[720px] text-left">
          <caption className="sr-only">Looks and takes on big lures by what makes their window</caption>
          <thead>
            <tr className="border-b border-line text-[0.87rem] text-ink-2">
              <th className="py-1 font-normal">Water</th>
              <th className="py-1 text-right font-normal">Rod-hours</th>
              <th className="py-1 text-right font-normal">Came</th>
              <th className="py-1 text-right font-normal">Took</th>
            </tr>
          </thead>
          <tbody>
            <Line name="All as they want it" of={follows.window.open} />
            <Line name="One thing missing" of={follows.window.nearly} />
            <Line name="More missing" of={follows.window.shut} />
            {follows.parts.flatMap(({ part, right, wrong }) => [
              <Line key={part} name={`${WINDOW_WORDS[part].replace(/^./, (c) => c.toUpperCase())} right`} of={right} />,
              <Line key={`${part} wrong`} name={`${WINDOW_WORDS[part].replace(/^./, (c) => c.toUpperCase())} wrong`} of={wrong} />,
            ])}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Line({ name, of }: { name: string; of: LooksAndTakes }) {
  return (
    <tr className="border-b border-line">
      <td className="py-1">{name}</td>
      <td className="num py-1 text-right">{of.rodHours.toFixed(1)}</td>
      <td className="num py-1 text-right">{of.looks}</td>
      <td className="num py-1 text-right">{of.takes}</td>
    </tr>
  );
}

function Trial({ trial }: { trial: TrialView }) {
  const outcome = useMemo(() => trialOutcome(trial.arms.map((a) => ({ ...a, arm: armWords(a.arm) }))), [trial]);
  return (
    <article className="mt-2 mb-4 max-w-[720px]" data-trial={trial.bait}>
      <h2 className="font-bold">
        {NAMES[trial.what]} with {trial.bait}
      </h2>
      <p className="text-[0.87rem] text-ink-2">
        Side by side on {trial.trips} {trial.trips === 1 ? 'trip' : 'trips'}
      </p>
      <table className="mt-1 w-full text-left">
        <caption className="sr-only">Counts by what was compared</caption>
        <thead>
          <tr className="border-b border-line text-[0.87rem] text-ink-2">
            <th className="py-1 font-normal">Rods with</th>
            <th className="py-1 text-right font-normal">Rod-hours</th>
            <th className="py-1 text-right font-normal">Bites</th>
            <th className="py-1 text-right font-normal">Hooked</th>
            <th className="py-1 text-right font-normal">Landed</th>
            <th className="py-1 text-right font-normal">Best</th>
          </tr>
        </thead>
        <tbody>
          {trial.arms.map((a, i) => (
            <tr key={a.arm} className="border-b border-line">
              <th scope="row" className="py-1 font-semibold">
                {armWords(a.arm)}
              </th>
              <td className="num py-1 text-right">{a.rodHours.toFixed(1)}</td>
              <td className="num py-1 text-right">{a.bites}</td>
              <td className="num py-1 text-right">{a.hooked}</td>
              <td className="num py-1 text-right">{a.landed}</td>
              <td className="num py-1 text-right">{Math.round((outcome.arms[i]?.chanceToBeBest ?? 0) * 100)} in 100</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1" data-outcome="">
        {outcome.text}
      </p>
    </article>
  );
}
