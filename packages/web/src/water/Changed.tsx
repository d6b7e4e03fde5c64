import type { WaterStateView } from '@bluffwind/contract/water';
import { MINUTE } from '@bluffwind/core/units/time';
import { useMemo } from 'react';
import { sinceYesterday } from './sinceYesterday';

/** What changed since this time yesterday and what is coming, with what it tends to mean. */
export function Changed({ state, now, zone }: { state: WaterStateView; now: number; zone: string }) {
  const minute = Math.floor(now / MINUTE);
  const changes = useMemo(() => sinceYesterday(state, minute * MINUTE, zone), [state, minute, zone]);
  return (
    <>
      <h2 className="mb-1 font-bold">Since this time yesterday</h2>
      {changes.map((c) => (
        <div key={c.head} className="border-t border-line py-2">
          <p>
            <b className={c.caution ? 'text-rust' : ''}>{c.head}</b> {c.text}
          </p>
          {c.meaning && <p className="text-[0.9rem] text-ink-2">{c.meaning}</p>}
        </div>
      ))}
      <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
        Solid is measured, dashed is forecast with its spread, dotted is carried forward. Usual practice, never permission: local rules and
        the captain’s judgement come first.
      </p>
    </>
  );
}
