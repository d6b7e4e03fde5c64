import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { DndContext, type DragEndEvent, PointerSensor, TouchSensor, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { Plus } from 'lucide-react';
import { dateName } from '../ui/format';
import { usePocket } from '../ui/usePocket';
import { type TripActs, TripBar } from './TripBar';

interface WeekProps extends TripActs {
  readonly from: string;
  readonly today: string;
  readonly boats: OutfitView['boats'];
  readonly trips: readonly TripView[];
  /** Days on which people are away, with their first names. */
  readonly away: readonly { readonly name: string; readonly fromOn: string; readonly toOn: string }[];
  readonly onNew: (date: string, boatId: string) => void;
  /** A day by the hour. */
  readonly onDay: (date: string) => void;
  readonly onMove: (trip: TripView, date: string, boatId: string) => void;
}

/** Days as columns and boats as rows at the desk; in the pocket a day below the other. */
export function Week(p: WeekProps) {
  // Each trip is drawn once: what is dragged is known by its name, and a hidden twin would be taken for it.
  const pocket = usePocket();
  const days = Array.from({ length: 7 }, (_, i) => addDays(p.from, i));
  // A boat that is out of use still has its trips of the week.
  const rows = [
    ...p.boats.map((b) => ({ id: b.id, name: b.name })),
    ...p.trips.filter((t) => !p.boats.some((b) => b.id === t.boat.id)).map((t) => ({ id: t.boat.id, name: t.boat.name })),
  ].filter((b, i, all) => all.findIndex((x) => x.id === b.id) === i);
  // A press that does not move opens; on a phone a short hold begins the drag, so that the page still scrolls.
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 6 } }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const trip = p.trips.find((t) => t.id === active.id);
    if (!trip || !over) return;
    const [date, boatId] = String(over.id).split(' ') as [string, string];
    if (date === localDate(Date.parse(trip.startsAt), p.zone) && boatId === trip.boat.id) return;
    p.onMove(trip, date, boatId);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} accessibility={{ container: document.body }}>
      <section aria-label="Week" tabIndex={0} className="min-h-0 flex-1 overflow-auto">
        <div className="md:grid md:min-w-[860px] md:grid-cols-[120px_repeat(7,minmax(0,1fr))]">
          <span className="max-md:hidden" />
          {days.map((d) => (
            <h2
              key={d}
              className={`border-line border-b px-2 py-1.5 text-[0.93rem] max-md:hidden ${d === p.today ? 'font-bold text-kelp' : 'font-normal text-ink-2'}`}
            >
              <DayLink {...p} date={d} />
              <Away on={d} away={p.away} />
            </h2>
          ))}
          {(pocket ? [] : rows).map((b) => (
            <div key={b.id} className="contents">
              <h3 className="border-line border-b px-3 py-2 max-md:hidden">{b.name}</h3>
              {days.map((d) => (
                <Cell key={d} {...p} date={d} boat={b} className="max-md:hidden" />
              ))}
            </div>
          ))}
          {(pocket ? days : []).map((d) => (
            <div key={d} className="border-line border-b px-3 py-2">
              <h2 className={d === p.today ? 'font-bold text-kelp' : 'text-ink-2'}>
                <DayLink {...p} date={d} />
                <Away on={d} away={p.away} />
              </h2>
              {tripsOf(p, d).map((t) => (
                <TripBar key={t.id} {...p} trip={t} named="both" className="relative mb-1" />
              ))}
              {p.mayEdit && (
                <button
                  type="button"
                  onClick={() => p.onNew(d, rows[0]?.id ?? '')}
                  className="flex min-h-11 cursor-pointer items-center gap-1 text-[0.9rem] text-ink-2"
                >
                  <Plus size={14} aria-hidden="true" /> trip <span className="sr-only">on {dateName(d)}</span>
                </button>
              )}
            </div>
          ))}
        </div>
      </section>
    </DndContext>
  );
}

/** The day's name; it opens the day by the hour. */
function DayLink({ date, today, onDay }: Pick<WeekProps, 'today' | 'onDay'> & { date: string }) {
  return (
    <button
      type="button"
      onClick={() => onDay(date)}
      className="relative min-h-6 cursor-pointer text-left underline decoration-dotted underline-offset-3 max-md:min-h-11"
    >
      {dateName(date)}
      {date === today ? ', today' : ''}
      <span className="sr-only">, by the hour</span>
    </button>
  );
}

/** Who is away on a day. */
function Away({ on, away }: { on: string; away: WeekProps['away'] }) {
  const names = [...new Set(away.filter((a) => a.fromOn <= on && a.toOn >= on).map((a) => a.name))];
  return names.length === 0 ? null : <span className="block text-[0.87rem] font-normal text-ink-2">{names.join(', ')} away</span>;
}

function tripsOf(p: Pick<WeekProps, 'trips' | 'zone'>, date: string, boatId?: string): TripView[] {
  return p.trips.filter((t) => localDate(Date.parse(t.startsAt), p.zone) === date && (boatId === undefined || t.boat.id === boatId));
}

function Cell({ boat, date, className, ...p }: WeekProps & { boat: { id: string; name: string }; date: string; className: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${date} ${boat.id}` });
  const own = tripsOf(p, date, boat.id);
  return (
    <div
      ref={setNodeRef}
      data-cell={`${date} ${boat.name}`}
      className={`group/cell min-h-[86px] min-w-0 border-line border-b border-l p-1 ${isOver ? 'bg-kelp-pale' : ''} ${className}`}
    >
      {own.map((t) => (
        <TripBar key={t.id} {...p} trip={t} className="relative mb-1" />
      ))}
      {p.mayEdit && (
        <button
          type="button"
          aria-label={`A trip of ${boat.name} on ${dateName(date)}`}
          onClick={() => p.onNew(date, boat.id)}
          className="flex min-h-7 w-full cursor-pointer items-center justify-center text-ink-2 opacity-0 group-hover/cell:opacity-100 focus-visible:opacity-100"
        >
          <Plus size={14} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}
