import type { Chart, SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotConditions, SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { SideTabs } from '../ui/SideTabs';
import { DrawnList } from './DrawnList';
import { FoundList } from './FoundList';
import { SpotList } from './SpotList';
import { SpotPanel } from './SpotPanel';
import type { ChartActs } from './useChartActs';
import type { Drafts } from './useDrafts';
import type { Found } from './useGrounds';

interface Props {
  readonly chart: Chart;
  readonly spots: readonly SpotView[];
  readonly chosen: SpotView | null;
  /** Spots so near the chosen one that they may be the same. */
  readonly duplicates: readonly SpotView[];
  readonly conditions: ReadonlyMap<string, SpotConditions>;
  readonly middle: SpotConditions;
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly runs: ReadonlyMap<string, number> | null;
  readonly boat: OutfitView['boats'][number] | undefined;
  readonly found: readonly Found[] | null;
  readonly foundKey: string | null;
  readonly fishDepthM: number;
  readonly pile: number | null;
  readonly zone: string;
  readonly tidal: boolean;
  readonly mayEdit: boolean;
  readonly acts: ChartActs;
  readonly drafts: Drafts;
  readonly onSelect: (id: string | null) => void;
  readonly onFound: (key: string | null) => void;
  readonly onPile: (n: number | null) => void;
  readonly onFishDepth: (m: number) => void;
}

/** Beside the chart: the spots or the one that is chosen, what the sea bed shows, and what was drawn. */
export function GroundsLists(props: Props) {
  const { chart, spots, chosen, conditions, runs, zone, mayEdit, acts, drafts, onSelect } = props;
  const c = chosen ? conditions.get(chosen.id) : undefined;
  return (
    <SideTabs
      label="Lists"
      tabs={[
        {
          value: 'spots',
          name: 'Spots',
          full: true,
          content:
            chosen && c ? (
              <SpotPanel
                spot={chosen}
                c={c}
                at={props.at}
                zone={zone}
                tidal={props.tidal}
                boat={props.boat}
                runSeconds={runs?.get(chosen.id)}
                mayEdit={mayEdit}
                duplicates={props.duplicates}
                onEdit={() => drafts.edit(chosen)}
                onMerge={(into) => acts.merge(chosen, into)}
                onRetire={() => acts.retire(chosen)}
                onClose={() => onSelect(null)}
              />
            ) : (
              <SpotList spots={spots} conditions={conditions} runs={runs} selected={chosen?.id ?? null} onSelect={onSelect} />
            ),
        },
        {
          value: 'found',
          name: 'Found',
          full: true,
          content: (
            <FoundList
              found={props.found}
              selected={props.foundKey}
              mayEdit={mayEdit}
              onSelect={props.onFound}
              onAccept={drafts.accept}
              onDismiss={acts.dismiss}
            />
          ),
        },
        {
          value: 'drawn',
          name: 'Piles, drawn',
          full: true,
          content: (
            <DrawnList
              chart={chart}
              zone={zone}
              c={props.middle}
              fishDepthM={props.fishDepthM}
              pile={props.pile}
              mayEdit={mayEdit}
              onPile={props.onPile}
              onFishDepth={props.onFishDepth}
              onEdit={drafts.describe}
              onRemove={acts.removeFeature}
              onLaySurvey={acts.laySurvey}
            />
          ),
        },
      ]}
    />
  );
}
