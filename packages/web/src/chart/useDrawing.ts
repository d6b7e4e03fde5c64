import type { Map as OlMap } from 'ol';
import { Feature } from 'ol';
import { LineString, Point, Polygon } from 'ol/geom';
import { Draw, Modify } from 'ol/interaction';
import type VectorSource from 'ol/source/Vector';
import { Fill, Stroke, Style } from 'ol/style';
import { useEffect, useRef, useState } from 'react';
import { KELP } from './styles';

export type Shape = 'point' | 'line' | 'area';
export type Points = readonly (readonly [number, number])[];

/** A shape that is being drawn. */
export interface Drawn {
  readonly shape: Shape;
  readonly onDone: (points: [number, number][]) => void;
}

/** A shape whose corners are being moved. */
export interface Edited {
  readonly shape: Shape;
  readonly points: Points;
  readonly onChange: (points: [number, number][]) => void;
}

/** Points that are set by keys or typed figures, and what can be done with them. */
export interface SetPoints {
  readonly points: Points;
  readonly add: (lon: number, lat: number) => void;
  readonly back: () => void;
  /** Null until there are enough of them. */
  readonly done: (() => void) | null;
}

/** Fewest points of a shape. */
const FEWEST = { point: 1, line: 2, area: 3 } as const;
const STYLE = new Style({ stroke: new Stroke({ color: KELP, width: 3 }), fill: new Fill({ color: 'rgba(47,107,60,0.12)' }) });

/** Draws a shape by pointer, by keys and by figures, or moves the corners of one. */
export function useDrawing(map: OlMap | null, sketch: VectorSource, draw: Drawn | null, edit: Edited | null): SetPoints {
  const latest = useRef({ draw, edit });
  latest.current = { draw, edit };
  const [points, setPoints] = useState<Points>([]);
  const shape = draw?.shape ?? null;

  // biome-ignore lint/correctness/useExhaustiveDependencies: another shape begins with no points
  useEffect(() => setPoints([]), [shape]);

  useEffect(() => {
    if (!map || !shape) return;
    const interaction = new Draw({ source: sketch, type: ({ point: 'Point', line: 'LineString', area: 'Polygon' } as const)[shape] });
    interaction.on('drawend', (e) => latest.current.draw?.onDone(pointsOf(e.feature.getGeometry())));
    map.addInteraction(interaction);
    const cancel = (e: KeyboardEvent) => {
      if (e.key === 'Escape') interaction.abortDrawing();
      if (e.key === 'Backspace' && !(e.target instanceof HTMLInputElement)) interaction.removeLastPoint();
    };
    window.addEventListener('keydown', cancel);
    return () => {
      window.removeEventListener('keydown', cancel);
      map.removeInteraction(interaction);
      sketch.clear();
    };
  }, [map, shape, sketch]);

  // What was set by keys stands on the chart as it grows.
  useEffect(() => {
    if (!shape || points.length === 0) return;
    const f = featureOf(points.length > 2 && shape === 'area' ? 'area' : points.length > 1 ? 'line' : 'point', points);
    sketch.addFeature(f);
    return () => sketch.removeFeature(f);
  }, [points, shape, sketch]);

  const editKey = edit ? `${edit.shape} ${JSON.stringify(edit.points)}` : '';
  useEffect(() => {
    const now = latest.current.edit;
    if (!map || !now || editKey === '') return;
    const f = featureOf(now.shape, now.points);
    sketch.addFeature(f);
    const interaction = new Modify({ source: sketch });
    interaction.on('modifyend', () => latest.current.edit?.onChange(pointsOf(f.getGeometry())));
    map.addInteraction(interaction);
    return () => {
      map.removeInteraction(interaction);
      sketch.clear();
    };
  }, [map, editKey, sketch]);

  const finish = (all: Points) => draw?.onDone(all.map((p) => [p[0], p[1]]));
  return {
    points,
    add: (lon, lat) => {
      const next: Points = [...points, [lon, lat]];
      if (shape === 'point') finish(next);
      else setPoints(next);
    },
    back: () => setPoints((p) => p.slice(0, -1)),
    done: shape && points.length >= FEWEST[shape] ? () => finish(points) : null,
  };
}

function featureOf(shape: Shape, points: Points): Feature {
  const all = points.map((p) => [...p]);
  const geometry =
    shape === 'point'
      ? new Point(all[0] as number[])
      : shape === 'line'
        ? new LineString(all)
        : new Polygon([[...all, all[0] as number[]]]);
  const f = new Feature<Point | LineString | Polygon>(geometry);
  if (shape !== 'point') f.setStyle(STYLE);
  return f;
}

function pointsOf(geometry: unknown): [number, number][] {
  if (geometry instanceof Point) return [geometry.getCoordinates().slice(0, 2) as [number, number]];
  if (geometry instanceof LineString) return geometry.getCoordinates().map((c) => c.slice(0, 2) as [number, number]);
  if (geometry instanceof Polygon) return (geometry.getCoordinates()[0] ?? []).slice(0, -1).map((c) => c.slice(0, 2) as [number, number]);
  return [];
}
