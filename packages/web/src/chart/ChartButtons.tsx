import { Maximize, Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';

/** Nearer, farther, and the whole water. */
export function ChartButtons({ onZoom, onWhole }: { onZoom: (by: number) => void; onWhole: () => void }) {
  return (
    <div className="chart-note no-print absolute right-5 bottom-12 flex flex-col max-md:top-[106px] max-md:bottom-auto overflow-hidden rounded border border-[#10292e]/60 bg-[#fbf9f3] text-[#10292e]">
      <One label="Nearer" onPress={() => onZoom(1)}>
        <Plus size={17} aria-hidden="true" />
      </One>
      <One label="Farther" onPress={() => onZoom(-1)}>
        <Minus size={17} aria-hidden="true" />
      </One>
      <One label="The whole water" onPress={onWhole}>
        <Maximize size={15} aria-hidden="true" />
      </One>
    </div>
  );
}

function One({ label, onPress, children }: { label: string; onPress: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onPress}
      className="flex h-9 w-9 cursor-pointer items-center justify-center border-[#10292e]/25 not-first:border-t hover:bg-[#dbe7d6] max-md:h-11 max-md:w-11"
    >
      {children}
    </button>
  );
}
