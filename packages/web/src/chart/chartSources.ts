// Fills the chart's layers from the outfit's data. Each knows one kind of thing.
import type { FeatureView, Mark } from '@bluffwind/contract/grounds';
import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import { pilesOf } from '@bluffwind/core/ground/piles';
import { metresPerDegree, type SeaBed } from '@bluffwind/core/ground/seaBed';
import { shadeRing } from '@bluffwind/core/sky/shade';
import { Feature } from 'ol';
import { LineString, MultiLineString, type MultiPolygon, Point, Polygon } from 'ol/geom';
import { circular } from 'ol/geom/Polygon';
import type VectorSource from 'ol/source/Vector';
import { Circle, Fill, RegularShape, Stroke, Style, Text } from 'ol/style';
import { depth as depthWords } from '../ui/format';
import { deeperThan, unsoundedArea } from './layers';
import { BANDS, FONT, dots, featureStyle, INK, KELP, label, PAPER, RUST, stipple } from './styles';

const DRY_M = -3.4;
/** Unsounded water lies under water at every tide, as far as its colour goes. */
const UNSOUNDED_M = 1;

/** Sun over the chart at the cursor. */
export interface Sun {
  readonly heightDeg: number;
  readonly bearingDeg: number;
}

/** A spot as the chart draws it. */
export interface ChartSpot {
  readonly id: string;
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
  readonly shape?: 'point' | 'line' | 'area';
  readonly points?: readonly (readonly [number, number])[];
  /** Place in the plan, from 1. */
  readonly order?: number;
  readonly banned?: boolean;
  /** Lies in a part that is written off. */
  readonly faint?: boolean;
}

const coordinates = (points: readonly (readonly [number, number])[]) => points.map((p) => [...p]);
const closed = (points: readonly (readonly [number, number])[]) => [...coordinates(points), [...(points[0] as readonly [number, number])]];

/** What dries at all, and what the tide covers of it now. */
export function fillShore(source: VectorSource, bed: SeaBed, waterM: number): void {
  source.clear();
  const dry = new Feature(deeperThan(bed, DRY_M, UNSOUNDED_M));
  dry.setStyle(new Style({ fill: new Fill({ color: '#ece4cd' }), stroke: new Stroke({ color: '#8d7a4d', width: 1.2 }), zIndex: 0 }));
  const covered = new Feature(deeperThan(bed, -waterM, UNSOUNDED_M));
  covered.setStyle(new Style({ fill: new Fill({ color: '#e6eeee' }), stroke: new Stroke({ color: '#1f4a59', width: 1.1 }), zIndex: 1 }));
  source.addFeatures([dry, covered]);
  const blank = unsoundedArea(bed);
  if (!blank) return;
  const unsounded = new Feature(blank);
  unsounded.setStyle(new Style({ fill: new Fill({ color: dots() }), zIndex: 2 }));
  source.addFeature(unsounded);
}

/** Depth bands, and over them the fine contours of surveys, every fifth stronger. */
export function fillGround(source: VectorSource, bed: SeaBed, surveys: readonly (readonly ContourLines[])[]): void {
  source.clear();
  for (const [depth, color] of BANDS) {
    const f = new Feature(deeperThan(bed, depth));
    f.setStyle(
      new Style({ fill: new Fill({ color }), zIndex: 10 + depth, stroke: new Stroke({ color: 'rgba(31,74,89,0.35)', width: 0.8 }) }),
    );
    source.addFeature(f);
    addContourLabels(source, f.getGeometry() as MultiPolygon, depth);
  }
  for (const contours of surveys) {
    contours.forEach((c, i) => {
      const lines = c.lines.filter((l) => l.length > 5);
      if (lines.length === 0) return;
      const f = new Feature(new MultiLineString(lines.map((l) => coordinates(l))));
      const strong = i % 5 === 0;
      f.setStyle(
        new Style({ stroke: new Stroke({ color: `rgba(31,74,89,${strong ? 0.75 : 0.42})`, width: strong ? 1.1 : 0.7 }), zIndex: 50 }),
      );
      source.addFeature(f);
    });
  }
}

