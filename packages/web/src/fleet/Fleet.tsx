import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { serverNow } from '../data/clock';
import { deskQuery, meQuery } from '../data/queries';
import { newPlanOf } from '../plan/newPlanOf';
import { clock, dateName, fish, GOALS } from '../ui/format';
import { RiskLines } from '../risk/RiskLines';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { useWorker } from '../workers/useWorker';
import type { FleetSoFar, FleetTrip, FleetWorker } from '../workers/fleet.worker';
import { keptMeetings } from './keptMeetings';
import { spotName } from '../plan/spotName';
import { fleetTripsQuery } from './queries';
import { useSave } from '../data/useSave';
import { Term } from '../ui/Term';
import { AmountChart } from '../ui/AmountChart';

const OF_PLANS = ['desk', 'board', 'brief', 'fleet'].map((key) => [key]);

const makeFleetWorker = () => new Worker(new URL('../workers/fleet.worker.ts', import.meta.url), { type: 'module' });

/** What is counted for a goal. */
const COUNTED = { numbers: 'fish', size: 'big fish', table: 'fish to keep', learn: 'fish of any kind' } as const;

/** All boats of a day together: no two on a spot, and who gives up what for it. */
export default function Fleet() {
  const { date = '' } = useParams();
  return <FleetOf key={date} date={date} />;
}

