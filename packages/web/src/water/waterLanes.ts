import { seriesOf, type waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { ALL_VARIABLES, type VariableName } from '@bluffwind/core/weather/variables';
import type { LaneSpec } from '../ribbon/laneProps';

/** Lanes that stand there with or without readings; others come with theirs. */
const ALWAYS: readonly VariableName[] = ['waterTempC', 'airTempC', 'clarityM', 'pressureHpa'];

/** The lanes of a whole water, each with its height in pixels. */
export function waterLanes(live: ReturnType<typeof waterStateOf>, tidal: boolean): LaneSpec[] {
  return [
    ['light', 12],
    ...(tidal ? [['tide', 118] as const] : []),
    ...(live.currents.length > 0 ? [['current', 64] as const] : []),
    ['wind', 130],
    ['waterTempC', 104],
    ['airTempC', 84],
    ...ALL_VARIABLES.flatMap(([name, v]): LaneSpec[] => (v.lane && !ALWAYS.includes(name) && seriesOf(live, name) ? [[name, 80]] : [])),
    ['clarityM', 80],
    ['pressureHpa', 80],
  ];
}