/** One depth figure per longer contour, where it does not run along the edge. */
function addContourLabels(source: VectorSource, area: MultiPolygon, depth: number): void {
  for (const polygon of area.getCoordinates()) {
    const ring = polygon[0];
    if (!ring || ring.length < 60) continue;
    const at = ring[Math.floor(ring.length * 0.37)];
    if (at) source.addFeature(figure(at, depth, 60));
  }
}

function figure(at: number[], depth: number, zIndex: number): Feature {
  const f = new Feature(new Point(at));
  f.setStyle(
    new Style({
      zIndex,
      text: new Text({
        text: depthWords(depth).replace('.0', ''),
        font: `11px ${FONT}`,
        fill: new Fill({ color: '#1f4a59' }),
        stroke: new Stroke({ color: 'rgba(211,225,227,0.9)', width: 3 }),
      }),
    }),
  );
  return f;
}

export function fillMarks(source: VectorSource, marks: readonly Mark[], dock: { lat: number; lon: number }, pile: number | null): void {
  source.clear();
  for (const m of marks) {
    if (m.kind === 'weed') {
      const f = new Feature(new Polygon([closed(m.points)]));
      f.setStyle(
        new Style({
          fill: new Fill({ color: stipple() }),
          stroke: new Stroke({ color: 'rgba(47,107,60,0.5)', width: 1, lineDash: [2, 3] }),
        }),
      );
      source.addFeature(f);
      continue;
    }
    const f = new Feature(new LineString(coordinates(m.points)));
    f.setStyle(new Style({ stroke: new Stroke({ color: INK, width: m.kind === 'quay' ? 5 : 3 }) }));
    source.addFeature(f);
    for (const p of m.piles ? pilesOf(m.points, m.piles.count) : []) {
      const chosen = p.number === pile;
      const foot = new Feature({ geometry: new Point([p.lon, p.lat]), pile: p.number });
      foot.setStyle(
        new Style({
          image: new RegularShape({
            points: 4,
            radius: chosen ? 9 : 6,
            angle: Math.PI / 4,
            fill: new Fill({ color: chosen ? KELP : INK }),
          }),
          text: new Text({
            text: String(p.number),
            font: `700 ${chosen ? 12 : 9.5}px ${FONT}`,
            fill: new Fill({ color: PAPER }),
            declutterMode: 'none',
          }),
          zIndex: 20,
        }),
      );
      source.addFeature(foot);
    }
  }
  const d = new Feature(new Point([dock.lon, dock.lat]));
  d.setStyle(
    new Style({
      image: new RegularShape({ points: 4, radius: 7, angle: Math.PI / 4, fill: new Fill({ color: INK }) }),
      text: label('Dock', { offsetY: 15 }),
    }),
  );
  source.addFeature(d);
}

/** Shade at fish depth of bridges and their piles. */
export function fillShade(source: VectorSource, marks: readonly Mark[], sun: Sun | null, waterM: number, fishDepthM: number): void {
  source.clear();
  if (!sun) return;
  const style = new Style({ fill: new Fill({ color: 'rgba(16,41,46,0.38)' }) });
  const add = (middle: { lat: number; lon: number }, foot: [number, number][], heightM: number) => {
    const m = metresPerDegree(middle.lat);
    const ring = shadeRing(foot, sun.heightDeg, sun.bearingDeg, heightM, fishDepthM);
    if (ring.length < 3) return;
    const f = new Feature(new Polygon([closed(ring.map(([x, y]) => [middle.lon + x / m.lon, middle.lat + y / m.lat]))]));
    f.setStyle(style);
    source.addFeature(f);
  };
  for (const mark of marks) {
    if (!mark.piles) continue;
    const half = mark.piles.widthM / 2;
    const square: [number, number][] = [
      [-half, -half],
      [half, -half],
      [half, half],
      [-half, half],
    ];
    for (const p of pilesOf(mark.points, mark.piles.count)) add(p, square, Math.max(0, mark.piles.deckM - waterM));
  }
}

