import { baitEarned } from '@bluffwind/core/log/baitEarned';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { failedOf } from '../data/failedOf';
import { Fault, Waiting } from '../ui/parts';
import { earnedQuery } from './queries';

/** What each bait earned for its cost in the last year: bait, lost pieces, and what a landed fish came to. */
export function Earned() {
  const all = useQuery(earnedQuery);
  const rows = useMemo(() => baitEarned(all.data ?? []), [all.data]);
  if (failedOf(all)) return <Fault error={all.error} retry={() => void all.refetch()} />;
  if (!all.data) return <Waiting what="Adding up the year" />;
  return (
    <section aria-label="What baits earned" className="mt-5 max-w-[720px] pb-4">
      <h2 className="font-bold">What baits earned in a year</h2>
      <p className="text-[0.9rem] text-ink-2">
        Bait by the hours it was fished, lost pieces as debriefs tell them at the price of the thing of the same name above.
      </p>
      {rows.length === 0 && <p className="mt-1">Nothing has been fished in the last year.</p>}
      <ul>
        {rows.map((r) => (
          <li key={r.name} className="flex flex-wrap items-baseline gap-x-4 border-t border-line py-1.5" data-earned={r.name}>
            <b className="min-w-0 flex-1 basis-48">{r.name}</b>
            <span className="num text-[0.9rem]">
              {r.fish} fish in {r.rodHours.toFixed(0)} rod-hours
            </span>
            <span className="num text-[0.9rem] text-ink-2">
              {r.lostPerHour === null
                ? 'losses not told'
                : r.lost === 0
                  ? 'none lost'
                  : `${r.lost} lost in ${r.lookedBackH.toFixed(0)} of them`}
              {r.lost > 0 && r.pieceCost === null ? ', price not known' : ''}
            </span>
            <span className="num w-28 text-right">
              {r.cost === 0 ? 'no cost' : r.costPerFish === null ? `${r.cost.toFixed(0)}, no fish` : `${r.costPerFish.toFixed(2)} a fish`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
