import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotConditions, SpotGround, WaterState } from '@bluffwind/core/conditions/spotConditions';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { bedOfChart } from '../chart/bedOfChart';
import { boardQuery, chartQuery } from '../data/queries';
import { Fault, Waiting } from '../ui/parts';
import { PassageList } from './PassageList';

interface BarsProps {
  readonly waterId: string;
  readonly boats: OutfitView['boats'];
  readonly water: WaterState;
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly cursorAt: number;
  readonly zone: string;
  readonly mayEdit: boolean;
}

/** Bars and limits, once there is a chart to read them from. */
export function Bars({ waterId, boats, ...rest }: BarsProps) {
  const chart = useQuery(chartQuery(waterId));
  const board = useQuery(boardQuery);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  if (chart.error && !chart.data) return <Fault error={chart.error} retry={() => void chart.refetch()} />;
  if (!chart.data || !bed) return <Waiting what="Opening the chart" />;
  return (
    <PassageList
      chart={chart.data}
      bed={bed}
      waterId={waterId}
      boats={boats.filter((b) => b.craft === 'boat')}
      trips={[...(board.data?.today ?? []), ...(board.data?.tomorrow ?? [])]}
      {...rest}
    />
  );
}