export function fillFeatures(source: VectorSource, features: readonly FeatureView[]): void {
  source.clear();
  for (const item of features) {
    const area = item.kind === 'part' || item.kind === 'no-go' || item.kind === 'no-wake';
    const f = new Feature({
      geometry: area ? new Polygon([closed(item.points)]) : new LineString(coordinates(item.points)),
      drawnId: item.id,
    });
    f.setStyle(featureStyle(item.kind, item.name, Boolean(item.detail.writtenOff)));
    source.addFeature(f);
  }
}

export function fillRoute(source: VectorSource, route: readonly (readonly [number, number])[] | undefined): void {
  source.clear();
  if (!route || route.length < 2) return;
  const f = new Feature(new LineString(coordinates(route)));
  f.setStyle([
    new Style({ stroke: new Stroke({ color: PAPER, width: 5.5 }) }),
    new Style({ stroke: new Stroke({ color: KELP, width: 2.6 }) }),
  ]);
  source.addFeature(f);
}

/** Where the phone is, and how well it knows that. */
export interface OwnPlace {
  readonly lat: number;
  readonly lon: number;
  readonly accuracyM: number;
}

export function fillOwn(source: VectorSource, own: OwnPlace | null): void {
  source.clear();
  if (!own) return;
  const around = new Feature(circular([own.lon, own.lat], own.accuracyM));
  around.setStyle(new Style({ fill: new Fill({ color: 'rgba(16,41,46,0.12)' }), stroke: new Stroke({ color: INK, width: 1 }) }));
  const here = new Feature(new Point([own.lon, own.lat]));
  here.setStyle([
    new Style({ image: new RegularShape({ points: 4, radius: 13, angle: 0, fill: new Fill({ color: PAPER }) }) }),
    new Style({ image: new RegularShape({ points: 4, radius: 10, angle: 0, fill: new Fill({ color: INK }) }) }),
  ]);
  source.addFeatures([around, here]);
}

export function fillSpots(source: VectorSource, spots: readonly ChartSpot[], selected: string | null | undefined): void {
  source.clear();
  for (const s of spots) {
    const chosen = s.id === selected;
    const planned = s.order !== undefined;
    const ink = s.banned ? RUST : s.faint ? '#7d8b8b' : INK;
    if (s.points && s.shape !== undefined && s.shape !== 'point') {
      const area = s.shape === 'area';
      const ground = new Feature({
        geometry: area ? new Polygon([closed(s.points)]) : new LineString(coordinates(s.points)),
        spotId: s.id,
      });
      ground.setStyle(
        new Style({
          stroke: new Stroke({ color: chosen ? KELP : ink, width: chosen ? 2.5 : 1.5 }),
          ...(area ? { fill: new Fill({ color: 'rgba(251,249,243,0.25)' }) } : {}),
        }),
      );
      source.addFeature(ground);
    }
    const f = new Feature({ geometry: new Point([s.lon, s.lat]), spotId: s.id });
    f.setStyle([
      new Style({
        image: planned
          ? new Circle({
              radius: 12,
              fill: new Fill({ color: PAPER }),
              stroke: new Stroke({ color: KELP, width: 3 }),
              declutterMode: 'obstacle',
            })
          : new RegularShape({
              points: 4,
              radius: chosen ? 9 : 6.5,
              fill: new Fill({ color: chosen ? KELP : PAPER }),
              stroke: new Stroke({ color: ink, width: 1.6 }),
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
          color: ink,
        }),
        zIndex: planned ? 31 : chosen ? 26 : 6,
      }),
    ]);
    source.addFeature(f);
  }
}

/** Places that the finder offers: open rings, so that none looks like a spot. */
export function fillFound(
  source: VectorSource,
  found: readonly { key: string; lat: number; lon: number }[],
  selected: string | null,
): void {
  source.clear();
  for (const place of found) {
    const chosen = place.key === selected;
    const f = new Feature({ geometry: new Point([place.lon, place.lat]), foundKey: place.key });
    f.setStyle(
      new Style({
        image: new Circle({
          radius: chosen ? 11 : 7,
          stroke: new Stroke({ color: chosen ? KELP : '#8d7a4d', width: chosen ? 3 : 1.8 }),
          fill: new Fill({ color: 'rgba(251,249,243,0.4)' }),
        }),
        zIndex: chosen ? 2 : 1,
      }),
    );
    source.addFeature(f);
  }
}
