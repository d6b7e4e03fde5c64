import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { serverNow } from '../data/clock';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery } from '../data/queries';
import { AmountChart } from '../ui/AmountChart';
import { clock, dateName, fish } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Term } from '../ui/Term';
import { BoatRow } from './BoatRow';
import { keptMeetings } from './keptMeetings';
import { useFleetDay } from './useFleetDay';

/** All boats of a day together: no two on a spot, and who gives up what for it. */
export default function Fleet() {
  const { date = '' } = useParams();
  return <FleetOf key={date} date={date} />;
}

function FleetOf({ date }: { date: string }) {
  const { data: me } = useQuery(meQuery);
  const [fair, setFair] = useState(false);
  // What was seen to be unknown; another day, or anything more, is asked anew.
  const [seenOf, setSeenOf] = useState('');
  const { trips, open, desks, day, all, so, step, keeping, readAgain } = useFleetDay(date, fair);
  const failed = failedOf(trips, ...desks);
  if (failed || !me || !trips.data) {
    const retry = failedOf(trips) ? askAgain(trips) : readAgain;
    return <StandIn title={`Fleet, ${dateName(date)}`} what="Opening the day" error={failed} retry={retry} />;
  }
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
