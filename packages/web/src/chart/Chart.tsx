// The outfit's own chart: land, depth bands, contours, soundings, marks and spots, following the ribbon's cursor.
import type { FeatureView, Mark, SoundingsView } from '@bluffwind/contract/grounds';
import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import { bearingDeg, distanceM, metresPerDegree, type SeaBed } from '@bluffwind/core/ground/seaBed';
import { compassPoint } from '@bluffwind/core/units/angle';
import { Feature, Map as OlMap, View } from 'ol';
import ScaleLine from 'ol/control/ScaleLine';
import type { Point } from 'ol/geom';
import type ImageLayer from 'ol/layer/Image';
import VectorLayer from 'ol/layer/Vector';
import VectorImageLayer from 'ol/layer/VectorImage';
import { useGeographic } from 'ol/proj';
import type ImageCanvasSource from 'ol/source/ImageCanvas';
import VectorSource from 'ol/source/Vector';
import { Fill, Style } from 'ol/style';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  type ChartSpot,
  fillFeatures,
  fillFound,
  fillGround,
  fillMarks,
  fillOwn,
  fillRoute,
  fillShade,
  fillSpots,
  fillShore,
  type OwnPlace,
  type Sun,
} from './chartSources';
import { shelteredArea } from './layers';
import { ChartButtons } from './ChartButtons';
import { type ChartPicture, pictureLayer } from './pictureLayer';
import { soundingsLayer } from './soundingsLayer';
import { TypedPoint } from './TypedPoint';
import { type Drawn, type Edited, type Points, useDrawing } from './useDrawing';
import { hatch, KELP } from './styles';
import 'ol/ol.css';
import { amount, myUnits } from '../data/units';

// biome-ignore lint/correctness/useHookAtTopLevel: not a hook of React, a setting of the map library
useGeographic();

interface ChartProps {
  readonly bed: SeaBed;
  readonly marks: readonly Mark[];
  readonly features?: readonly FeatureView[];
  readonly surveys?: readonly (readonly ContourLines[])[];
  readonly soundings?: SoundingsView | null;
  /** A picture from the air that lies under it; the chart is drawn thinly then. */
  readonly picture?: ChartPicture | null;
  readonly spots: readonly ChartSpot[];
  readonly dock: { readonly lat: number; readonly lon: number };
  readonly tideM: number | null;
  readonly wind: { readonly mps: number; readonly fromDeg: number } | null;
  readonly sun?: Sun | null;
  readonly fishDepthM?: number;
  readonly time: string;
  readonly selected?: string | null;
  readonly pile?: number | null;
  readonly found?: readonly { readonly key: string; readonly lat: number; readonly lon: number }[];
  readonly foundKey?: string | null;
  readonly route?: Points;
  /** Where the phone is. */
  readonly own?: OwnPlace | null;
  /** Where bearings and distances are read from. */
  readonly reference?: { readonly name: string; readonly lat: number; readonly lon: number };
  /** A shape that is being drawn, or one whose corners are being moved. */
  readonly draw?: Drawn | null;
  readonly edit?: Edited | null;
  readonly onSelect?: (spotId: string) => void;
  readonly onPile?: (number: number) => void;
  readonly onFound?: (key: string) => void;
}

/** Land and depth bands over a picture. */
const UNDER_PICTURE = 0.35;
/** How far from the middle Enter looks for a spot. */
const MIDDLE_PX = 60;

const NO_FEATURES: readonly FeatureView[] = [];
const NO_SURVEYS: readonly (readonly ContourLines[])[] = [];
const NONE: readonly never[] = [];

