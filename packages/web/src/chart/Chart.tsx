// The outfit's own chart: land, depth bands, contours, marks and spots, following the ribbon's cursor.
import type { Chart as ChartData } from '@bluffwind/contract/grounds';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { compassPoint } from '@bluffwind/core/units/angle';
import { Feature, Map as OlMap, View } from 'ol';
import ScaleLine from 'ol/control/ScaleLine';
import { LineString, type MultiPolygon, Point, Polygon } from 'ol/geom';
import VectorLayer from 'ol/layer/Vector';
import { useGeographic } from 'ol/proj';
import VectorSource from 'ol/source/Vector';
import { Circle, Fill, RegularShape, Stroke, Style, Text } from 'ol/style';
import { useEffect, useMemo, useRef, useState } from 'react';
import { depth as depthWords } from '../ui/format';
import { deeperThan, shelteredArea } from './layers';
import 'ol/ol.css';

// biome-ignore lint/correctness/useHookAtTopLevel: not a hook of React, a setting of the map library
useGeographic();

export interface ChartSpot {
  readonly id: string;
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
  /** Place in the plan, from 1. */
  readonly order?: number;
  readonly banned?: boolean;
}

interface ChartProps {
  readonly data: ChartData;
  readonly spots: readonly ChartSpot[];
  readonly dock: { readonly lat: number; readonly lon: number };
  readonly tideM: number | null;
  readonly wind: { readonly mps: number; readonly fromDeg: number } | null;
  readonly time: string;
  readonly selected?: string | null;
  readonly route?: readonly (readonly [number, number])[];
  readonly onSelect?: (spotId: string) => void;
}

const BANDS = [
  [2, '#d3e1e3'],
  [5, '#b8d0d5'],
  [10, '#95b7c0'],
  [15, '#6b97a4'],
  [25, '#3f7080'],
] as const;
const DRY = -3.4;
const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';
const INK = '#10292e';
const KELP = '#2f6b3c';

