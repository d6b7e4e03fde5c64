// What is being drawn, moved or described on the chart and is not stored yet.
import type { SpotView } from '@bluffwind/contract/grounds';
import { useCallback, useState } from 'react';
import { v7 } from 'uuid';
import type { FeatureDraft } from './FeatureDialog';
import type { Drawing } from './GroundsMenus';
import type { SpotDraft } from './SpotDialog';
import type { Found } from './useGrounds';

/** @param toDraw - What the address asks to be drawn first. @param drawShore - Stores a piece of the shore. */
export function useDrafts(toDraw: string | null, drawShore: (inside: 'land' | 'water', points: [number, number][]) => void) {
  const [drawing, setDrawing] = useState<Drawing | null>(toDraw === 'land' || toDraw === 'water' ? { what: toDraw, shape: 'area' } : null);
  const [moving, setMoving] = useState<SpotDraft | null>(null);
  const [spot, setSpot] = useState<SpotDraft | null>(null);
  const [feature, setFeature] = useState<FeatureDraft | null>(null);
  const edit = useCallback((s: SpotView) => setSpot({ ...s }), []);
  const accept = useCallback(
    (f: Found) =>
      setSpot({
        id: v7(),
        shape: 'point',
        points: [[f.lon, f.lat]],
        name: '',
        structure: f.kind === 'channel bend' ? 'edge' : f.kind,
        bottom: 'unknown',
        hazards: [],
      }),
    [],
  );
  return {
    drawing,
    moving,
    spot,
    feature,
    draw: setDrawing,
    edit,
    accept,
    describe: setFeature,
    /** A shape was drawn to its end. */
    drawn: (points: [number, number][]) => {
      if (!drawing) return;
      if (drawing.what === 'land' || drawing.what === 'water') drawShore(drawing.what, points);
      else if (drawing.what === 'spot') setSpot({ id: v7(), shape: drawing.shape, points });
      else setFeature({ id: v7(), kind: drawing.what, points });
      setDrawing(null);
    },
    /** Puts the sheet aside, so that the shape can be moved on the chart. */
    move: (draft: SpotDraft) => {
      setMoving(draft);
      setSpot(null);
    },
    moveTo: (points: [number, number][]) => setMoving((m) => m && { ...m, points }),
    moved: () => {
      setSpot(moving);
      setMoving(null);
    },
    /** Leaves what is being drawn or moved. */
    leave: () => {
      setDrawing(null);
      setMoving(null);
    },
    close: () => {
      setSpot(null);
      setFeature(null);
    },
  };
}

export type Drafts = ReturnType<typeof useDrafts>;
