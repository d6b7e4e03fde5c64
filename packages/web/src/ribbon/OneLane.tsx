import { seriesOf, type waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { TideTurn } from '@bluffwind/core/tide/tideTurns';
import type { WaterStateView } from '@bluffwind/contract/water';
import { CurrentLane } from './CurrentLane';
import type { LaneName, LaneProps } from './laneProps';
import { LightLane } from './LightLane';
import { PressureLane, ScalarLane } from './ScalarLane';
import { TideLane } from './TideLane';
import { WindLane } from './WindLane';

interface OneProps extends LaneProps {
  readonly name: LaneName;
  readonly water: ReturnType<typeof waterStateOf>;
  readonly turns: readonly TideTurn[];
  readonly state: Partial<WaterStateView>;
  readonly limit: { readonly mps: number; readonly name: string } | undefined;
}

/** The drawing of a lane that has one of its own, else that of its variable. */
export function OneLane({ name, water, turns, state, limit, ...lane }: OneProps) {
  switch (name) {
    case 'light':
      return <LightLane {...lane} lat={water.lat} lon={water.lon} />;
    case 'tide':
      return <TideLane {...lane} model={water.tide} turns={turns} measured={water.levelM} levelAt={water.levelAt} />;
    case 'current':
      return water.currents[0] ? <CurrentLane {...lane} station={water.currents[0]} /> : null;
    case 'wind':
      return <WindLane {...lane} wind={water.wind} spread={state.windSpread ?? null} limit={limit} />;
    case 'pressureHpa':
      return <PressureLane {...lane} series={seriesOf(water, name)} spread={state.spreads?.[name] ?? null} />;
    default:
      return <ScalarLane {...lane} variable={name} series={seriesOf(water, name)} spread={state.spreads?.[name] ?? null} />;
  }
}
