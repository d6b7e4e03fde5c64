import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { serverNow } from '../data/clock';
import type { Here } from '../data/feature';
import { boardQuery, meQuery, outfitQuery } from '../data/queries';

/** Where the person stands, for the ways to the screens. */
export function useHere(): Here {
  const { data: me } = useQuery(meQuery);
  const { data: board } = useQuery(boardQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  const today = localDate(serverNow(), zone);
  return useMemo(() => {
    const done = board?.today ?? [];
    const next = board?.tomorrow ?? [];
    const trip = done.find((t) => t.status === 'under way') ?? done.find((t) => t.status === 'planned') ?? next[0];
    return { today, tomorrow: addDays(today, 1), zone, trips: [...next, ...done], trip, outfit };
  }, [board, outfit, today, zone]);
}
