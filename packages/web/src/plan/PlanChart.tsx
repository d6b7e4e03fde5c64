import type { Chart as ChartData } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { PlanDesk } from '@bluffwind/contract/plan';
import { conditionsOver, plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { useMemo } from 'react';
import { Chart } from '../chart/Chart';
import { useCursor } from '../data/time';
import { clock } from '../ui/format';
import { chartSpots } from './chartSpots';
import type { Working } from './planState';
import { useRoute } from './useRoute';

/** Metres of water at a place that stands for the whole. */
const MIDDLING_M = 5;

interface PlanChartProps {
  readonly desk: PlanDesk;
  readonly chart: ChartData;
  readonly bed: SeaBed;
  readonly water: OutfitView['waters'][number];
  readonly shown: Working | null;
  readonly selected: string | null;
  readonly from: number;
  readonly to: number;
  readonly onSelect: (spotId: string | null) => void;
}

/** The plan on the chart: its spots in order and the way between them, in the water of the cursor's hour. */
export function PlanChart({ desk, chart, bed, water, shown, selected, from, to, onSelect }: PlanChartProps) {
  const cursor = useCursor();
  const at = useMemo(() => conditionsOver(waterStateOf(desk.water), from, to), [desk.water, from, to]);
  const now = useMemo(() => at(plainSpot(desk.water, MIDDLING_M), cursor.at), [at, desk.water, cursor.at]);
  const spots = useMemo(() => chartSpots(desk.spots, shown), [desk.spots, shown]);
  const route = useRoute(desk, chart, bed, water, shown?.legs);
  return (
    <Chart
      ground={{ bed, marks: chart.marks, features: chart.features, dock: { lat: water.dockLat, lon: water.dockLon } }}
      hour={{
        tideM: now.tideHeightM,
        wind: now.windMps !== null && now.windFromDeg !== null ? { mps: now.windMps, fromDeg: now.windFromDeg } : null,
        time: clock(cursor.at, desk.zone),
      }}
      spots={spots}
      chosen={{ spot: selected }}
      route={route}
      taps={{ onSelect }}
    />
  );
}
