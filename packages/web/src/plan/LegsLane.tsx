import type { PlanDesk } from '@bluffwind/contract/plan';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import type { LaneProps } from '../ribbon/laneProps';
import { fish } from '../ui/format';
import { AgainstLast } from './AgainstLast';
import { Legs } from './Legs';
import type { DragWorth } from './useDragWorth';
import type { PlanDoing } from './usePlan';
import { presentationName } from './presentationName';
import { spotName } from './spotName';

interface LegsLaneProps {
  readonly lane: LaneProps;
  readonly desk: PlanDesk;
  readonly plan: PlanDoing;
  readonly worth: DragWorth;
  readonly naive: NaiveDay | null;
  /** Hours in which big lures are eaten, ms. */
  readonly bigLures: readonly (readonly [number, number])[];
  readonly selected: string | null;
  readonly onSelect: (spotId: string) => void;
  readonly onDrag: (index: number, byMs: number) => void;
  readonly onDrop: (index: number, byMs: number) => void;
}

/** The ribbon's lane of a trip: its hours, its breaks, the legs, and what the plan is worth against the last one and the bound. */
export function LegsLane({ lane, desk: d, plan, worth, naive, bigLures, selected, onSelect, onDrag, onDrop }: LegsLaneProps) {
  const { shown } = plan;
  const nameOf = (spotId: string) => spotName(d, spotId);
  const baitOf = (id: string) => presentationName(d, id);
  return (
    <g>
      <rect x={lane.x(d.startsAt)} width={lane.x(d.endsAt) - lane.x(d.startsAt)} y={0} height={lane.height} fill="var(--paper)" />
      {d.breaks.map((b) => (
        <g key={`${b.name} ${b.fromMs}`}>
          <rect x={lane.x(b.fromMs)} width={lane.x(b.toMs) - lane.x(b.fromMs)} y={0} height={lane.height} fill="var(--sand)" />
          <title>{b.name}</title>
        </g>
      ))}
      {bigLures.map(([from, to]) => (
        <g key={from} data-big-lure-hours="">
          <title>Big lures are eaten now</title>
          <line
            x1={lane.x(from)}
            x2={lane.x(to)}
            y1={lane.height - 2}
            y2={lane.height - 2}
            stroke="var(--kelp)"
            strokeWidth={3}
            strokeDasharray="2 3"
          />
        </g>
      ))}
      {shown ? (
        <>
          <Legs
            lane={lane}
            legs={shown.legs}
            selected={selected}
            nameOf={nameOf}
            baitOf={baitOf}
            onSelect={onSelect}
            onPin={plan.pin}
            onDrag={onDrag}
            onDrop={onDrop}
          />
          {!lane.pocket && (
            <>
              <text x={lane.x(d.endsAt) + 12} y={17} fontSize={12} fill="var(--ink-2)" data-proof>
                {shown.proved ? 'no better day exists' : `within ${fish(shown.bound - shown.expected)} of the bound`}
                {shown.ms !== null ? `, ${shown.ms.toFixed(0)} ms` : ''}
              </text>
              <AgainstLast x={lane.x(d.endsAt) + 12} y={33} worth={worth} rest={against(plan.before, shown.expected, shown.by)} />
              {naive && (
                <text x={lane.x(d.endsAt) + 12} y={49} fontSize={12} fill="var(--ink-2)">
                  {`yesterday’s best again: ${fish(naive.expected)}`}
                </text>
              )}
            </>
          )}
        </>
      ) : (
        <text x={lane.x(d.startsAt) + 12} y={lane.height / 2 + 4} fontSize={13} fill="var(--ink-2)">
          {lane.pocket ? 'No stops yet.' : 'No stops yet. S lays the day.'}
        </text>
      )}
    </g>
  );
}

function against(before: number | null, now: number, by: string): string {
  if (before === null || Math.abs(now - before) < 0.05) return by;
  return `${now > before ? '+' : '−'}${fish(Math.abs(now - before))} fish, ${by}`;
}
