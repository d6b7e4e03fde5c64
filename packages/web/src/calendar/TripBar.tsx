import type { TripView } from '@bluffwind/contract/trips';
import { useDraggable } from '@dnd-kit/core';
import type { CSSProperties, ReactNode } from 'react';
import { clock } from '../ui/format';
import { Menu, MenuItem } from '../ui/Menu';

/** What can be done with a trip of the calendar. */
export interface TripActs {
  readonly zone: string;
  readonly mayEdit: boolean;
  readonly onOpen: (trip: TripView) => void;
  readonly onChange: (trip: TripView) => void;
  readonly onCopy: (trip: TripView) => void;
  readonly onCancel: (trip: TripView) => void;
}

interface TripBarProps extends TripActs {
  readonly trip: TripView;
  /** Its boat, or its captain, said with it where its lane does not. */
  readonly named?: 'boat' | 'captain' | 'both';
  /** Its words stand in one line each: the bar is no higher. */
  readonly oneLine?: boolean;
  readonly className?: string;
  readonly style?: CSSProperties;
}

/** How a trip stands, in a word or two. */
function stateOf(t: TripView): ReactNode {
  if (t.status === 'cancelled') return `off: ${t.cancelReason}`;
  if (t.status !== 'planned') return t.status;
  return t.plan ? `about ${Math.round(t.plan.expected)} fish` : <span className="text-rust">no plan yet</span>;
}

/** A trip that can be opened, changed by its menu, and dragged while it is still ahead. */
export function TripBar({ trip: t, named = 'captain', oneLine = false, zone, mayEdit, className = '', style = {}, ...p }: TripBarProps) {
  const off = t.status === 'cancelled';
  const movable = mayEdit && t.status === 'planned';
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: t.id, disabled: !movable });
  return (
    <div
      ref={setNodeRef}
      {...(movable ? listeners : {})}
      data-trip={t.id}
      style={{ ...style, ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}) }}
      className={`flex min-w-0 items-start rounded border-l-4 px-2 py-1 ${isDragging ? 'z-30 shadow-lg' : ''} ${off || t.status === 'done' ? 'border-line text-ink-2' : t.plan ? 'border-kelp bg-kelp-pale' : 'border-rust bg-paper'} ${movable ? 'md:cursor-grab' : ''} ${className}`}
    >
      <button type="button" className="min-w-0 flex-1 cursor-pointer text-left" onClick={() => p.onOpen(t)} disabled={off}>
        <span className="num block truncate text-[0.87rem]">
          {clock(t.startsAt, zone)}–{clock(t.endsAt, zone)}
        </span>
        <b className={`block truncate ${off ? 'line-through' : ''}`}>
          {named === 'captain' ? '' : `${t.boat.name}, `}
          {t.guests.length > 0 ? `${t.guests[0]?.name.split(' ').at(-1)}, ${t.guests.length}` : 'no guests named'}
        </b>
        <span className={`block text-[0.87rem] text-ink-2 ${oneLine ? 'truncate' : ''}`}>
          {named === 'boat' ? '' : <>{t.captain.name.split(' ')[0]} · </>}
          {stateOf(t)}
        </span>
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
