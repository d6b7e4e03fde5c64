import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { clock, dateName } from '../ui/format';
import { Menu, MenuItem } from '../ui/Menu';
import { usePocket } from '../ui/usePocket';

interface WeekProps {
  readonly from: string;
  readonly today: string;
  readonly zone: string;
  readonly boats: OutfitView['boats'];
  readonly trips: readonly TripView[];
  /** Days on which people are away, with their first names. */
  readonly away: readonly { readonly name: string; readonly fromOn: string; readonly toOn: string }[];
  readonly mayEdit: boolean;
  readonly onNew: (date: string, boatId: string) => void;
  readonly onOpen: (trip: TripView) => void;
  readonly onChange: (trip: TripView) => void;
  readonly onCopy: (trip: TripView) => void;
  readonly onCancel: (trip: TripView) => void;
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
              {dateName(d)}
              {d === p.today ? ', today' : ''}
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
                {dateName(d)}
                {d === p.today ? ', today' : ''}
                <Away on={d} away={p.away} />
              </h2>
              {tripsOf(p, d).map((t) => (
                <TripBar key={t.id} {...p} trip={t} named />
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
        <TripBar key={t.id} {...p} trip={t} />
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

/** How a trip stands, in a word or two. */
function stateOf(t: TripView): ReactNode {
  if (t.status === 'cancelled') return `off: ${t.cancelReason}`;
  if (t.status !== 'planned') return t.status;
  return t.plan ? `about ${Math.round(t.plan.expected)} fish` : <span className="text-rust">no plan yet</span>;
}

function TripBar({ trip: t, named = false, zone, mayEdit, ...p }: WeekProps & { trip: TripView; named?: boolean }) {
  const off = t.status === 'cancelled';
  const movable = mayEdit && t.status === 'planned';
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: t.id, disabled: !movable });
  const words: ReactNode = (
    <>
      <span className="num block text-[0.87rem]">
        {clock(t.startsAt, zone)}–{clock(t.endsAt, zone)}
      </span>
      <b className={`block truncate ${off ? 'line-through' : ''}`}>
        {named ? `${t.boat.name}, ` : ''}
        {t.guests.length > 0 ? `${t.guests[0]?.name.split(' ').at(-1)}, ${t.guests.length}` : 'no guests named'}
      </b>
      <span className="block text-[0.87rem] text-ink-2">
        {t.captain.name.split(' ')[0]} · {stateOf(t)}
      </span>
    </>
  );
  return (
    <div
      ref={setNodeRef}
      {...(movable ? listeners : {})}
      data-trip={t.id}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      className={`relative mb-1 flex min-w-0 items-start rounded border-l-4 px-2 py-1 ${isDragging ? 'z-30 shadow-lg' : ''} ${off || t.status === 'done' ? 'border-line text-ink-2' : t.plan ? 'border-kelp bg-kelp-pale' : 'border-rust bg-paper'} ${movable ? 'md:cursor-grab' : ''}`}
    >
      <button type="button" className="min-w-0 flex-1 cursor-pointer text-left" onClick={() => p.onOpen(t)} disabled={off}>
        {words}
      </button>
      {mayEdit && !off && (
        <Menu small name="More" label={`More for the trip of ${t.boat.name} at ${clock(t.startsAt, zone)}`}>
          {(t.status === 'planned' || t.status === 'under way') && <MenuItem onSelect={() => p.onChange(t)}>Change it</MenuItem>}
          <MenuItem onSelect={() => p.onCopy(t)}>Copy it to a week later</MenuItem>
          {t.status === 'planned' && <MenuItem onSelect={() => p.onCancel(t)}>Call it off</MenuItem>}
        </Menu>
      )}
    </div>
  );
}