export function Chart(props: ChartProps) {
  const { bed, marks, spots, dock, tideM, wind, time, selected, route } = props;
  const { features = NO_FEATURES, surveys = NO_SURVEYS, soundings = null, sun = null, fishDepthM = 2, pile = null } = props;
  const { picture = null } = props;
  const { found = NONE, foundKey = null, draw = null, edit = null, own = null } = props;
  const box = useRef<HTMLDivElement>(null);
  const [map, setMap] = useState<OlMap | null>(null);
  const [pointer, setPointer] = useState<[number, number] | null>(null);
  const sources = useMemo(
    () => ({
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
    }),
    [],
  );
  const latest = useRef(props);
  latest.current = props;

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
      if (now.draw || now.edit) return;
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
  }, [sources]);

  useEffect(() => fillGround(sources.ground, bed, surveys), [bed, surveys, sources]);
  // The same water keeps its view when a survey changes its bed.
  const frame = `${bed.lat0} ${bed.lon0} ${bed.columns} ${bed.rows}`;
  const framed = useRef('');
  useEffect(() => {
    if (!map || framed.current === frame) return;
    framed.current = frame;
    fitWhole(map, bed);
  }, [map, bed, frame]);

  // Five centimetres for the water's edge, half a metre for the lee: finer steps cannot be seen.
  const edgeM = Math.round((tideM ?? 0) * 20) / 20;
  const leeTideM = Math.round((tideM ?? 0) * 2) / 2;
  useEffect(() => fillShore(sources.shore, bed, edgeM), [bed, edgeM, sources]);

  const windSector = wind ? Math.round(wind.fromDeg / 5) * 5 : null;
  const blows = wind !== null && wind.mps >= 2;
  useEffect(() => {
    sources.lee.clear();
    if (windSector === null || !blows) return;
    const lee = new Feature(shelteredArea(bed, windSector, leeTideM));
    lee.setStyle(new Style({ fill: new Fill({ color: hatch('rgba(47,107,60,0.55)') }) }));
    sources.lee.addFeature(lee);
  }, [bed, windSector, blows, leeTideM, sources]);

  useEffect(() => fillFeatures(sources.features, features), [features, sources]);
  useEffect(() => fillMarks(sources.marks, marks, { lat: dock.lat, lon: dock.lon }, pile), [marks, dock.lat, dock.lon, pile, sources]);
  useEffect(() => fillShade(sources.shade, marks, sun, tideM ?? 0, fishDepthM), [marks, sun, tideM, fishDepthM, sources]);
  useEffect(() => fillRoute(sources.route, route), [route, sources]);
  useEffect(() => fillSpots(sources.spots, spots, selected), [spots, selected, sources]);
  useEffect(() => fillOwn(sources.own, own), [own, sources]);
  useEffect(() => fillFound(sources.found, found, foundKey), [found, foundKey, sources]);

  useEffect(() => {
    if (!map || !soundings || soundings.lat.length === 0) return;
    const layer: ImageLayer<ImageCanvasSource> = soundingsLayer(soundings, 4);
    map.addLayer(layer);
    return () => {
      map.removeLayer(layer);
    };
  }, [map, soundings]);

  useEffect(() => {
    if (!map || !picture) return;
    const layer = pictureLayer(picture, 0);
    const ground = map
      .getLayers()
      .getArray()
      .filter((l) => [1, 2].includes(l.getZIndex() ?? 0));
    for (const l of ground) l.setOpacity(UNDER_PICTURE);
    map.addLayer(layer);
    return () => {
      map.removeLayer(layer);
      for (const l of ground) l.setOpacity(1);
    };
  }, [map, picture]);

  const byHand = useDrawing(map, sources.sketch, draw, edit);

  // The chosen one is brought into view, at a scale at which a pile can be told from its neighbour.
  useEffect(() => {
    if (!map || pile === null) return;
    const f = sources.marks.getFeatures().find((x) => x.get('pile') === pile);
    const at = (f?.getGeometry() as Point | undefined)?.getCoordinates();
    if (at) map.getView().animate({ center: at, zoom: Math.max(17.5, map.getView().getZoom() ?? 0), duration: 0 });
  }, [map, pile, sources]);

  const from = props.reference;
  return (
    <div className="relative h-full w-full overflow-hidden bg-[#e4dac0]" data-chart-box>
      <div
        ref={box}
        className="peer h-full w-full focus-visible:outline-offset-[-3px]"
        data-chart
        role="application"
        tabIndex={0}
        aria-label="Chart. Arrows move it, plus and minus zoom, Enter takes the spot in the middle; the spots are also in the list beside it"
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || !map) return;
          e.preventDefault();
          const [lon, lat] = map.getView().getCenter() as [number, number];
          if (draw) byHand.add(lon, lat);
          else {
            const near = nearMiddle(map, spots, MIDDLE_PX);
            if (near) props.onSelect?.(near.id);
          }
        }}
      />
      <svg
        className="pointer-events-none absolute top-1/2 left-1/2 hidden -translate-x-1/2 -translate-y-1/2 peer-focus-visible:block"
        width={34}
        height={34}
        aria-hidden="true"
      >
        <path d="M17 2V32M2 17H32" stroke="#10292e" strokeWidth={1.5} />
        <circle cx={17} cy={17} r={8} fill="none" stroke="#10292e" strokeWidth={1.5} />
      </svg>
      <ChartButtons
        onZoom={(by) => map?.getView().animate({ zoom: (map.getView().getZoom() ?? 13) + by, duration: 0 })}
        onWhole={() => map && fitWhole(map, bed)}
      />
      {draw && <TypedPoint shape={draw.shape} by={byHand} />}
      {wind && (
        <div className="pointer-events-none absolute top-4 right-5 flex flex-col items-center text-[#10292e]">
          <svg width={48} height={48} aria-hidden="true">
            <circle cx={24} cy={24} r={23} fill="#fbf9f3" opacity={0.92} />
            <path d="M24 8L33 39L24 32L15 39Z" fill="#10292e" transform={`rotate(${wind.fromDeg + 180} 24 24)`} />
          </svg>
          <span className="num mt-1 rounded bg-[#fbf9f3]/90 px-1 text-[0.8rem]">
            {compassPoint(wind.fromDeg)} {amount(wind.mps, 'wind', 0)}
          </span>
        </div>
      )}
      <div className="pointer-events-none absolute bottom-3 left-4 flex items-center gap-3 rounded bg-[#fbf9f3]/95 px-3 py-1.5 text-[0.8rem] text-[#10292e]">
        {blows && (
          <span className="flex items-center gap-2">
            <svg width={22} height={13} aria-hidden="true">
              <rect width={22} height={13} fill="none" stroke={KELP} strokeWidth={0.8} />
              <path d="M-3 13L10 0M4 13L17 0M11 13L24 0" stroke={KELP} strokeWidth={1} />
            </svg>
            sheltered at {time}
          </span>
        )}
        <span className="num">{tideM !== null ? `tide ${amount(tideM, 'height', 1)} at ${time}` : blows ? '' : `at ${time}`}</span>
        <span className="flex items-center gap-1">
          <svg width={10} height={14} aria-hidden="true">
            <path d="M5 0L9 13L5 10L1 13Z" fill="#10292e" />
          </svg>
          N
        </span>
        {pointer && (
          <span className="num text-[#45595c]">
            {degrees(pointer[1], 'N', 'S')} {degrees(pointer[0], 'E', 'W')}
            {from && ` · ${bearingWords(from, { lat: pointer[1], lon: pointer[0] })} from ${from.name}`}
          </span>
        )}
      </div>
    </div>
  );
}

