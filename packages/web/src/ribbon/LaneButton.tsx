import type { ReactNode } from 'react';

export function LaneButton({ label, onPress, children }: { label: string; onPress: () => void; children: ReactNode }) {
  return (
    <button type="button" aria-label={label} onClick={onPress} className="flex h-11 w-11 cursor-pointer items-center justify-center">
      {children}
    </button>
  );
}
