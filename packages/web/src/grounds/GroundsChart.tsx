import type { Chart as ChartData, SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { type ComponentProps, useMemo, useState } from 'react';
import { Chart } from '../chart/Chart';
import { ChartNotes } from './ChartNotes';
import type { Drafts } from './useDrafts';
import type { Found } from './useGrounds';

type Ground = ComponentProps<typeof Chart>['ground'];

interface Props {
  readonly water: OutfitView['waters'][number];
  readonly bed: Ground['bed'];
  readonly chart: ChartData;
  readonly contours: Ground['surveys'];
  readonly soundings: NonNullable<Ground['soundings']> | null;
  readonly picture: Ground['picture'];
  readonly spots: readonly SpotView[];
  readonly chosen: SpotView | null;
  readonly selected: string | null;
  /** Conditions in the middle of the water at the cursor. */
  readonly middle: SpotConditions;
  readonly sun: ComponentProps<typeof Chart>['hour']['sun'];
  readonly time: string;
  readonly fishDepthM: number;
  readonly pile: number | null;
  readonly found: readonly Found[];
  readonly foundKey: string | null;
  readonly drafts: Drafts;
  readonly onSelect: (id: string | null) => void;
  readonly onPile: (n: number) => void;
  readonly onFound: (key: string | null) => void;
}

/** The chart with what is drawn, moved and found on it, and what is said at its edge. */
export function GroundsChart({ water, bed, chart, contours, soundings, picture, spots, chosen, middle, drafts, ...rest }: Props) {
  const [showSoundings, setShowSoundings] = useState(true);
  const drawn = useMemo(() => spots.map((s) => ({ ...s, faint: s.writtenOff !== null })), [spots]);
  const dock = useMemo(() => ({ lat: water.dockLat, lon: water.dockLon }), [water]);
  const { drawing, moving } = drafts;
  return (
    <>
      <Chart
        ground={{
          bed,
          marks: chart.marks,
          features: chart.features,
          surveys: contours,
          soundings: showSoundings ? soundings : null,
          dock,
          picture,
        }}
        hour={{
          tideM: middle.tideHeightM,
          wind: middle.windMps !== null && middle.windFromDeg !== null ? { mps: middle.windMps, fromDeg: middle.windFromDeg } : null,
          sun: rest.sun,
          fishDepthM: rest.fishDepthM,
          time: rest.time,
        }}
        spots={drawn}
        found={rest.found}
        chosen={{ spot: rest.selected, pile: rest.pile, found: rest.foundKey }}
        reference={chosen ?? { name: 'the dock', ...dock }}
        draw={drawing && { shape: drawing.shape, onDone: drafts.drawn }}
        edit={moving && { shape: moving.shape, points: moving.points, onChange: drafts.moveTo }}
        taps={{ onSelect: rest.onSelect, onPile: rest.onPile, onFound: rest.onFound }}
      />
      <ChartNotes
        soundings={soundings?.total ?? null}
        showSoundings={showSoundings}
        drawing={drawing}
        moving={moving !== null}
        onSoundings={setShowSoundings}
        onMoved={drafts.moved}
      />
    </>
  );
}
