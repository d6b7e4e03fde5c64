import type { SpotEdit, SpotView } from '@bluffwind/contract/grounds';
import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { meQuery, outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { plainOptions } from '../ui/Choice';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Button } from '../ui/parts';
import { type HazardTyped, HazardsField, hazardOf, typedOf } from './HazardsField';
import { Sheet } from '../ui/Sheet';

const STRUCTURES = [
  'piles',
  'rock',
  'drain',
  'flat',
  'edge',
  'wall',
  'weed',
  'hole',
  'hump',
  'point',
  'bench',
  'reef',
  'wreck',
  'wood',
  'inflow',
  'mark',
];
const BOTTOMS = ['mud', 'sand', 'shell', 'gravel', 'shingle', 'rock', 'boulder', 'weed', 'kelp', 'concrete', 'steel', 'unknown'];

/** A spot that is being made or changed: what is known of it so far. */
export type SpotDraft = Pick<SpotEdit, 'id' | 'shape' | 'points'> & Partial<SpotEdit>;

interface Props {
  readonly draft: SpotDraft | null;
  readonly waterId: string;
  readonly onClose: () => void;
  readonly onStored: (spot: SpotView) => void;
  /** Puts the sheet aside so that the shape can be moved on the chart. */
  readonly onMove: (draft: SpotDraft) => void;
}

type Typed = Omit<Required<SpotEdit>, 'id' | 'shape' | 'points' | 'keeperId' | 'privacy' | 'pressure' | 'footing' | 'hazards'> & {
  readonly lat: number | null;
  readonly lon: number | null;
  /** crew, captain, or the id of who keeps it. */
  readonly privacy: string;
  readonly pressure: string;
  readonly footing: string;
  readonly hazards: readonly HazardTyped[];
};

function typed(draft: SpotDraft, newSpots: string): Typed {
  return {
    name: draft.name ?? '',
    structure: draft.structure ?? (STRUCTURES[0] as string),
    bottom: draft.bottom ?? (BOTTOMS[0] as string),
    lat: draft.points[0]?.[1] ?? null,
    lon: draft.points[0]?.[0] ?? null,
    depthMinM: draft.depthMinM ?? null,
    depthMaxM: draft.depthMaxM ?? null,
    accessDepthM: draft.accessDepthM ?? null,
    privacy: draft.keeperId ?? draft.privacy ?? newSpots,
    restDays: draft.restDays ?? 0,
    pressure: String(draft.pressure ?? 1),
    footing: String(draft.footing ?? 1),
    legality: draft.legality ?? '',
    hazards: (draft.hazards ?? []).map(typedOf),
  };
}

function spotOf(draft: SpotDraft, { lat, lon, privacy, pressure, footing, hazards, restDays, ...v }: Typed): SpotEdit {
  return {
    ...v,
    id: draft.id,
    shape: draft.shape,
    points: draft.shape === 'point' && lat !== null && lon !== null ? [[lon, lat]] : draft.points,
    privacy: privacy === 'crew' ? 'crew' : 'captain',
    keeperId: ['crew', 'captain'].includes(privacy) ? null : privacy,
    pressure: Number(pressure),
    footing: Number(footing),
    restDays: restDays ?? 0,
    hazards: hazards.map(hazardOf),
  };
}

/** Describes a spot; depths left empty are measured from the chart. */
export function SpotDialog({ draft, waterId, onClose, onStored, onMove }: Props) {
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const saving = useSave<SpotEdit, SpotView>({
    send: (spot) => post(`/waters/${waterId}/spots`, spot),
    touches: [],
    onStored,
  });
  // A captain keeps a spot for himself; the owner for any captain.
  const keepers = (outfit?.crew ?? []).filter((p) => p.role !== 'mate' && (me?.role === 'owner' || p.id === me?.id));
  const isNew = draft?.name === undefined || draft.depthMinM === undefined;
  const close = () => {
    saving.clear();
    onClose();
  };
  const others = (list: readonly string[], own: string | undefined) => plainOptions([...new Set([...list, ...(own ? [own] : [])])]);
  return (
    <Sheet
      open={draft !== null}
      title={isNew ? 'New spot' : `Edit ${draft?.name}`}
      note={
        isNew
          ? 'Depths left empty are measured from the chart, as are shore and fetch.'
          : 'Every change is kept in the record of who did what.'
      }
      onClose={close}
    >
      {draft && (
        <Entry
          key={draft.id}
          className="grid grid-cols-2 gap-3 text-[0.93rem]"
          values={typed(draft, outfit?.newSpots ?? 'crew')}
          saving={saving}
          onSave={(v) => saving.save(spotOf(draft, v))}
          onLeave={close}
          also={(values) => <Button onClick={() => onMove({ ...draft, ...spotOf(draft, values()) })}>Move on the chart</Button>}
        >
          <TextField name="name" label="Name" required maxLength={80} className="col-span-2" />
          <ChoiceField name="structure" label="Structure" options={others(STRUCTURES, draft.structure)} />
          <ChoiceField name="bottom" label="Bottom" options={others(BOTTOMS, draft.bottom)} />
          {draft.shape === 'point' ? (
            <>
              <FigureField name="lat" label="Latitude" of="°" min={-90} max={90} required />
              <FigureField name="lon" label="Longitude" of="°" min={-180} max={180} required />
            </>
          ) : (
            <p className="col-span-2 text-ink-2">
              {draft.shape === 'line' ? 'A line' : 'An area'} of {draft.points.length} points.
            </p>
          )}
          <FigureField name="depthMinM" label="Shallowest" measure="depth" of="at datum" />
          <FigureField name="depthMaxM" label="Deepest" measure="depth" of="at datum" />
          <FigureField name="accessDepthM" label="Shallowest on the way in" measure="depth" />
          <ChoiceField
            name="privacy"
            label="Who knows it"
            options={[
              { value: 'crew', name: 'the crew' },
              { value: 'captain', name: 'captains only' },
              ...keepers.map((k) => ({
                value: k.id,
                name: `${k.id === me?.id ? 'only I' : `only ${k.name}`}${me?.role === 'owner' ? '' : ' and the owner'}`,
              })),
            ]}
          />
          <FigureField name="restDays" label="Rest after fishing" of="days" whole min={0} max={365} />
          <ChoiceField
            name="pressure"
            label="Other boats"
            options={[
              { value: '1', name: 'few' },
              { value: '2', name: 'some' },
              { value: '3', name: 'many' },
            ]}
          />
          <ChoiceField
            name="footing"
            label="Footing"
            options={[
              { value: '1', name: 'from the boat' },
              { value: '2', name: 'sure feet' },
              { value: '3', name: 'a climb' },
            ]}
          />
          <HazardsField />
          <TextField name="legality" label="Legality, to be checked locally" className="col-span-2" />
        </Entry>
      )}
    </Sheet>
  );
}
