import type { SpotView } from '@bluffwind/contract/grounds';
import type { SpotConditions, SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { warmingOrder } from '@bluffwind/core/conditions/warming';
import { DAY, HOUR, planningDay, startOfLocalDay } from '@bluffwind/core/units/time';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { clock, dayName } from '../ui/format';
import { figure } from '@bluffwind/core/units/measure';
import { amount, myUnits } from '../data/units';

interface Props {
  readonly waterId: string;
  readonly spots: readonly SpotView[];
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly cursorAt: number;
  readonly zone: string;
}

/** Where the water warms first on the cursor's day, by how much and how surely. */
export function WarmthList({ waterId, spots, at, cursorAt, zone }: Props) {
  const [flatsOnly, setFlatsOnly] = useState(false);
  const from = startOfLocalDay(planningDay(cursorAt, zone), zone) + 4 * HOUR;
  const to = from - 4 * HOUR + DAY - 4 * HOUR;
  const list = useMemo(
    () =>
      warmingOrder(
        at,
        spots.filter((s) => !flatsOnly || s.structure === 'flat'),
        from,
        to,
      ),
    [at, spots, flatsOnly, from, to],
  );
  return (
    <div>
      <p className="mb-1 text-[0.9rem] text-ink-2">
        {dayName(from, zone)}, from the night’s lowest. First is the first to gain half a degree.
      </p>
      <label className="mb-2 flex items-center gap-2 text-[0.9rem]">
        <input type="checkbox" checked={flatsOnly} onChange={(e) => setFlatsOnly(e.target.checked)} />
        Flats only
      </label>
      {list.length === 0 && (
        <p className="text-ink-2">No spot’s temperature can be worked out: air temperature or the water’s own is missing.</p>
      )}
      <ol>
        {list.slice(0, 12).map((w) => (
          <li key={w.spot.id} className="border-t border-line py-1.5" data-warming={w.spot.name}>
            <span className="flex justify-between gap-2">
              <Link to={`/grounds?water=${waterId}&spot=${w.spot.id}`} className="truncate font-semibold text-ink">
                {w.spot.name}
              </Link>
              <span className="num shrink-0">+{amount(w.gainC, 'warmer', 1)}</span>
            </span>
            <span className="block text-[0.87rem] text-ink-2">
              {figure(w.lowC, 'temp', myUnits(), 1).text} at {clock(w.lowAtMs, zone)} to {figure(w.highC, 'temp', myUnits(), 1).text} ±
              {figure(w.sdC, 'warmer', myUnits(), 1).text} at {clock(w.highAtMs, zone)}
              {w.warmAtMs !== null ? `; half a degree up by ${clock(w.warmAtMs, zone)}` : '; hardly warms'}
            </span>
          </li>
        ))}
      </ol>
      <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
        Computed from sun, cloud, wind, tide, depth and ground, corrected by the crew’s own readings at the spot.
      </p>
    </div>
  );
}
