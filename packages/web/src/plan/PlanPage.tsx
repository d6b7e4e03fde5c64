import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import { dayLines, stopLines } from '@bluffwind/core/plan/legRisk';
import { laidWithout } from '@bluffwind/core/risk/findingWords';
import { RiskLines } from '../risk/RiskLines';
import { clock, dayName, fish, GOALS } from '../ui/format';
import type { ChangesSoFar } from '../workers/plan.worker';
import type { Working } from './planState';
import { presentationName } from './presentationName';
import { spotName } from './spotName';
import type { Told } from './useFindings';
import { words } from '../data/units';

interface PageProps {
  readonly desk: PlanDesk;
  readonly trip: TripView;
  readonly plan: Working;
  readonly told: Told | null;
  readonly fit: string;
  readonly naive: NaiveDay | null;
  readonly changes: ChangesSoFar | null;
}

/** The plan on one sheet of paper; on the screen it is not there. */
export function PlanPage({ desk, trip, plan, told, fit, naive, changes }: PageProps) {
  const spot = (id: string) => spotName(desk, id);
  const bait = (id: string) => presentationName(desk, id);
  return (
    <article className="hidden p-2 print:block" data-plan-page>
      <p>
        {trip.captain.name} · wants {GOALS[trip.goal]} · {clock(trip.startsAt, desk.zone)} to {clock(trip.endsAt, desk.zone)} ·{' '}
        <b>{fish(plan.expected)} fish</b>, {plan.lo80} to {plan.hi80}. {fit}
      </p>
      <p className="mt-1">{told?.sentences.join(' ')}</p>
      <table className="mt-2 w-full">
        <thead>
          <tr>
            {['', 'Arrive', 'Lines in', 'Lines out', 'Spot', 'Baits in turn', 'Fish'].map((h) => (
              <th key={h} scope="col" className="text-left font-normal">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {plan.legs.map((l, i) => (
            <tr key={l.startMs} className="border-t border-line align-top">
              <td className="num">{i + 1}</td>
              <td className="num">{clock(l.arriveMs, desk.zone)}</td>
              <td className="num">{clock(l.startMs, desk.zone)}</td>
              <td className="num">{clock(l.departMs, desk.zone)}</td>
              <td>
                <b>{spot(l.spotId)}</b>
                {l.pinned ? ' (pinned)' : ''}
                {told?.tracks[i] && (
                  <p>
                    {words(told.tracks[i].text)} {told.tracks[i].mind}
                  </p>
                )}
                {told?.risk?.legs[i] && <RiskLines lines={stopLines(told.risk.legs[i], desk.zone)} />}
              </td>
              <td>
                {(l.parts.length > 0 ? l.parts : [{ presentationId: l.presentationId, fromMs: l.startMs }]).map((p) => (
                  <div key={p.fromMs}>
                    <span className="num">{clock(p.fromMs, desk.zone)}</span> {bait(p.presentationId)}
                  </div>
                ))}
              </td>
              <td className="num">
                {fish(l.expected)}, {l.lo80} to {l.hi80}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {told?.bigLures && <p>{words(told.bigLures.text)}</p>}
      {told?.risk && <RiskLines lines={dayLines(told.risk, desk.zone)} />}
      {(told?.risk?.notKnown.length ?? 0) > 0 && <p>{laidWithout(told?.risk?.notKnown ?? [])}</p>}
      {desk.breaks.map((b) => (
        <p key={`${b.name} ${b.fromMs}`}>
          {b.name}: lines up {clock(b.fromMs, desk.zone)} to {clock(b.toMs, desk.zone)}.
        </p>
      ))}
      {changes?.triggers.slice(0, 4).map((t, i) => (
        <p key={t.id}>
          {i === 0 ? <b>Plan B. </b> : ''}
          {words(t.sentence)} Worth {fish(t.worth)} fish.
        </p>
      ))}
      {naive && <p>Yesterday’s best spots again would give {fish(naive.expected)} fish.</p>}
      <p className="mt-2">
        Printed for {dayName(trip.startsAt, desk.zone)}. Never permission to go: the weather on the day, local rules and the captain’s
        judgement come first.
      </p>
    </article>
  );
}
