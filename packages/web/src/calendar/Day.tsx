import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { DndContext, type DragEndEvent, PointerSensor, TouchSensor, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { Plus } from 'lucide-react';
import { useRef } from 'react';
import { Choice } from '../ui/Choice';
import { type Bar, clockOf, hoursShown, type Lane, type LaneKind, lanesOf, movedTo } from './dayLanes';
import { type TripActs, TripBar } from './TripBar';

interface DayProps extends TripActs {
  readonly date: string;
  readonly outfit: OutfitView;
  readonly trips: readonly TripView[];
  readonly by: LaneKind;
  readonly onBy: (by: LaneKind) => void;
  /** Who is away that day, by their keys. */
  readonly away: ReadonlySet<string>;
  readonly onNew: (lane: { readonly boatId?: string; readonly captainId?: string }) => void;
  readonly onMove: (trip: TripView, to: { from?: string; to?: string; boatId?: string; captainId?: string }) => void;
}

const ROW_PX = 68;
const HOUR_PX = 52;

/** A day by the hour: a lane for each boat, or for each captain. A trip that is dragged changes its hours, or its boat or captain. */
export function Day(p: DayProps) {
  const { by, date, zone, outfit, trips } = p;
  const lanes = lanesOf(outfit, trips, { date, zone, by });
  const { from, to } = hoursShown(lanes);
  const hours = Array.from({ length: to - from }, (_, i) => from + i);
  const track = useRef<HTMLDivElement>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 6 } }),
  );
  const dropped = ({ active, over, delta }: DragEndEvent) => {
    const lane = lanes.find((l) => l.bars.some((b) => b.trip.id === active.id));
    const bar = lane?.bars.find((b) => b.trip.id === active.id);
    const width = track.current?.clientWidth;
    if (!lane || !bar || !width) return;
    const moved = movedTo(bar, (delta.x / width) * (to - from) * 60);
    const hoursTo = moved && moved.from !== clockOf(bar.fromMin) ? moved : {};
    const laneTo = over && over.id !== lane.id ? { [by === 'boat' ? 'boatId' : 'captainId']: String(over.id) } : {};
    if (Object.keys({ ...hoursTo, ...laneTo }).length > 0) p.onMove(bar.trip, { ...hoursTo, ...laneTo });
  };
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} accessibility={{ container: document.body }}>
      <section aria-label="Day" tabIndex={0} className="min-h-0 flex-1 overflow-auto">
        <div className="flex items-center gap-2 px-3 py-2">
          <span aria-hidden>A lane for each</span>
          <Choice
            label="A lane for each"
            labelled="hidden"
            value={by}
            options={[
              { value: 'boat' as const, name: 'boat' },
              { value: 'captain' as const, name: 'captain' },
            ]}
            onPick={p.onBy}
            className="w-36"
          />
        </div>
        <div style={{ minWidth: 104 + hours.length * HOUR_PX }}>
          <div className="flex border-line border-b">
            <span className="sticky left-0 z-20 w-26 shrink-0 bg-paper md:w-[140px]" />
            <div ref={track} className="flex min-w-0 flex-1">
              {hours.map((h) => (
                <span key={h} className="num flex-1 border-line border-l px-1 py-1 text-[0.87rem] text-ink-2">
                  {String(h).padStart(2, '0')}
                </span>
              ))}
            </div>
          </div>
          {lanes.map((lane) => (
            <LaneRow key={lane.id} {...p} lane={lane} span={{ from, to }} hours={hours} />
          ))}
        </div>
      </section>
    </DndContext>
  );
}

function LaneRow({
  lane,
  span,
  hours,
  ...p
}: DayProps & { lane: Lane; span: { readonly from: number; readonly to: number }; hours: readonly number[] }) {
  const { setNodeRef, isOver } = useDroppable({ id: lane.id });
  const share = (min: number) => `${((min - span.from * 60) / ((span.to - span.from) * 60)) * 100}%`;
  const width = (b: Bar) => `${((b.toMin - b.fromMin) / ((span.to - span.from) * 60)) * 100}%`;
  return (
    <div ref={setNodeRef} data-lane={lane.name} className={`flex border-line border-b ${isOver ? 'bg-kelp-pale' : ''}`}>
      <div className="sticky left-0 z-20 flex w-26 shrink-0 flex-col bg-paper px-3 py-2 md:w-[140px]">
        <h2 className="font-bold break-words">{lane.name}</h2>
        {p.away.has(lane.id) && <span className="text-[0.87rem] text-ink-2">away</span>}
        {p.mayEdit && (
          <button
            type="button"
            onClick={() => p.onNew(p.by === 'boat' ? { boatId: lane.id } : { captainId: lane.id })}
            className="relative flex min-h-7 cursor-pointer items-center gap-1 text-left text-[0.9rem] text-ink-2 max-md:min-h-11"
          >
            <Plus size={14} aria-hidden="true" /> trip <span className="sr-only">of {lane.name}</span>
          </button>
        )}
      </div>
      <div className="relative min-w-0 flex-1" style={{ minHeight: lane.rows * ROW_PX + 8 }}>
        <div aria-hidden className="absolute inset-0 flex">
          {hours.map((h) => (
            <span key={h} className="flex-1 border-line border-l" />
          ))}
        </div>
        {lane.bars.map((b) => (
          <TripBar
            key={b.trip.id}
            {...p}
            trip={b.trip}
            named={p.by === 'boat' ? 'captain' : 'boat'}
            oneLine
            className="absolute"
            style={{ left: share(b.fromMin), width: width(b), top: 4 + b.row * ROW_PX, height: ROW_PX - 4 }}
          />
        ))}
      </div>
    </div>
  );
}
