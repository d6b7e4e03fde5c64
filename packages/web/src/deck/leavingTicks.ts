// What was ticked of a list that is not signed yet: it stays on the phone when the page is closed at any tap.

export interface Ticks {
  readonly read: () => readonly string[];
  readonly keep: (keys: readonly string[]) => void;
  readonly forget: () => void;
}

export function leavingTicks(tripId: string): Ticks {
  const key = `leaving ${tripId}`;
  return {
    read: () => {
      try {
        const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
        return Array.isArray(kept) ? kept.filter((k) => typeof k === 'string') : [];
      } catch {
        // Private pages keep nothing; the list is then gone through in one go.
        return [];
      }
    },
    keep: (keys) => {
      try {
        localStorage.setItem(key, JSON.stringify(keys));
      } catch {
        // As above.
      }
    },
    forget: () => localStorage.removeItem(key),
  };
}
