import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import type { WaterStateView } from '@bluffwind/contract/water';
import { atRisk } from '@bluffwind/core/risk/judge';
import { serverNow } from '../data/clock';
import { Ribbon } from '../ribbon/Ribbon';
import { fish } from '../ui/format';
import { LegsLane } from './LegsLane';
import type { DragWorth } from './useDragWorth';
import type { Findings } from './useFindings';
import type { PlanDoing } from './usePlan';

interface Props {
  readonly from: number;
  readonly to: number;
  readonly desk: PlanDesk;
  readonly state: WaterStateView;
  readonly boat: TripView['boat'];
  readonly tidal: boolean;
  readonly plan: PlanDoing;
  readonly findings: Findings;
  readonly worth: DragWorth;
  readonly selected: string | null;
  readonly onSelect: (spotId: string) => void;
  readonly onDrag: (index: number, byMs: number) => void;
  readonly onDrop: (index: number, byMs: number) => void;
}

/** The daylight round a trip: the water, and the plan's stops in hand. */
export function PlanRibbon({ from, to, desk: d, state, boat, tidal, plan, findings, worth, selected, onSelect, onDrag, onDrop }: Props) {
  const { shown } = plan;
  const { naive, told } = findings;
  return (
    <Ribbon
      from={from}
      to={to}
      now={serverNow()}
      zone={d.zone}
      state={state}
      limit={
        boat.windLimitMps === null
          ? undefined
          : {
              mps: boat.windLimitMps * (atRisk(d.party) ? d.party.share : 1),
              name: atRisk(d.party) ? 'limit for this party' : "boat's own limit",
            }
      }
      startAt={d.startsAt}
      lanes={[['light', 10], ...(tidal ? [['tide', 60] as const] : []), ['wind', 48], ['waterTempC', 44]]}
      extra={{
        height: 62,
        label: (
          <>
            <span className="block text-[13px] text-ink-2">
              {shown?.saved ? `Stops, plan ${shown.saved}` : shown ? 'Stops, not saved' : 'Stops'}
            </span>
            <b className="num" data-expected={shown?.expected ?? 0}>
              {shown ? fish(shown.expected) : 'none'}
            </b>
            <span className="text-[11.5px] whitespace-nowrap text-ink-3"> {shown ? `fish, ${shown.lo80}–${shown.hi80}` : ''}</span>
          </>
        ),
        render: (lane) => (
          <LegsLane
            lane={lane}
            desk={d}
            plan={plan}
            worth={worth}
            naive={naive}
            bigLures={told?.bigLures?.open ?? []}
            selected={selected}
            onSelect={onSelect}
            onDrag={onDrag}
            onDrop={onDrop}
          />
        ),
      }}
    />
  );
}
