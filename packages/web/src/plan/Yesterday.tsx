import type { PlanDesk } from '@bluffwind/contract/plan';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import { clock, fish, rate } from '../ui/format';
import type { Working } from './planState';
import { spotName } from './spotName';

/** What yesterday's best spots, best first, would give tomorrow, and why it is less. */
export function Yesterday({ desk, naive, shown }: { desk: PlanDesk; naive: NaiveDay | null; shown: Working | null }) {
  if (!naive) return <p className="py-3 text-ink-2">Nothing was fished here in the last three weeks, so there is no yesterday to go by.</p>;
  const name = (id: string) => spotName(desk, id);
  const less = shown ? shown.expected - naive.expected : 0;
  return (
    <div data-naive>
      <h2 className="font-bold">Yesterday’s best spots</h2>
      <p className="mt-1">
        The same spots again, laid as if the wind did what it did yesterday, promise <b className="num">{fish(naive.hoped)}</b> fish and
        would give <b className="num">{fish(naive.expected)}</b>, {naive.lo80} to {naive.hi80}.
        {shown && (
          <>
            {' '}
            The plan gives <b className="num">{fish(shown.expected)}</b>:{' '}
            <b className={less >= 0 ? 'text-kelp' : 'text-rust'} data-naive-less>
              {fish(Math.abs(less))} {less >= 0 ? 'more' : 'fewer'}
            </b>
            .
          </>
        )}
      </p>
      <ol className="mt-2">
        {naive.legs.map((l) => (
          <li key={l.spotId} className="border-t border-line py-2">
            <p className="flex items-baseline justify-between gap-3">
              <b>{name(l.spotId)}</b>
              <span className="num text-[0.87rem] text-ink-2">
                {clock(l.startMs, desk.zone)} to {clock(l.departMs, desk.zone)}
              </span>
            </p>
            <p className="text-[0.9rem]">
              <span className="num">{rate(l.rateThen)}</span> a rod-hour lately, <span className="num">{rate(l.rateNow)}</span> to expect:{' '}
              <span className="num">{fish(l.expected)}</span> fish of <span className="num">{fish(l.hoped)}</span> hoped for.
            </p>
            <p className={`text-[0.9rem] ${l.expected < 0.93 * l.hoped ? 'text-rust' : 'text-ink-2'}`}>{l.why}</p>
          </li>
        ))}
      </ol>
      <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
        The spots with the most fish per rod-hour of the last days, their best hours in yesterday’s wind, then scored in tomorrow’s.
      </p>
    </div>
  );
}
