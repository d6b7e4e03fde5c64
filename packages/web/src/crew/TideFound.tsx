import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { DAY } from '@bluffwind/core/units/time';
import { useMemo } from 'react';
import { serverNow } from '../data/clock';
import { amount } from '../data/units';
import { clock, dayName } from '../ui/format';
import type { TideRead } from '../workers/files.worker';

const RECORDS = { turns: 'high and low waters', heights: 'heights', constants: 'constants' } as const;

/** What was read and fitted, and tomorrow's tide from it: the guide sees at once whether it is right. */
export function TideFound({ read, zone }: { read: TideRead; zone: string }) {
  const next = useMemo(() => {
    try {
      const now = serverNow();
      return tideTurns(tideModel(read.constants, read.z0M ?? 0), now, now + 1.6 * DAY).filter((t) => !t.minor);
    } catch {
      return null;
    }
  }, [read]);
  return (
    <div className="flex flex-col gap-2">
      <p data-tide-read>
        {read.records} {RECORDS[read.kind]}
        {read.days === null ? '' : ` over ${Math.round(read.days)} days`}.{' '}
        {read.rmsM === null ? '' : `The fit stands ${amount(read.rmsM, 'height', 2)} from them.`}
      </p>
      {read.days !== null && read.days < 330 && (
        <p className="text-[0.87rem] text-ink-2">
          Times will be good to some minutes.{' '}
          {read.days < 180
            ? 'What the season does to the level cannot be in so short a record; what it does at most shores is taken, and heights may be off by a hand’s breadth in other months.'
            : ''}
        </p>
      )}
      {read.kind === 'constants' && read.z0M === null && (
        <p className="text-rust">
          No mean level (Z0) is given: heights will count from it. Add a line Z0 with its height above chart datum.
        </p>
      )}
      {read.refused.length > 0 && (
        <details>
          <summary className="cursor-pointer text-rust">
            {read.refused.length} {read.refused.length === 1 ? 'line was' : 'lines were'} not taken
          </summary>
          <ul className="max-h-32 overflow-auto text-[0.87rem]">
            {read.refused.map((r) => (
              <li key={r.line}>
                Line {r.line}: {r.reason}. {r.remedy}
              </li>
            ))}
          </ul>
        </details>
      )}
      {read.gaps.length > 0 && (
        <p className="text-[0.87rem] text-ink-2">
          Nothing from {dayName(read.gaps[0]?.[0] ?? 0, zone)} to {dayName(read.gaps[0]?.[1] ?? 0, zone)}
          {read.gaps.length > 1 ? ` and in ${read.gaps.length - 1} more gaps` : ''}; the fit does without.
        </p>
      )}
      {next === null ? (
        <p role="alert" className="text-rust">
          A name among the constants is not known: use those such as M2, S2, N2, K1, O1.
        </p>
      ) : (
        <>
          <h3 className="font-bold">The next tides by it</h3>
          <ul className="num">
            {next.map((t) => (
              <li key={t.atMs} className="flex gap-3 border-t border-line py-0.5">
                <span className="w-28">{dayName(t.atMs, zone)}</span>
                <span className="w-16">{clock(t.atMs, zone)}</span>
                <span className="w-12">{t.kind}</span>
                <span>{amount(t.heightM, 'height', 1)}</span>
              </li>
            ))}
          </ul>
          <p className="text-[0.87rem] text-ink-2">Hold them against your table before you rely on them.</p>
        </>
      )}
    </div>
  );
}
