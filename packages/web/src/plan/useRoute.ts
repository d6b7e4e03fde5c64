import type { Chart } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { PlanDesk } from '@bluffwind/contract/plan';
import { quickestWay, runField } from '@bluffwind/core/ground/navigate';
import { type SeaBed, toLocal, toPosition } from '@bluffwind/core/ground/seaBed';
import { useMemo } from 'react';

/** The boat's way through a plan's legs over water deep enough, from the dock and back. */
export function useRoute(
  desk: PlanDesk | undefined,
  chart: Chart | undefined,
  bed: SeaBed | null,
  water: OutfitView['waters'][number] | undefined,
  legs: readonly { readonly spotId: string }[] | undefined,
) {
  return useMemo(() => {
    if (!desk || !chart || !bed || !water || !legs || legs.length === 0) return undefined;
    const field = runField(bed, { ...desk.boat, waveLimitM: desk.boat.waveLimitM ?? 1, speedMps: 1 }, desk.water.tide?.z0M ?? 0, {
      noGo: chart.features.filter((f) => f.kind === 'no-go').map((f) => f.points),
      noWake: [],
    });
    const stops = legs.map((l) => desk.spots.find((s) => s.id === l.spotId)).filter((s) => s !== undefined);
    const dock = { lat: water.dockLat, lon: water.dockLon };
    const places = [dock, ...stops, dock];
    return places.slice(1).flatMap((p, i) => {
      const a = places[i] as (typeof places)[number];
      const way = quickestWay(field, toLocal(bed, a.lat, a.lon), toLocal(bed, p.lat, p.lon))?.points ?? [
        toLocal(bed, a.lat, a.lon),
        toLocal(bed, p.lat, p.lon),
      ];
      return way.map((w) => {
        const at = toPosition(bed, w.xM, w.yM);
        return [at.lon, at.lat] as const;
      });
    });
  }, [desk, chart, bed, water, legs]);
}
