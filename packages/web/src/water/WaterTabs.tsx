import type { OutfitView } from '@bluffwind/contract/outfit';
import type { WaterStateView } from '@bluffwind/contract/water';
import type { SpotConditions, SpotGround, WaterState } from '@bluffwind/core/conditions/spotConditions';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Bars } from './Bars';
import { Changed } from './Changed';
import { CrewReadings } from './CrewReadings';
import { StationList } from './StationList';
import { WarmthList } from './WarmthList';
import { spotsQuery } from '../data/queries';
import { useCursor } from '../data/time';
import { SideTabs } from '../ui/SideTabs';
import { Term } from '../ui/Term';

interface TabsProps {
  readonly waterId: string;
  readonly boats: OutfitView['boats'];
  readonly state: WaterStateView;
  readonly live: WaterState;
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly now: number;
  readonly zone: string;
  readonly mayEdit: boolean;
}

/** What the water does, in words: what changed, where it warms first, bars and limits, and who says so. */
export function WaterTabs({ waterId, boats, state, live, at, now, zone, mayEdit }: TabsProps) {
  const spots = useQuery(spotsQuery(waterId));
  const cursor = useCursor();
  const under = (head: ReactNode, content: ReactNode) => (
    <>
      <h2 className="mb-1 font-bold">{head}</h2>
      {content}
    </>
  );
  return (
    <SideTabs
      label="What to look at"
      tabs={[
        { value: 'changed', name: 'Changed', content: <Changed state={state} now={now} zone={zone} /> },
        {
          value: 'warmth',
          name: 'Warmth',
          content: under(
            <>
              Where it warms first <Term name="warmth" />
            </>,
            <WarmthList waterId={waterId} spots={spots.data ?? []} at={at} cursorAt={cursor.at} zone={zone} />,
          ),
        },
        {
          value: 'passage',
          name: 'Bars, limits',
          content: under(
            <>
              Bars and limits <Term name="bars, limits" />
            </>,
            <Bars water={live} {...{ waterId, boats, at, zone, mayEdit }} cursorAt={cursor.at} />,
          ),
        },
        {
          value: 'sources',
          name: 'Sources',
          content: under(
            'Who speaks',
            <>
              <StationList state={state} now={now} zone={zone} />
              <CrewReadings state={state} waterId={waterId} zone={zone} />
            </>,
          ),
        },
      ]}
    />
  );
}