function FleetOf({ date }: { date: string }) {
  const queries = useQueryClient();
  const { data: me } = useQuery(meQuery);
  const trips = useQuery(fleetTripsQuery(date));
  const open = useMemo(() => (trips.data ?? []).filter((t) => t.status === 'planned'), [trips.data]);
  const desks = useQueries({ queries: open.map((t) => deskQuery(t.id)) });
  const worker = useWorker<FleetWorker>(makeFleetWorker);
  const [so, setSo] = useState<FleetSoFar | null>(null);
  const [fair, setFair] = useState(false);
  const [step, setStep] = useState('');
  // What he has seen to be unknown; another day, or anything more, is asked anew.
  const [seenOf, setSeenOf] = useState('');
  const ready = open.length > 0 && desks.every((q) => q.data !== undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: desks are new objects in each render; when they were read tells them apart
  const day = useMemo(
    () => (ready ? open.map((t, i) => ({ trip: t, desk: desks[i]?.data as PlanDesk })) : null),
    [ready, open, desks.map((q) => q.dataUpdatedAt).join()],
  );
  // A plan that goes to a spot which its captain keeps to himself stays as it is.
  const all = useMemo(() => day?.filter((x) => x.desk.hiddenLegs === 0) ?? null, [day]);
  useEffect(() => {
    if (!all) return;
    let current = true;
    const kept = Object.fromEntries(
      all.map(({ trip, desk }) => [
        trip.id,
        (desk.saved?.legs ?? []).map((l) => ({ spotId: l.spotId, startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) })),
      ]),
    );
    void (async () => {
      const w = worker.get();
      await w.open(all.map(({ trip, desk }) => ({ tripId: trip.id, desk })));
      if (current)
        await w.plan(
          fair,
          kept,
          proxy((x: FleetSoFar) => current && setSo(x)),
        );
    })();
    return () => {
      current = false;
    };
  }, [all, worker, fair]);

  const keeping = useSave<{ laid: readonly FleetTrip[]; saved: (tripId: string) => PlanDesk['saved'] }>({
    send: async ({ laid, saved }) => {
      const triggers = await worker.get().triggers(
        laid,
        proxy((done: number) => setStep(`What would change them: boat ${done} of ${laid.length}`)),
      );
      return post('/fleet/plans', {
        plans: laid.map((t) => ({
          tripId: t.tripId,
          ...newPlanOf({
            replaces: saved(t.tripId)?.version ?? 0,
            bans: saved(t.tripId)?.bans ?? [],
            without: t.without.map((w) => w.presentationId),
            legs: t.plan.legs,
            triggers: triggers[t.tripId] ?? [],
            seen: t.notKnown,
          }),
        })),
      });
    },
    touches: OF_PLANS,
    told: 'The plans of all boats are kept.',
    onStored: () => setStep(''),
    onRefused: () => {
      setStep('');
      // Somebody else may have taken a spot meanwhile.
      for (const queryKey of OF_PLANS) void queries.invalidateQueries({ queryKey });
    },
  });

  if (failedOf(trips)) return <Fault error={trips.error} retry={() => void trips.refetch()} />;
  const failed = failedOf(...desks);
  if (failed) return <Fault error={failed} retry={() => void queries.invalidateQueries({ queryKey: ['desk'] })} />;
  if (!me || !trips.data) return <Waiting what="Opening the day" />;
  const zone = me.outfit.zone;
  const today = localDate(serverNow(), zone);
  const notKnown = so?.trips.flatMap((t) => (t.notKnown.length > 0 ? [`${t.tripId} ${t.notKnown.join()}`] : [])).join() ?? '';
  const unknown = notKnown !== '';
  const seen = seenOf === notKnown;
  const meetings = all ? keptMeetings(all) : [];
  const given = so ? so.trips.reduce((s, t) => s + t.alone - t.together, 0) : 0;
  return (
    <>
      <Header
        title={`Fleet, ${dateName(date)}`}
        note={
          so ? (
            <span data-fleet-done={so.done}>
              <b className="num text-ink" data-fleet-worth={so.value}>
                {fish(so.value)}
              </b>{' '}
              fish of all boats, no more than <span className="num">{fish(so.bound)}</span> can be had; {fish(given)} given up so that no
              two meet
              {so.trips.some((t) => t.without.some((w) => w.fish >= 0.05)) ? ' and short bait goes round' : ''}
              {so.done ? '' : ', still looking ...'}
            </span>
          ) : (
            ''
          )
        }
      >
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={fair} onChange={(e) => setFair(e.target.checked)} /> Share the loss
        </label>
        <Term name="gives up" />
        <Link to={`/fleet/${addDays(date, date > today ? -1 : 1)}`} className="underline underline-offset-2">
          {dateName(addDays(date, date > today ? -1 : 1))}
        </Link>
        {me.role !== 'mate' && open.length > 0 && (
          <Button
            strong
            onClick={() =>
              so &&
              keeping.save({
                laid: so.trips.filter((t) => t.plan.legs.length > 0),
                saved: (tripId) => all?.find((x) => x.trip.id === tripId)?.desk.saved ?? null,
              })
            }
            disabled={!so?.done || keeping.busy || (unknown && !seen)}
          >
            Keep all plans
          </Button>
        )}
      </Header>
      {step && (
        <p role="status" className="border-b border-line px-[18px] py-1.5 text-ink-2">
          {step} ...
        </p>
      )}
      {unknown && (
        <p role={seen ? undefined : 'alert'} className="border-b border-rust bg-rust-pale px-[18px] py-1.5" data-fleet-not-known>
          Some boats are planned without what nobody has said; each row names it.{' '}
          {me.role !== 'mate' && (
            <label className="ml-2 whitespace-nowrap">
              <input type="checkbox" checked={seen} onChange={(e) => setSeenOf(e.target.checked ? notKnown : '')} /> I have seen it
            </label>
          )}
        </p>
      )}
      {keeping.error !== null && <Fault error={keeping.error} />}
      <section aria-label="Boats" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-4">
        {meetings.map((m) => (
          <p key={m} className="mb-2 border-l-4 border-rust bg-rust-pale px-3 py-1.5" data-meeting>
            {m}
          </p>
        ))}
        {open.length === 0 && (
          <p className="text-ink-2">
            No trip is to be planned on this day. Trips that are under way or done stay as they are; the Board lists what comes next.
          </p>
        )}
        {open.length > 0 && !so && <Waiting what="Ranking the spots of every boat" />}
        {so && all && (
          <ol>
            {all.map(({ trip, desk }) => {
              const own = so.trips.find((t) => t.tripId === trip.id);
              return own ? <BoatRow key={trip.id} trip={trip} desk={desk} own={own} zone={zone} all={so.trips} /> : null;
            })}
            {(day ?? [])
              .filter((x) => x.desk.hiddenLegs > 0)
              .map(({ trip }) => (
                <li key={trip.id} className="border-t border-line py-3 text-ink-2" data-fleet-kept={trip.boat.name}>
                  <b className="text-ink">{trip.boat.name}</b> {clock(trip.startsAt, zone)}–{clock(trip.endsAt, zone)}, {trip.captain.name}:
                  its plan goes to a spot that one captain keeps and stays as it is; the others go round what you can see of it.
                </li>
              ))}
          </ol>
        )}
        {so?.done && so.trips.length > 1 && (
          <AmountChart
            said={
              <>
                <b>What each gives up.</b> Together they have {fish(so.value)}; each for itself would count on {fish(so.value + given)}, and
                two would meet.
              </>
            }
            categories={so.trips.map((t) => {
              const trip = all?.find((x) => x.trip.id === t.tripId)?.trip;
              return trip ? `${trip.boat.name} ${clock(trip.startsAt, zone)}` : '';
            })}
            series={[
              { name: 'alone', look: 'bars', values: so.trips.map((t) => t.alone) },
              { name: 'together', look: 'bars', values: so.trips.map((t) => t.together) },
            ]}
            xTitle="boat and hour"
            yTitle="fish, as each trip counts them"
            width={760}
            show={fish}
          />
        )}
      </section>
    </>
  );
}

function BoatRow({
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
