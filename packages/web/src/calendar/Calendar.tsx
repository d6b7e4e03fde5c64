import type { TripView } from '@bluffwind/contract/trips';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight, Plus } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { serverNow } from '../data/clock';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery, outfitQuery, papersQuery } from '../data/queries';
import { useAddress } from '../data/useAddress';
import { useKeys } from '../data/useKeys';
import { calendarQuery } from '../trips/queries';
import { TripDialog, type TripTask } from '../trips/TripDialog';
import { draftOf, newDraft } from '../trips/tripDraft';
import { dateName } from '../ui/format';
import { useAsk } from '../ui/Ask';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { CancelDialog } from './CancelDialog';
import { Day } from './Day';
import type { LaneKind } from './dayLanes';
import { type MovedTo, useMoveTrip } from './useMoveTrip';
import { Week } from './Week';

const ImportBookings = lazy(() => import('../imports/ImportBookings').then((m) => ({ default: m.ImportBookings })));

/** Monday of the week of a date. */
const monday = (date: string): string => addDays(date, -((new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7));

/** A week of trips: days as columns, boats as rows; or one day by the hour. */
export default function Calendar() {
  const { data: me } = useQuery(meQuery);
  const outfit = useQuery(outfitQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  const today = localDate(serverNow(), zone);
  const [week, setWeek] = useAddress('week', monday(today));
  const [asked, setAsked] = useAddress('new', null);
  const [dayAsked, setDay] = useAddress('day', null, true);
  const [by, setBy] = useAddress('by', 'boat');
  const day = dayAsked !== null && /^\d{4}-\d{2}-\d{2}$/.test(dayAsked) ? dayAsked : null;
  const from = day !== null ? monday(day) : /^\d{4}-\d{2}-\d{2}$/.test(week) ? monday(week) : monday(today);
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
  const begin = (date: string, given: { readonly boatId?: string; readonly captainId?: string } = {}) => {
    if (!o || !me) return;
    const draft = newDraft(o, date, me.id, trips.data?.filter((t) => t.captain.id === me.id).at(-1));
    setTask({ what: 'new', draft: { ...draft, ...given } });
  };
  const moveTo = (t: TripView, moved: MovedTo) =>
    t.plan
      ? ask({
          title: `Move the trip of ${t.boat.name}${moved.date ? ` to ${dateName(moved.date)}` : moved.from ? ` to ${moved.from}` : ''}?`,
          text: 'Its day is laid for the hours, the boat and the captain that it has now. Moved, that plan is taken out and the day is laid anew.',
          yes: 'Move it',
          act: () => move.to(t, moved),
        })
      : move.to(t, moved);
  const inSight = today >= from && today <= addDays(from, 6);
  const firstDay = inSight ? addDays(today, today < addDays(from, 6) ? 1 : 0) : from;
  useKeys({ n: mayEdit ? () => begin(day ?? firstDay) : null });
  if (!o || !trips.data || !me)
    return <StandIn title="Calendar" what="Opening the calendar" error={failedOf(outfit, trips)} retry={askAgain(outfit, trips)} />;
  const ready = o.boats.length > 0 && o.waters.length > 0;
  const shown =
    task ??
    (asked !== null && ready && mayEdit ? ({ what: 'new', draft: newDraft(o, asked === 'yes' ? firstDay : asked, me.id) } as const) : null);
  const acts = {
    zone,
    mayEdit: mayEdit && ready,
    onOpen: (t: TripView) => void navigate(`/trips/${t.id}`),
    onChange: (t: TripView) => setTask({ what: 'change', trip: t, draft: draftOf(t, zone) }),
    onCopy: (t: TripView) =>
      setTask({ what: 'new', draft: { ...draftOf(t, zone), date: addDays(localDate(Date.parse(t.startsAt), zone), 7) } }),
    onCancel: setOff,
  };
  const step = day !== null ? 1 : 7;
  const go = (by: number) => (day !== null ? setDay(addDays(day, by)) : setWeek(addDays(from, by)));
  return (
    <>
      <Header
        title={day !== null ? dateName(day) : `Week of ${dateName(from)}`}
        note={`${count(day === null ? trips.data : trips.data.filter((t) => localDate(Date.parse(t.startsAt), zone) === day))} · days of ${zone.replaceAll('_', ' ')}`}
      >
        <Button aria-label={day !== null ? 'The day before' : 'The week before'} onClick={() => go(-step)}>
          <ChevronLeft size={16} aria-hidden="true" />
        </Button>
        {day === null && !inSight && <Button onClick={() => setWeek(monday(today))}>This week</Button>}
        <Button onClick={() => setDay(day !== null ? null : firstDay)}>{day !== null ? 'Week' : 'Day'}</Button>
        <Button aria-label={day !== null ? 'The day after' : 'The week after'} onClick={() => go(step)}>
          <ChevronRight size={16} aria-hidden="true" />
        </Button>
        {mayEdit && (
          <Button onClick={() => setBooking(true)} disabled={!ready}>
            Bookings
          </Button>
        )}
        {mayEdit && (
          <Button strong hint="N" onClick={() => begin(day ?? firstDay)} disabled={!ready}>
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
      {day !== null ? (
        <Day
          {...acts}
          date={day}
          outfit={o}
          trips={trips.data}
          by={by === 'captain' ? 'captain' : 'boat'}
          onBy={(kind: LaneKind) => setBy(kind)}
          away={new Set((papers.data?.away ?? []).filter((a) => a.fromOn <= day && a.toOn >= day).map((a) => a.personId))}
          onNew={(given) => begin(day, given)}
          onMove={moveTo}
        />
      ) : (
        <Week
          {...acts}
          from={from}
          today={today}
          boats={o.boats}
          trips={trips.data}
          away={(papers.data?.away ?? []).map((a) => ({ ...a, name: o.crew.find((p) => p.id === a.personId)?.name.split(' ')[0] ?? '' }))}
          onNew={(date, boatId) => begin(date, { boatId })}
          onDay={(d) => setDay(d)}
          onMove={(t, date, boatId) => moveTo(t, { date, boatId })}
        />
      )}
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
