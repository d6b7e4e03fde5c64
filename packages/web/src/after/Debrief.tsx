import type { DebriefView } from '@bluffwind/contract/debrief';
import { useQuery } from '@tanstack/react-query';
import { failedOf } from '../data/failedOf';
import { fish } from '../ui/format';
import { Fault, RangeBar, Waiting } from '../ui/parts';
import { CrewSays } from './CrewSays';
import { DayFished } from './DayFished';
import { debriefQuery } from './queries';

/** Each stop against what was expected of it, and what the crew says. */
export function Debrief({ tripId, captain, zone }: { tripId: string; captain: boolean; zone: string }) {
  const debrief = useQuery(debriefQuery(tripId));
  if (failedOf(debrief)) return <Fault error={debrief.error} retry={() => debrief.refetch()} />;
  if (!debrief.data) return <Waiting what="Holding the day against its plan" />;
  return (
    <section aria-label="Debrief" className="px-4 py-4 md:px-6">
      <h2 className="text-[1.13rem] font-bold">What came of it</h2>
      <Stops stops={debrief.data.stops} />
      <DayFished view={debrief.data} zone={zone} />
      <CrewSays key={debrief.data.signedAt ?? 'open'} view={debrief.data} captain={captain} zone={zone} />
    </section>
  );
}

function Stops({ stops }: { stops: DebriefView['stops'] }) {
  const max = Math.max(4, ...stops.map((s) => Math.max(s.hi80 ?? 0, s.fish)));
  if (stops.length === 0) return <p className="text-ink-2">No stop was logged, so there is nothing to hold against the plan.</p>;
  return (
    <ul>
      {stops.map((s) => (
        <li key={s.spotId} data-stop={s.spot} className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-t border-line py-2">
          <span>
            <b>{s.spot}</b> <span className="text-[0.9rem] text-ink-2">{s.rodHours.toFixed(1)} rod-hours</span>
            <span className="block text-[0.93rem] text-ink-2">{s.words}</span>
            {s.out !== '' && <span className="block text-[0.93rem] text-ink-2">{s.out}.</span>}
          </span>
          {s.expected !== null && s.lo80 !== null && s.hi80 !== null && (
            <RangeBar
              lo={s.lo80}
              hi={s.hi80}
              max={max}
              dot={s.fish}
              width={120}
              label={`${s.fish} fish, expected ${fish(s.expected)}, 8 of 10 such days give ${s.lo80} to ${s.hi80}`}
            />
          )}
        </li>
      ))}
    </ul>
  );
}
