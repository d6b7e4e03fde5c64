import type { TripView } from '@bluffwind/contract/trips';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight, Plus } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { serverNow } from '../data/clock';
import { failedOf } from '../data/failedOf';
import { meQuery, outfitQuery, papersQuery } from '../data/queries';
import { useAddress } from '../data/useAddress';
import { useKeys } from '../data/useKeys';
import { calendarQuery } from '../trips/queries';
import { TripDialog, type TripTask } from '../trips/TripDialog';
import { draftOf, newDraft } from '../trips/tripDraft';
import { dateName } from '../ui/format';
import { useAsk } from '../ui/Ask';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { CancelDialog } from './CancelDialog';
import { useMoveTrip } from './useMoveTrip';
import { Week } from './Week';

const ImportBookings = lazy(() => import('../imports/ImportBookings').then((m) => ({ default: m.ImportBookings })));

/** Monday of the week of a date. */
const monday = (date: string): string => addDays(date, -((new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7));

/** A week of trips: days as columns, boats as rows. */
export default function Calendar() {
  const { data: me } = useQuery(meQuery);
  const outfit = useQuery(outfitQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  const today = localDate(serverNow(), zone);
  const [week, setWeek] = useAddress('week', monday(today));
  const [asked, setAsked] = useAddress('new', null);
  const from = /^\d{4}-\d{2}-\d{2}$/.test(week) ? monday(week) : monday(today);
  const trips = useQuery(calendarQuery(from, addDays(from, 6)));
  const papers = useQuery(papersQuery);
  const [task, setTask] = useState<TripTask | null>(null);
  const [booking, setBooking] = useState(false);
  const [off, setOff] = useState<TripView | null>(null);
  const navigate = useNavigate();
  const move = useMoveTrip(zone);
  const [ask, question] = useAsk();
  const mayEdit = me !== undefined && me.role !== 'mate';
  const o = outfit.data;
  const begin = (date: string, boatId?: string) => {
    if (!o || !me) return;
    const draft = newDraft(o, date, me.id, trips.data?.filter((t) => t.captain.id === me.id).at(-1));
    setTask({ what: 'new', draft: boatId ? { ...draft, boatId } : draft });
  };
  const inSight = today >= from && today <= addDays(from, 6);
  const firstDay = inSight ? addDays(today, today < addDays(from, 6) ? 1 : 0) : from;
  useKeys({ n: mayEdit ? () => begin(firstDay) : null });
  const failed = failedOf(outfit, trips);
  if (failed) return <Fault error={failed} retry={() => void trips.refetch()} />;
  if (!o || !trips.data || !me) return <Waiting what="Opening the calendar" />;
  const ready = o.boats.length > 0 && o.waters.length > 0;
  const shown =
    task ??
    (asked !== null && ready && mayEdit ? ({ what: 'new', draft: newDraft(o, asked === 'yes' ? firstDay : asked, me.id) } as const) : null);
  return (
    <>
      <Header title={`Week of ${dateName(from)}`} note={`${count(trips.data)} · days of ${zone.replaceAll('_', ' ')}`}>
        <Button aria-label="The week before" onClick={() => setWeek(addDays(from, -7))}>
          <ChevronLeft size={16} aria-hidden="true" />
        </Button>
        {!inSight && <Button onClick={() => setWeek(monday(today))}>This week</Button>}
        <Button aria-label="The week after" onClick={() => setWeek(addDays(from, 7))}>
          <ChevronRight size={16} aria-hidden="true" />
        </Button>
        {mayEdit && (
          <Button onClick={() => setBooking(true)} disabled={!ready}>
            Bookings
          </Button>
        )}
        {mayEdit && (
          <Button strong hint="N" onClick={() => begin(firstDay)} disabled={!ready}>
            <Plus size={16} aria-hidden="true" /> New trip
          </Button>
        )}
      </Header>
      {!ready && (
        <p className="m-4 max-w-prose border-l-4 border-rust bg-rust-pale px-4 py-3">
          A trip needs a water and a boat. Both are written down under Crew.
        </p>
      )}
      {question}
      {move.error !== null && <Fault error={move.error} />}
      <Week
        from={from}
        today={today}
        zone={zone}
        boats={o.boats}
        trips={trips.data}
        away={(papers.data?.away ?? []).map((a) => ({ ...a, name: o.crew.find((p) => p.id === a.personId)?.name.split(' ')[0] ?? '' }))}
        mayEdit={mayEdit && ready}
        onNew={begin}
        onOpen={(t) => navigate(`/trips/${t.id}`)}
        onChange={(t) => setTask({ what: 'change', trip: t, draft: draftOf(t, zone) })}
        onCopy={(t) => setTask({ what: 'new', draft: { ...draftOf(t, zone), date: addDays(localDate(Date.parse(t.startsAt), zone), 7) } })}
        onCancel={setOff}
        onMove={(t, date, boatId) =>
          t.plan
            ? ask({
                title: `Move the trip of ${t.boat.name} to ${dateName(date)}?`,
                text: 'Its day is laid for the hours and the boat that it has now. Moved, that plan is taken out and the day is laid anew.',
                yes: 'Move it',
                act: () => move.to(t, date, boatId),
              })
            : move.to(t, date, boatId)
        }
      />
      <TripDialog
        task={shown}
        outfit={o}
        zone={zone}
        onClose={() => {
          setTask(null);
          if (asked !== null) setAsked(null);
        }}
      />
      {booking && (
        <Suspense fallback={<Waiting what="Opening" />}>
          <ImportBookings outfit={o} zone={zone} myId={me.id} onClose={() => setBooking(false)} />
        </Suspense>
      )}
      <CancelDialog trip={off} zone={zone} onClose={() => setOff(null)} />
    </>
  );
}

function count(trips: readonly TripView[]): string {
  const on = trips.filter((t) => t.status !== 'cancelled').length;
  return on === 0 ? 'no trips' : on === 1 ? '1 trip' : `${on} trips`;
}
