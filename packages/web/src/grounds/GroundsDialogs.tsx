import type { SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { leastDepth } from '@bluffwind/core/ground/navigate';
import { type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';
import { nth } from '@bluffwind/core/units/indexed';
import { localDate } from '@bluffwind/core/units/time';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { toast } from 'sonner';
import { serverNow } from '../data/clock';
import { Waiting } from '../ui/parts';
import { ExportDialog } from './ExportDialog';
import { FeatureDialog } from './FeatureDialog';
import { SpotDialog } from './SpotDialog';
import type { Drafts } from './useDrafts';

// Fetched when a file is to be imported or a picture laid under the chart.
const ImportPlaces = lazy(() => import('../imports/ImportPlaces').then((m) => ({ default: m.ImportPlaces })));
const ImportSoundings = lazy(() => import('../imports/ImportSoundings').then((m) => ({ default: m.ImportSoundings })));
const PicturesDialog = lazy(() => import('./PicturesDialog').then((m) => ({ default: m.PicturesDialog })));

/** What of the menus is open. */
export type Opened = 'spots' | 'soundings' | 'export' | 'pictures';

interface Props {
  readonly water: OutfitView['waters'][number];
  readonly spots: readonly SpotView[];
  readonly bed: SeaBed;
  readonly levelAt: ((atMs: number) => number) | null;
  readonly zone: string;
  readonly mayEdit: boolean;
  readonly drafts: Drafts;
  readonly open: Opened | null;
  readonly onClose: () => void;
  readonly shownPicture: string | null;
  readonly onPicture: (id: string | null) => void;
  readonly onSelect: (id: string) => void;
}

/** Over the chart: the sheet of a spot or of what was drawn, files in and out, pictures. */
export function GroundsDialogs({ water, spots, bed, zone, mayEdit, drafts, open, onClose, ...props }: Props) {
  const queries = useQueryClient();
  const { feature } = drafts;
  const dock = { lat: water.dockLat, lon: water.dockLon };
  return (
    <>
      {open === 'pictures' && (
        <Suspense fallback={<Waiting what="Opening" />}>
          <PicturesDialog
            waterId={water.id}
            known={[{ name: 'the dock', ...dock }, ...spots.map(({ name, lat, lon }) => ({ name, lat, lon }))]}
            mayEdit={mayEdit}
            shown={props.shownPicture}
            onShow={props.onPicture}
            onClose={onClose}
          />
        </Suspense>
      )}
      <SpotDialog
        draft={drafts.spot}
        waterId={water.id}
        onClose={drafts.close}
        onMove={drafts.move}
        onStored={(s) => {
          drafts.close();
          void Promise.all(['spots', 'chart'].map((what) => queries.invalidateQueries({ queryKey: [what, water.id] }))).then(() =>
            props.onSelect(s.id),
          );
          toast(`${s.name} is stored.`);
        }}
      />
      <FeatureDialog
        draft={feature}
        waterId={water.id}
        today={localDate(serverNow(), zone)}
        leastDepthM={feature?.kind === 'passage' ? leastOf(bed, feature.points) : null}
        onClose={drafts.close}
      />
      <ExportDialog
        open={open === 'export'}
        waterId={water.id}
        captains={spots.filter((s) => s.privacy === 'captain').length}
        onClose={onClose}
      />
      <Suspense fallback={null}>
        {open === 'spots' && <ImportPlaces waterId={water.id} water={water} zone={zone} spots={spots} onClose={onClose} />}
        {open === 'soundings' && (
          <ImportSoundings
            waterId={water.id}
            waterName={water.name}
            near={[dock.lon, dock.lat]}
            zone={zone}
            levelAt={props.levelAt}
            onClose={onClose}
          />
        )}
      </Suspense>
    </>
  );
}

/** Least charted depth along a drawn line, m; null where part of it is off the chart. */
function leastOf(bed: SeaBed, points: readonly (readonly [number, number])[]): number | null {
  const local = points.map(([lon, lat]) => toLocal(bed, lat, lon));
  const depths = local.slice(1).map((p, i) => leastDepth(bed, nth(local, i), p));
  const known = depths.filter((d) => d !== null);
  return known.length < depths.length ? null : Math.min(...known);
}
