import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { serverNow } from '../data/clock';
import { stateQuery } from '../data/queries';
import { waterSpan } from '../data/spans';
import { usePocket } from '../ui/usePocket';

const AGAIN_MS = 20_000;

/** What is measured and foretold of a water round today, asked for again and again, and conditions by place and instant worked out of it. */
export function useWaterNow(waterId: string | undefined, zone: string) {
  const now = serverNow();
  const today = localDate(now, zone);
  const pocket = usePocket();
  const [from, to] = useMemo(() => waterSpan(today, zone, pocket), [today, zone, pocket]);
  const state = useQuery({ ...stateQuery(waterId ?? '', from, to), enabled: waterId !== undefined, refetchInterval: AGAIN_MS });
  const live = useMemo(() => (state.data ? waterStateOf(state.data.record) : null), [state.data]);
  const at = useMemo(() => (live ? conditionsOver(live, from, to) : null), [live, from, to]);
  return { now, from, to, state, live, at };
}