export function Chart({ data, spots, dock, tideM, wind, time, selected, route, onSelect }: ChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const [map, setMap] = useState<OlMap | null>(null);
  const [pointer, setPointer] = useState<string>('');
  const bed: SeaBed = data.bed;
  const sources = useMemo(
    () => ({
      drying: new VectorSource(),
      // Between what dries and the depth bands, so that it can change alone.
      tide: new VectorSource(),
      ground: new VectorSource(),
      lee: new VectorSource(),
      marks: new VectorSource(),
      route: new VectorSource(),
      spots: new VectorSource(),
    }),
    [],
  );
  const select = useRef(onSelect);
  select.current = onSelect;

  useEffect(() => {
    if (!box.current) return;
    const layer = (source: VectorSource, zIndex: number, declutter = false) =>
      new VectorLayer({ source, zIndex, declutter, updateWhileInteracting: true });
    const made = new OlMap({
      target: box.current,
      layers: [
        layer(sources.drying, 0),
        layer(sources.tide, 1),
        layer(sources.ground, 2),
        layer(sources.lee, 3),
        layer(sources.marks, 4),
        layer(sources.route, 5),
        layer(sources.spots, 6, true),
      ],
      view: new View({ center: [-35.2, 47.6], zoom: 13, maxZoom: 18, minZoom: 10, enableRotation: false }),
      controls: [new ScaleLine({ minWidth: 80 })],
    });
    made.on('click', (e) => {
      const hit = made.forEachFeatureAtPixel(e.pixel, (f) => f.get('spotId') as string | undefined, { hitTolerance: 6 });
      if (hit) select.current?.(hit);
    });
    setMap(made);
    // Labels drawn before the fonts are there would stay in another font.
    document.fonts.ready.then(() => made.render());
    return () => made.setTarget(undefined);
  }, [sources]);

  useEffect(() => {
    if (!map) return;
    const size = new ResizeObserver(() => map.updateSize());
    if (box.current) size.observe(box.current);
    const show = (e: { coordinate: number[] }) => {
      const [lon, lat] = e.coordinate as [number, number];
      setPointer(`${Math.abs(lat).toFixed(4)}° ${lat >= 0 ? 'N' : 'S'} ${Math.abs(lon).toFixed(4)}° ${lon >= 0 ? 'E' : 'W'}`);
    };
    map.on('pointermove', show);
    return () => {
      size.disconnect();
      map.un('pointermove', show);
    };
  }, [map]);

  useEffect(() => {
    sources.drying.clear();
    sources.ground.clear();
    const width = bed.columns * bed.cellM;
    const height = bed.rows * bed.cellM;
    const drying = new Feature(deeperThan(bed, DRY));
    drying.setStyle(new Style({ fill: new Fill({ color: '#ece4cd' }), stroke: new Stroke({ color: '#8d7a4d', width: 1.2 }), zIndex: 1 }));
    sources.drying.addFeature(drying);
    for (const [depth, color] of BANDS) {
      const f = new Feature(deeperThan(bed, depth));
      f.setStyle(
        new Style({ fill: new Fill({ color }), zIndex: 10 + depth, stroke: new Stroke({ color: 'rgba(31,74,89,0.35)', width: 0.8 }) }),
      );
      sources.ground.addFeature(f);
      addContourLabels(sources.ground, f.getGeometry() as MultiPolygon, depth);
    }
    if (map) {
      const m = { lat: 111_200, lon: 111_200 * Math.cos((bed.lat0 * Math.PI) / 180) };
      map
        .getView()
        .fit(
          [
            bed.lon0 + 0.02 * (width / m.lon),
            bed.lat0 + 0.05 * (height / m.lat),
            bed.lon0 + 0.98 * (width / m.lon),
            bed.lat0 + 0.95 * (height / m.lat),
          ],
          { padding: [4, 4, 4, 4] },
        );
    }
  }, [bed, map, sources]);

  // Five centimetres for the water's edge, half a metre for the lee: finer steps cannot be seen.
  const edgeM = Math.round((tideM ?? 0) * 20) / 20;
  const leeTideM = Math.round((tideM ?? 0) * 2) / 2;
  useEffect(() => {
    sources.tide.clear();
    const covered = new Feature(deeperThan(bed, -edgeM));
    covered.setStyle(new Style({ fill: new Fill({ color: '#e6eeee' }), stroke: new Stroke({ color: '#1f4a59', width: 1.1 }) }));
    sources.tide.addFeature(covered);
  }, [bed, edgeM, sources]);

  const windSector = wind ? Math.round(wind.fromDeg / 5) * 5 : null;
  const blows = wind !== null && wind.mps >= 2;
  useEffect(() => {
    sources.lee.clear();
    if (windSector === null || !blows) return;
    const lee = new Feature(shelteredArea(bed, windSector, leeTideM));
    lee.setStyle(new Style({ fill: new Fill({ color: hatch() }), zIndex: 50 }));
    sources.lee.addFeature(lee);
  }, [bed, windSector, blows, leeTideM, sources]);

  useEffect(() => {
    sources.marks.clear();
    for (const m of data.marks) {
      if (m.kind === 'weed') {
        const f = new Feature(new Polygon([[...m.points, m.points[0] as [number, number]]]));
        f.setStyle(
          new Style({
            fill: new Fill({ color: stipple() }),
            stroke: new Stroke({ color: 'rgba(47,107,60,0.5)', width: 1, lineDash: [2, 3] }),
          }),
        );
        sources.marks.addFeature(f);
        continue;
      }
      const f = new Feature(new LineString(m.points));
      f.setStyle(new Style({ stroke: new Stroke({ color: INK, width: m.kind === 'quay' ? 5 : 3 }) }));
      sources.marks.addFeature(f);
      if (m.kind === 'bridge') addPiles(sources.marks, m.points);
    }
    const d = new Feature(new Point([dock.lon, dock.lat]));
    d.setStyle(
      new Style({
        image: new RegularShape({ points: 4, radius: 7, angle: Math.PI / 4, fill: new Fill({ color: INK }) }),
        text: label('Dock', { offsetY: 15 }),
      }),
    );
    sources.marks.addFeature(d);
  }, [data, dock.lat, dock.lon, sources]);

  useEffect(() => {
    sources.route.clear();
    if (!route || route.length < 2) return;
    const f = new Feature(new LineString(route.map((p) => [...p])));
    f.setStyle([
      new Style({ stroke: new Stroke({ color: '#fbf9f3', width: 5.5 }) }),
      new Style({ stroke: new Stroke({ color: KELP, width: 2.6 }) }),
    ]);
    sources.route.addFeature(f);
  }, [route, sources]);

  useEffect(() => {
    sources.spots.clear();
    for (const s of spots) {
      const f = new Feature({ geometry: new Point([s.lon, s.lat]), spotId: s.id });
      const chosen = s.id === selected;
      const planned = s.order !== undefined;
      f.setStyle([
        new Style({
          image: planned
            ? new Circle({
                radius: 12,
                fill: new Fill({ color: '#fbf9f3' }),
                stroke: new Stroke({ color: KELP, width: 3 }),
                declutterMode: 'obstacle',
              })
            : new RegularShape({
                points: 4,
                radius: chosen ? 9 : 6.5,
                fill: new Fill({ color: chosen ? KELP : '#fbf9f3' }),
                stroke: new Stroke({ color: s.banned ? '#a4451d' : INK, width: 1.6 }),
                declutterMode: 'none',
              }),
          ...(planned
            ? { text: new Text({ text: String(s.order), font: `700 14px ${FONT}`, fill: new Fill({ color: INK }), declutterMode: 'none' }) }
            : {}),
          zIndex: planned ? 30 : chosen ? 25 : 5,
        }),
        new Style({
          text: label(s.banned ? `${s.name} (banned)` : s.name, {
            offsetX: planned ? 18 : 11,
            textAlign: 'left',
            bold: planned || chosen,
            color: s.banned ? '#a4451d' : INK,
          }),
          zIndex: planned ? 31 : chosen ? 26 : 6,
        }),
      ]);
      sources.spots.addFeature(f);
    }
  }, [spots, selected, sources]);

  return (
    <div className="relative h-full w-full overflow-hidden bg-[#e4dac0]">
      <div ref={box} className="h-full w-full" data-chart role="application" aria-label="Chart; the spots are also in the list beside it" />
      {wind && (
        <div className="pointer-events-none absolute top-4 right-5 flex flex-col items-center text-[#10292e]">
          <svg width={48} height={48} aria-hidden="true">
            <circle cx={24} cy={24} r={23} fill="#fbf9f3" opacity={0.92} />
            <path d="M24 8L33 39L24 32L15 39Z" fill="#10292e" transform={`rotate(${wind.fromDeg + 180} 24 24)`} />
          </svg>
          <span className="num mt-1 rounded bg-[#fbf9f3]/90 px-1 text-[0.8rem]">
            {compassPoint(wind.fromDeg)} {wind.mps.toFixed(0)} m/s
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
        <span className="num">{tideM !== null ? `tide ${tideM.toFixed(1)} m at ${time}` : `at ${time}`}</span>
        <span className="flex items-center gap-1">
          <svg width={10} height={14} aria-hidden="true">
            <path d="M5 0L9 13L5 10L1 13Z" fill="#10292e" />
          </svg>
          N
        </span>
        {pointer && <span className="num text-[#45595c]">{pointer}</span>}
      </div>
    </div>
  );
}

function label(
  text: string,
  {
    offsetX = 0,
    offsetY = 0,
    textAlign = 'center',
    bold = false,
    color = INK,
  }: { offsetX?: number; offsetY?: number; textAlign?: CanvasTextAlign; bold?: boolean; color?: string },
): Text {
  return new Text({
    text,
    font: `${bold ? 700 : 500} 13px ${FONT}`,
    offsetX,
    offsetY,
    textAlign,
    fill: new Fill({ color }),
    stroke: new Stroke({ color: 'rgba(251,249,243,0.92)', width: 3.5 }),
  });
}

/** One depth figure per longer contour, where it does not run along the edge. */
function addContourLabels(source: VectorSource, area: MultiPolygon, depth: number): void {
  for (const polygon of area.getCoordinates()) {
    const ring = polygon[0];
    if (!ring || ring.length < 60) continue;
    const at = ring[Math.floor(ring.length * 0.37)];
    if (!at) continue;
    const f = new Feature(new Point(at));
    f.setStyle(
      new Style({
        zIndex: 60,
        text: new Text({
          text: depthWords(depth).replace('.0', ''),
          font: `11px ${FONT}`,
          fill: new Fill({ color: '#1f4a59' }),
          stroke: new Stroke({ color: 'rgba(211,225,227,0.9)', width: 3 }),
        }),
      }),
    );
    source.addFeature(f);
  }
}

function addPiles(source: VectorSource, points: readonly (readonly [number, number])[]): void {
  const [a, b] = [points[0], points.at(-1)];
  if (!a || !b) return;
  for (let i = 1; i < 10; i++) {
    const f = new Feature(new Point([a[0] + ((b[0] - a[0]) * i) / 10, a[1] + ((b[1] - a[1]) * i) / 10]));
    f.setStyle(new Style({ image: new RegularShape({ points: 4, radius: 5, angle: Math.PI / 4, fill: new Fill({ color: INK }) }) }));
    source.addFeature(f);
  }
}

function pattern(size: number, draw: (g: CanvasRenderingContext2D) => void): CanvasPattern | string {
  const canvas = document.createElement('canvas');
  canvas.width = size;
  canvas.height = size;
  const g = canvas.getContext('2d');
  if (!g) return 'rgba(0,0,0,0)';
  draw(g);
  return g.createPattern(canvas, 'repeat') ?? 'rgba(0,0,0,0)';
}

const hatch = () =>
  pattern(8, (g) => {
    g.strokeStyle = 'rgba(47,107,60,0.55)';
    g.lineWidth = 1;
    g.beginPath();
    for (const o of [-8, 0, 8]) {
      g.moveTo(o, 8);
      g.lineTo(o + 8, 0);
    }
    g.stroke();
  });

const stipple = () =>
  pattern(9, (g) => {
    g.strokeStyle = 'rgba(47,107,60,0.8)';
    g.beginPath();
    g.moveTo(3, 7);
    g.lineTo(4.5, 2);
    g.lineTo(6, 7);
    g.stroke();
  });
