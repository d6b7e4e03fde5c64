import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** The spot that the address names, and what names another; the lists go back to the spots with it. */
export function useChosenSpot(): [id: string | null, choose: (id: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const choose = useCallback(
    (id: string | null) => {
      const next = new URLSearchParams(window.location.search);
      if (id) next.set('spot', id);
      else next.delete('spot');
      next.delete('tab');
      setParams(next);
    },
    [setParams],
  );
  return [params.get('spot'), choose];
}
