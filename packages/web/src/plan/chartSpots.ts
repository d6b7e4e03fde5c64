import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Working } from './planState';

/** The desk's spots as the chart draws them: numbered in the order of the plan, marked where they are banned. */
export const chartSpots = (spots: PlanDesk['spots'], shown: Pick<Working, 'legs' | 'bans'> | null) =>
  spots.map(({ id, name, lat, lon }) => {
    const place = shown?.legs.findIndex((l) => l.spotId === id) ?? -1;
    return { id, name, lat, lon, ...(place >= 0 ? { order: place + 1 } : {}), banned: shown?.bans.includes(id) ?? false };
  });
