import { metresPerDegree } from '@bluffwind/core/ground/seaBed';
import type { Feature } from 'ol';
import type { LineString, Point, Polygon } from 'ol/geom';
import VectorSource from 'ol/source/Vector';
import type { Circle, Style } from 'ol/style';
import { describe, expect, it } from 'vitest';
import { fillFeatures, fillFound, fillMarks, fillOwn, fillRoute, fillShade, fillSpots } from './chartSources';

const source = () => new VectorSource();
const geometry = <G>(f: Feature | undefined) => f?.getGeometry() as G;
const styles = (f: Feature | undefined) => [f?.getStyle()].flat() as Style[];
const words = (f: Feature | undefined) => styles(f).flatMap((s) => s.getText()?.getText() ?? []);
const DOCK = { lat: 47.59, lon: -35.24 };
const BRIDGE = {
  kind: 'bridge' as const,
  name: 'Rail bridge',
  points: [
    [-35.23, 47.6],
    [-35.22, 47.6],
  ] as [number, number][],
  piles: { count: 3, widthM: 4, deckM: 9 },
};

describe('spots of the chart', () => {
  const spot = { id: 'a', name: 'Near stone', lat: 47.6, lon: -35.23 };
  it('stand at their places with their names, those of the plan with their number', () => {
    const s = source();
    fillSpots(s, [spot, { ...spot, id: 'b', name: 'Long bank', order: 2 }], null);
    const [near, bank] = s.getFeatures();
    expect(geometry<Point>(near).getCoordinates()).toEqual([-35.23, 47.6]);
    expect(words(near)).toEqual(['Near stone']);
    expect(words(bank)).toEqual(['2', 'Long bank']);
    expect(bank?.get('spotId')).toBe('b');
  });
  it('say that they are banned, and are drawn with their ground where they have one', () => {
    const s = source();
    const points = [
      [-35.23, 47.6],
      [-35.22, 47.6],
      [-35.22, 47.61],
    ] as const;
    fillSpots(
      s,
      [
        { ...spot, banned: true, shape: 'area', points },
        { ...spot, id: 'b', shape: 'line', points },
      ],
      'b',
    );
    const [area, banned, line] = s.getFeatures();
    expect(geometry<Polygon>(area).getCoordinates()[0]).toHaveLength(4);
    expect(words(banned)).toEqual(['Near stone (banned)']);
    expect(geometry<LineString>(line).getCoordinates()).toHaveLength(3);
  });
  it('are drawn anew, not over each other', () => {
    const s = source();
    fillSpots(s, [spot, spot], null);
    fillSpots(s, [spot], null);
    expect(s.getFeatures()).toHaveLength(1);
  });
});

describe('marks', () => {
  it('have the piles of a bridge by number, and the dock', () => {
    const s = source();
    fillMarks(s, [BRIDGE], DOCK, 2);
    const piles = s.getFeatures().filter((f) => f.get('pile') !== undefined);
    expect(piles.map((f) => [f.get('pile'), words(f)[0]])).toEqual([
      [1, '1'],
      [2, '2'],
      [3, '3'],
    ]);
    expect(s.getFeatures().some((f) => words(f).includes('Dock'))).toBe(true);
  });
  it('throw their shade away from the sun, and none at night', () => {
    const s = source();
    // From due south, 45 degrees up: a pile's shade reaches as far to the north as its deck stands over the water, and on to the fish.
    fillShade(s, [BRIDGE], { heightDeg: 45, bearingDeg: 180 }, 1, 0);
    expect(s.getFeatures()).toHaveLength(3);
    const ring = geometry<Polygon>(s.getFeatures()[0]).getCoordinates()[0] as [number, number][];
    const northM = Math.max(...ring.map(([, lat]) => (lat - 47.6) * metresPerDegree(47.6).lat));
    expect(northM).toBeCloseTo(8 + 2, 0);
    fillShade(s, [BRIDGE], { heightDeg: -5, bearingDeg: 180 }, 1, 0);
    expect(s.getFeatures()).toHaveLength(0);
    fillShade(s, [BRIDGE], null, 1, 0);
    expect(s.getFeatures()).toHaveLength(0);
  });
});

describe('what else lies on the chart', () => {
  const points = [
    [-35.23, 47.6],
    [-35.22, 47.6],
    [-35.22, 47.61],
  ] as [number, number][];
  it('closes areas that the crew drew, and leaves lines open', () => {
    const s = source();
    const drawn = (kind: 'no-wake' | 'passage', id: string) => ({ id, kind, name: kind, points, detail: {} }) as never;
    fillFeatures(s, [drawn('no-wake', 'a'), drawn('passage', 'b')]);
    const [area, line] = s.getFeatures();
    expect(geometry<Polygon>(area).getType()).toBe('Polygon');
    expect(geometry<Polygon>(area).getCoordinates()[0]?.at(-1)).toEqual(points[0]);
    expect(geometry<LineString>(line).getType()).toBe('LineString');
    expect(line?.get('drawnId')).toBe('b');
  });
  it('draws a route of two places or more', () => {
    const s = source();
    fillRoute(s, points.slice(0, 1));
    expect(s.getFeatures()).toHaveLength(0);
    fillRoute(s, points);
    expect(geometry<LineString>(s.getFeatures()[0]).getCoordinates()).toHaveLength(3);
  });
  it('shows where the phone is with what it may be off', () => {
    const s = source();
    fillOwn(s, { lat: 47.6, lon: -35.23, accuracyM: 50 });
    const [around] = s.getFeatures();
    const lats = (geometry<Polygon>(around).getCoordinates()[0] as [number, number][]).map(([, lat]) => lat);
    expect(((Math.max(...lats) - Math.min(...lats)) / 2) * metresPerDegree(47.6).lat).toBeCloseTo(50, 0);
    fillOwn(s, null);
    expect(s.getFeatures()).toHaveLength(0);
  });
  it('rings what the finder offers, the chosen one larger', () => {
    const s = source();
    fillFound(
      s,
      [
        { key: 'x', lat: 47.6, lon: -35.23 },
        { key: 'y', lat: 47.61, lon: -35.23 },
      ],
      'y',
    );
    const radius = s.getFeatures().map((f) => (styles(f)[0]?.getImage() as Circle | undefined)?.getRadius() ?? 0);
    expect(radius[1]).toBeGreaterThan(radius[0] as number);
  });
});
