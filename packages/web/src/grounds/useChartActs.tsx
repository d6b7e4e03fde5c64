// What is done to a water's chart and spots: each act says what it did, and is asked first or can be undone.
import type { SpotView } from '@bluffwind/contract/grounds';
import { useCallback } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import type { Found } from './useGrounds';

/** Something done to the chart, what is said of it, and what would undo it. */
interface Act {
  readonly path: string;
  readonly body?: unknown;
  readonly told: string;
  readonly undo?: Act;
  readonly after?: () => void;
}

/** @param select - Shows another spot, or none, once one is gone. */
export function useChartActs(waterId: string, select: (id: string | null) => void) {
  const acting = useSave<Act>({
    send: ({ path, body }) => post(path, body),
    touches: [
      ['spots', waterId],
      ['chart', waterId],
    ],
    onStored: (_, { told, undo, after }) => {
      toast(told, undo ? { duration: 12_000, action: { label: 'Undo', onClick: () => acting.save(undo) } } : {});
      after?.();
    },
  });
  const [ask, question] = useAsk();
  const { save } = acting;
  const dismiss = useCallback(
    ({ kind, lat, lon }: Found) =>
      save({
        path: `/waters/${waterId}/dismissals`,
        body: { kind, lat, lon },
        told: `The ${kind} is dismissed.`,
        undo: { path: `/waters/${waterId}/dismissals/undo`, body: { kind, lat, lon }, told: `The ${kind} is back.` },
      }),
    [save, waterId],
  );
  return {
    question,
    error: acting.error,
    dismiss,
    merge: (spot: SpotView, into: SpotView) =>
      ask({
        title: `Make ${spot.name} one with ${into.name}?`,
        text: 'Its log, readings and plans become those of the other spot. This cannot be undone.',
        yes: 'Merge them',
        act: () =>
          save({
            path: `/spots/${spot.id}/merge`,
            body: { into: into.id },
            told: `${spot.name} is now ${into.name}.`,
            after: () => select(into.id),
          }),
      }),
    retire: (spot: SpotView) =>
      ask({
        title: `Take ${spot.name} out of use?`,
        text: 'It is planned no more and leaves the chart; its log stays, and counts for the rates of other spots.',
        yes: 'Take it out',
        act: () =>
          save({ path: `/spots/${spot.id}/retire`, told: `${spot.name} is out of use; its log stays.`, after: () => select(null) }),
      }),
    removeFeature: (feature: { readonly id: string; readonly name: string }) =>
      ask({
        title: `Take ${feature.name} off the chart?`,
        text: 'Runs and plans no longer go by it. It has to be drawn again to come back.',
        yes: 'Take it off',
        act: () => save({ path: `/features/${feature.id}/remove`, told: `${feature.name} is off the chart.` }),
      }),
    laySurvey: (id: string) => save({ path: `/surveys/${id}/chart`, told: 'The survey is laid over the chart.' }),
    drawShore: (inside: 'land' | 'water', points: [number, number][]) =>
      save({
        path: `/waters/${waterId}/chart`,
        body: { shore: { inside, polygons: [[points]] }, add: true },
        told: 'The shore is on the chart. Draw the next piece from the menu, or go on with your places.',
      }),
  };
}

export type ChartActs = ReturnType<typeof useChartActs>;
