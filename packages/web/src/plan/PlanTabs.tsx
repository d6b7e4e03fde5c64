import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import type { ReactNode } from 'react';
import { SideTabs } from '../ui/SideTabs';
import type { Opened } from '../workers/usePlanWorker';
import { CallList } from './CallList';
import { Changes } from './Changes';
import { Kept } from './Kept';
import { Party } from './Party';
import { Stops } from './Stops';
import type { Findings } from './useFindings';
import type { PlanDoing } from './usePlan';
import { Yesterday } from './Yesterday';

interface Props {
  readonly desk: PlanDesk;
  readonly trip: TripView;
  readonly plan: PlanDoing;
  readonly opened: Opened | null;
  /** In place of the calls until the spots are ranked. */
  readonly unranked: ReactNode;
  readonly findings: Findings;
  readonly selected: string | null;
  readonly mayEdit: boolean;
  readonly onSelect: (spotId: string | null) => void;
}

/** Beside the chart: the calls, the stops, yesterday, what would change the plan, the party, plans that were kept. */
export function PlanTabs({ desk: d, trip, plan, opened, unranked, findings, selected, mayEdit, onSelect }: Props) {
  const { shown } = plan;
  const { told, naive, fit, changes, whyNot } = findings;
  return (
    <SideTabs
      label="What to look at"
      tabs={[
        {
          value: 'calls',
          name: 'Calls',
          full: true,
          content: opened ? (
            <CallList
              desk={d}
              calls={opened.calls}
              shut={opened.shut}
              sets={opened.sets}
              selected={selected}
              inPlan={shown?.legs.map((l) => l.spotId) ?? []}
              bans={shown?.bans ?? []}
              onSelect={(s) => onSelect(s === selected ? null : s)}
              onBan={plan.ban}
              onPin={plan.pin}
              pinned={shown?.legs.filter((l) => l.pinned).map((l) => l.spotId) ?? []}
              whyNot={whyNot}
            />
          ) : (
            unranked
          ),
        },
        {
          value: 'stops',
          name: 'Stops',
          content: <Stops desk={d} shown={shown} told={told} selected={selected} onSelect={onSelect} />,
        },
        { value: 'yesterday', name: 'Yesterday', content: <Yesterday desk={d} naive={naive} shown={shown} /> },
        {
          value: 'changes',
          name: `What if${changes && changes.triggers.length > 0 ? ` ${changes.triggers.length}` : ''}`,
          content: <Changes desk={d} so={changes} kept={d.saved?.triggers ?? []} onTake={plan.show} />,
        },
        { value: 'party', name: 'Party', content: <Party desk={d} trip={trip} mayEdit={mayEdit} fit={fit} /> },
        { value: 'kept', name: 'Kept', content: <Kept tripId={trip.id} desk={d} /> },
      ]}
    />
  );
}
