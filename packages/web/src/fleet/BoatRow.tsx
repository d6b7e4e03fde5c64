import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { Link } from 'react-router';
import { spotName } from '../plan/spotName';
import { RiskLines } from '../risk/RiskLines';
import { clock, fish, GOALS } from '../ui/format';
import type { FleetTrip } from '../workers/fleet.worker';

/** What is counted for a goal. */
const COUNTED = { numbers: 'fish', size: 'big fish', table: 'fish to keep', learn: 'fish of any kind' } as const;

/** One boat of the day: what it has, what it gives up for the others, and where it goes. */
export function BoatRow({
  trip,
  desk,
  own,
  zone,
  all,
}: {
  trip: TripView;
  desk: PlanDesk;
  own: FleetTrip;
  zone: string;
  all: readonly FleetTrip[];
}) {
  const lost = own.alone - own.together;
  const most = Math.max(1, ...all.map((t) => t.alone));
  const name = (id: string) => spotName(desk, id);
  const bait = (id: string) => desk.presentations.find((p) => p.id === id)?.name.split(',')[0] ?? '';
  return (
    <li className="grid gap-x-5 gap-y-2 md:grid-cols-[250px_190px_1fr] border-t border-line py-3" data-fleet-trip={trip.boat.name}>
      <div>
        <Link to={`/trips/${trip.id}`} className="font-bold underline underline-offset-2">
          {trip.boat.name}
        </Link>{' '}
        <span className="num text-[0.93rem]">
          {clock(trip.startsAt, zone)}–{clock(trip.endsAt, zone)}
        </span>
        <p className="text-[0.9rem] text-ink-2">
          {trip.captain.name}, {trip.water.name}
        </p>
        <p className="text-[0.9rem] text-ink-2">
          {trip.guests.length > 0 ? `${trip.guests[0]?.name.split(' ').at(-1)} party` : 'no guests named'}, wants {GOALS[trip.goal]}
        </p>
      </div>
      <div>
        <p>
          <b className="num text-[1.2rem]">{fish(own.together)}</b> <span className="text-[0.87rem] text-ink-2">{COUNTED[trip.goal]}</span>
        </p>
        <svg width={180} height={14} role="img" aria-label={`${fish(own.together)} of ${fish(own.alone)} fish that it would have alone`}>
          <rect x={0} y={3} width={(180 * own.alone) / most} height={8} fill="var(--sand-2)" />
          <rect x={0} y={3} width={(180 * own.together) / most} height={8} fill="var(--kelp)" />
        </svg>
        <p className="text-[0.87rem] text-ink-2">
          {lost < 0.05 ? 'gives up nothing' : `gives up ${fish(lost)} of ${fish(own.alone)}`}
          {own.without
            .filter((w) => w.fish >= 0.05)
            .map((w) => `; ${fish(w.fish)} of it for want of ${bait(w.presentationId)}`)
            .join('')}
          {own.kept === null ? '; no plan kept' : `; its kept plan: ${fish(own.kept)}`}
        </p>
      </div>
      <ol className="flex flex-wrap gap-2">
        {own.plan.legs.map((l, i) => (
          <li key={l.startMs} className="rounded border border-kelp bg-kelp-pale px-2.5 py-1.5 text-[0.87rem]">
            <span className="num text-ink-2">
              {clock(l.startMs, zone)}–{clock(l.departMs, zone)}
            </span>
            <br />
            <b>
              {i + 1} {name(l.spotId)}
            </b>
            <br />
            <span className="text-ink-2">
              {(l.parts.length > 0 ? l.parts.map((p) => bait(p.presentationId)) : [bait(l.presentationId)]).join(', then ')} ·{' '}
              {fish(l.expected)}
            </span>
          </li>
        ))}
        {own.plan.legs.length === 0 && <li className="text-rust">Nothing can be fished on this trip.</li>}
        {own.risk.length > 0 && (
          <li className="basis-full">
            <RiskLines lines={own.risk} className="text-[0.87rem]" />
          </li>
        )}
      </ol>
    </li>
  );
}
