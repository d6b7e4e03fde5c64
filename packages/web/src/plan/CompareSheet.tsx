import type { PlanDesk } from '@bluffwind/contract/plan';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { clock, fish } from '../ui/format';
import { Sheet } from '../ui/Sheet';
import { fromSaved, type Working } from './planState';
import { keptPlanQuery } from './queries';
import { Choice } from '../ui/Choice';

interface Side {
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  readonly legs: readonly { readonly spotId: string; readonly startMs: number; readonly departMs: number; readonly expected: number }[];
}

interface CompareProps {
  readonly open: boolean;
  readonly tripId: string;
  readonly desk: PlanDesk;
  readonly shown: Working;
  readonly previous: Working | null;
  readonly naive: NaiveDay | null;
  readonly onClose: () => void;
}

/** Two plans side by side: the one on screen against one that was kept, the last one, or yesterday's best. */
export function CompareSheet({ open, tripId, desk, shown, previous, naive, onClose }: CompareProps) {
  const choices: readonly (readonly [string, string])[] = [
    ...(previous ? [['previous', 'the plan before it'] as const] : []),
    ...(naive ? [['naive', 'yesterday’s best again'] as const] : []),
    ...desk.earlier.map((p) => [String(p.version), `plan ${p.version}, kept ${clock(p.madeAt, desk.zone)}`] as const),
  ];
  const [wanted, setWanted] = useState<string | null>(null);
  const with_ = choices.some(([k]) => k === wanted) ? wanted : (choices[0]?.[0] ?? null);
  const version = Number(with_);
  const kept = useQuery({ ...keptPlanQuery(tripId, version), enabled: open && Number.isInteger(version) && version > 0 });
  const other: Side | null = with_ === 'previous' ? previous : with_ === 'naive' ? naive : kept.data ? fromSaved(kept.data) : null;
  const names = new Map(desk.spots.map((s) => [s.id, s.name]));
  const gained = other ? shown.expected - other.expected : 0;
  return (
    <Sheet
      open={open}
      wide
      title="Two plans side by side"
      note="What is on screen and yesterday’s best have the rates of now; a kept plan shows what it was worth when it was kept."
      onClose={onClose}
    >
      {choices.length === 0 ? (
        <p>There is no other plan to hold this one against yet.</p>
      ) : (
        <>
          <Choice
            label="Against"
            labelled="beside"
            value={with_ ?? ''}
            options={choices.map(([value, name]) => ({ value, name }))}
            onPick={setWanted}
          />
          {other && (
            <p className="mt-2" data-gained>
              The plan on screen gives{' '}
              <b className={gained >= 0 ? 'text-kelp' : 'text-rust'}>
                {fish(Math.abs(gained))} {gained >= 0 ? 'more' : 'fewer'}
              </b>
              .
            </p>
          )}
          <div className="mt-2 grid grid-cols-2 gap-6">
            <Column title="On screen" side={shown} names={names} zone={desk.zone} against={other} />
            {other && (
              <Column title={choices.find(([k]) => k === with_)?.[1] ?? ''} side={other} names={names} zone={desk.zone} against={shown} />
            )}
          </div>
        </>
      )}
    </Sheet>
  );
}

function Column({
  title,
  side,
  names,
  zone,
  against,
}: {
  title: string;
  side: Side;
  names: ReadonlyMap<string, string>;
  zone: string;
  against: Side | null;
}) {
  return (
    <section aria-label={title}>
      <h3 className="font-bold">{title}</h3>
      <p>
        <b className="num text-[1.2rem]">{fish(side.expected)}</b> fish, {side.lo80} to {side.hi80}
      </p>
      <ol>
        {side.legs.map((l) => {
          const shared = against?.legs.some((x) => x.spotId === l.spotId) ?? true;
          return (
            <li key={l.startMs} className={`border-t border-line py-1.5 ${shared ? '' : 'border-l-4 border-l-kelp pl-2'}`}>
              <span className="num text-[0.87rem] text-ink-2">
                {clock(l.startMs, zone)} to {clock(l.departMs, zone)}
              </span>{' '}
              <b>{names.get(l.spotId)}</b>
              {shared ? '' : <span className="text-[0.83rem] text-ink-2"> here only</span>}
              <span className="num float-right">{fish(l.expected)}</span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
