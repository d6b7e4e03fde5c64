// The map of a chart: its layers from the bottom up, what a tap on it takes, and where the pointer is.
import { metresPerDegree, type SeaBed } from '@bluffwind/core/ground/seaBed';
import { Map as OlMap, View } from 'ol';
import ScaleLine from 'ol/control/ScaleLine';
import VectorLayer from 'ol/layer/Vector';
import VectorImageLayer from 'ol/layer/VectorImage';
import { useGeographic } from 'ol/proj';
import VectorSource from 'ol/source/Vector';
import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { myUnits } from '../data/units';

// biome-ignore lint/correctness/useHookAtTopLevel: not a hook of React, a setting of the map library
useGeographic();

/** The chart's scale in the units of ways. */
const SCALES = { km: 'metric', nmi: 'nautical', mi: 'us' } as const;

const newSources = () => ({
  // Under the depth bands, so that the water's edge can change alone.
  shore: new VectorSource(),
  ground: new VectorSource(),
  lee: new VectorSource(),
  shade: new VectorSource(),
  features: new VectorSource(),
  marks: new VectorSource(),
  route: new VectorSource(),
  found: new VectorSource(),
  spots: new VectorSource(),
  sketch: new VectorSource(),
  own: new VectorSource(),
});
export type ChartSources = ReturnType<typeof newSources>;

/** What is told when something on the chart is tapped. */
export interface Taps {
  readonly onSelect?: (spotId: string) => void;
  readonly onPile?: (number: number) => void;
  readonly onFound?: (key: string) => void;
}

/** @param taps - Null while a shape is drawn or moved: nothing is taken then. */
export function useChartMap(box: RefObject<HTMLDivElement | null>, taps: Taps | null) {
  const [map, setMap] = useState<OlMap | null>(null);
  const [pointer, setPointer] = useState<[number, number] | null>(null);
  const sources = useMemo(newSources, []);
  const latest = useRef(taps);
  latest.current = taps;
  useEffect(() => {
    if (!box.current) return;
    // Ground changes seldom: it is drawn once and only moved. What the cursor moves is drawn afresh.
    const still = (source: VectorSource, zIndex: number) => new VectorImageLayer({ source, zIndex, imageRatio: 1.4 });
    const live = (source: VectorSource, zIndex: number, declutter = false) => new VectorLayer({ source, zIndex, declutter });
    const made = new OlMap({
      target: box.current,
      layers: [
        still(sources.shore, 1),
        still(sources.ground, 2),
        still(sources.lee, 5),
        live(sources.shade, 6),
        live(sources.features, 7, true),
        live(sources.marks, 8),
        live(sources.route, 9),
        live(sources.found, 10),
        live(sources.spots, 11, true),
        live(sources.sketch, 12),
        live(sources.own, 13),
      ],
      view: new View({ center: [-35.2, 47.6], zoom: 13, maxZoom: 20, minZoom: 10, enableRotation: false }),
      controls: [new ScaleLine({ minWidth: 80, units: SCALES[myUnits().distance] })],
    });
    made.on('click', (e) => {
      const now = latest.current;
      if (!now) return;
      made.forEachFeatureAtPixel(
        e.pixel,
        (f) => {
          const [spotId, n, key] = [f.get('spotId'), f.get('pile'), f.get('foundKey')];
          if (typeof spotId === 'string') now.onSelect?.(spotId);
          else if (typeof n === 'number') now.onPile?.(n);
          else if (typeof key === 'string') now.onFound?.(key);
          else return false;
          return true;
        },
        { hitTolerance: 6 },
      );
    });
    made.on('pointermove', (e) => setPointer(e.coordinate as [number, number]));
    setMap(made);
    const size = new ResizeObserver(() => made.updateSize());
    size.observe(box.current);
    // Labels drawn before the fonts are there would stay in another font.
    document.fonts.ready.then(() => made.render());
    return () => {
      size.disconnect();
      made.setTarget(undefined);
    };
  }, [box, sources]);
  return { map, sources, pointer };
}

/** Shows the whole of a water. */
export function fitWhole(map: OlMap, bed: SeaBed): void {
  const m = metresPerDegree(bed.lat0);
  const [width, height] = [(bed.columns * bed.cellM) / m.lon, (bed.rows * bed.cellM) / m.lat];
  map.getView().fit([bed.lon0 + 0.02 * width, bed.lat0 + 0.05 * height, bed.lon0 + 0.98 * width, bed.lat0 + 0.95 * height], {
    padding: [4, 4, 4, 4],
  });
}

/** The place nearest to the middle of the chart, within so many pixels. */
export function nearMiddle<P extends { readonly lat: number; readonly lon: number }>(
  map: OlMap,
  places: readonly P[],
  withinPx: number,
): P | null {
  const [width = 0, height = 0] = map.getSize() ?? [];
  const far = places.map((place) => {
    const [x = 0, y = 0] = map.getPixelFromCoordinate([place.lon, place.lat]) ?? [];
    return { place, px: Math.hypot(x - width / 2, y - height / 2) };
  });
  const near = far.sort((a, b) => a.px - b.px)[0];
  return near && near.px <= withinPx ? near.place : null;
}