/** The chart's scale in the units of ways. */
const SCALES = { km: 'metric', nmi: 'nautical', mi: 'us' } as const;

const degrees = (v: number, plus: string, minus: string) => `${Math.abs(v).toFixed(4)}° ${v >= 0 ? plus : minus}`;

/** Shows the whole of a water. */
function fitWhole(map: OlMap, bed: SeaBed): void {
  const m = metresPerDegree(bed.lat0);
  const [width, height] = [(bed.columns * bed.cellM) / m.lon, (bed.rows * bed.cellM) / m.lat];
  map.getView().fit([bed.lon0 + 0.02 * width, bed.lat0 + 0.05 * height, bed.lon0 + 0.98 * width, bed.lat0 + 0.95 * height], {
    padding: [4, 4, 4, 4],
  });
}

/** The spot nearest to the middle of the chart, within so many pixels. */
function nearMiddle(map: OlMap, spots: readonly ChartSpot[], withinPx: number): ChartSpot | null {
  const [width = 0, height = 0] = map.getSize() ?? [];
  const far = spots.map((s) => {
    const [x = 0, y = 0] = map.getPixelFromCoordinate([s.lon, s.lat]) ?? [];
    return { s, px: Math.hypot(x - width / 2, y - height / 2) };
  });
  const near = far.sort((a, b) => a.px - b.px)[0];
  return near && near.px <= withinPx ? near.s : null;
}

/** "1.2 km, 048°" from one place to another. */
function bearingWords(from: { lat: number; lon: number }, to: { lat: number; lon: number }): string {
  const d = distanceM(from, to);
  const bearing = String(Math.round(bearingDeg(from, to)) % 360).padStart(3, '0');
  return `${d < 1000 ? amount(d, 'near', 0) : amount(d, 'way', 2)}, ${bearing}°`;
}
