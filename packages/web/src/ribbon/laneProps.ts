import type { ReactNode } from 'react';

export type LaneName = 'light' | 'tide' | 'current' | 'wind' | 'water' | 'air' | 'clarity' | 'pressure' | 'flow';

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
