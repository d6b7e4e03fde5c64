import type { ReactNode } from 'react';
import { PullUp } from './PullUp';
import { usePocket } from './usePocket';

interface WorkplaceProps {
  /** What the panel is of, for who hears it. */
  readonly label: string;
  /** Width of the panel at the desk, px. */
  readonly width: number;
  readonly panel: ReactNode;
  /** How far the panel is pulled up at first in the pocket: 0 its tabs alone, 1 a third, 2 two thirds, 3 all of the place. */
  readonly pulled?: 0 | 1 | 2 | 3;
  readonly children: ReactNode;
}

/** A panel beside a chart; in the pocket the chart has the place, and the panel is pulled up over it. */
export function Workplace({ label, width, panel, pulled = 2, children }: WorkplaceProps) {
  if (usePocket())
    return (
      <div className="relative min-h-0 flex-1 overflow-hidden">
        <div className="no-print absolute inset-x-0 top-0 bottom-[58px]">{children}</div>
        <PullUp label={label} start={pulled}>
          {panel}
        </PullUp>
      </div>
    );
  return (
    <div className="print-wide grid min-h-0 flex-1" style={{ gridTemplateColumns: `${width}px 1fr` }}>
      {panel}
      <div className="relative min-h-0 min-w-0">{children}</div>
    </div>
  );
}
