import type { VariableName } from '@bluffwind/core/weather/variables';
import type { ReactNode } from 'react';

/** The lanes that have a drawing of their own, and every variable that the registry says how to draw. */
export type LaneName = 'light' | 'tide' | 'current' | 'wind' | VariableName;

/** A lane of a screen's own, among the others. */
export interface OwnLane {
  readonly key: string;
  readonly height: number;
  readonly render: (lane: LaneProps) => ReactNode;
}
export type LaneSpec = readonly [LaneName, number] | OwnLane;

export interface LaneProps {
  readonly x: (at: number) => number;
  readonly from: number;
  readonly to: number;
  readonly now: number;
  readonly height: number;
  readonly zone: string;
  readonly at: number;
  /** Id of the clip path of the plot area. */
  readonly clip: string;
  /** A phone's width: no room for words beside what is drawn. */
  readonly pocket: boolean;
}
