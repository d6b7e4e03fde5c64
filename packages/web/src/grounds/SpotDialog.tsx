import type { SpotEdit, SpotView } from '@bluffwind/contract/grounds';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useEffect, useState } from 'react';
import { post } from '../data/api';
import { meQuery, outfitQuery } from '../data/queries';
import { Button, Fault } from '../ui/parts';
import { HazardsField } from './HazardsField';
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

const optional = (text: string): number | null => (text.trim() === '' ? null : Number(text));

/** Describes a spot; depths left empty are measured from the chart. */
export function SpotDialog({ draft, waterId, onClose, onStored, onMove }: Props) {
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const [hazards, setHazards] = useState<SpotEdit['hazards']>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another spot begins with its own hazards
  useEffect(() => setHazards(draft?.hazards ?? []), [draft?.id]);
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  // A captain keeps a spot for himself; the owner for any captain.
  const keepers = (outfit?.crew ?? []).filter((p) => p.role !== 'mate' && (me?.role === 'owner' || p.id === me?.id));
  const isNew = draft?.name === undefined || draft.depthMinM === undefined;
  const read = (form: FormData): SpotEdit => {
    const text = (name: string) => String(form.get(name) ?? '').trim();
    const point: [number, number] = [Number(text('lon')), Number(text('lat'))];
    return {
      id: draft?.id ?? '',
      shape: draft?.shape ?? 'point',
      points: draft?.shape === 'point' ? [point] : (draft?.points ?? []),
      name: text('name'),
      structure: text('structure'),
      bottom: text('bottom'),
      depthMinM: optional(text('depthMinM')),
      depthMaxM: optional(text('depthMaxM')),
      accessDepthM: optional(text('accessDepthM')),
      privacy: text('privacy') === 'crew' ? 'crew' : 'captain',
      keeperId: ['crew', 'captain'].includes(text('privacy')) ? null : text('privacy'),
      footing: Number(text('footing') || 1),
      hazards,
      legality: text('legality'),
      restDays: Number(text('restDays') || 0),
      pressure: Number(text('pressure') || 1),
    };
  };
  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    setError(null);
    setBusy(true);
    try {
      onStored(await post<SpotView>(`/waters/${waterId}/spots`, read(new FormData(e.currentTarget))));
    } catch (problem) {
      setError(problem);
    } finally {
      setBusy(false);
    }
  }
  const field = 'rounded border border-ink-3 bg-chalk px-2 py-1';
  const number = (name: keyof SpotEdit, label: string, step = '0.1') => (
    <label className="flex flex-col gap-0.5">
      {label}
      <input
        name={name}
        type="number"
        step={step}
        defaultValue={(draft?.[name] as number | null | undefined) ?? ''}
        className={`num ${field}`}
      />
    </label>
  );
  const choice = (name: 'structure' | 'bottom', label: string, list: readonly string[]) => (
    <label className="flex flex-col gap-0.5">
      {label}
      <select name={name} defaultValue={draft?.[name] ?? list[0]} className={field}>
        {[...new Set([...list, draft?.[name] ?? (list[0] as string)])].map((v) => (
          <option key={v}>{v}</option>
        ))}
      </select>
    </label>
  );
  return (
    <Sheet
      open={draft !== null}
      title={isNew ? 'New spot' : `Edit ${draft?.name}`}
      note={
        isNew
          ? 'Depths left empty are measured from the chart, as are shore and fetch.'
          : 'Every change is kept in the record of who did what.'
      }
      onClose={onClose}
    >
      {draft && (
        <form key={draft.id} onSubmit={submit} className="grid grid-cols-2 gap-3 text-[0.93rem]">
          <label className="col-span-2 flex flex-col gap-0.5">
            Name
            <input name="name" required maxLength={80} defaultValue={draft.name ?? ''} className={field} />
          </label>
          {choice('structure', 'Structure', STRUCTURES)}
          {choice('bottom', 'Bottom', BOTTOMS)}
          {draft.shape === 'point' ? (
            <>
              <label className="flex flex-col gap-0.5">
                Latitude, °
                <input name="lat" type="number" step="any" required defaultValue={draft.points[0]?.[1]} className={`num ${field}`} />
              </label>
              <label className="flex flex-col gap-0.5">
                Longitude, °
                <input name="lon" type="number" step="any" required defaultValue={draft.points[0]?.[0]} className={`num ${field}`} />
              </label>
            </>
          ) : (
            <p className="col-span-2 text-ink-2">
              {draft.shape === 'line' ? 'A line' : 'An area'} of {draft.points.length} points.
            </p>
          )}
          {number('depthMinM', 'Shallowest, m at datum')}
          {number('depthMaxM', 'Deepest, m at datum')}
          {number('accessDepthM', 'Shallowest on the way in, m')}
          <label className="flex flex-col gap-0.5">
            Who knows it
            <select name="privacy" defaultValue={draft.keeperId ?? draft.privacy ?? 'crew'} className={field}>
              <option value="crew">the crew</option>
              <option value="captain">captains only</option>
              {keepers.map((k) => (
                <option key={k.id} value={k.id}>
                  {k.id === me?.id ? 'only I' : `only ${k.name}`}
                  {me?.role === 'owner' ? '' : ' and the owner'}
                </option>
              ))}
            </select>
          </label>
          {number('restDays', 'Rest after fishing, days', '1')}
          <label className="flex flex-col gap-0.5">
            Other boats
            <select name="pressure" defaultValue={draft.pressure ?? 1} className={field}>
              <option value={1}>few</option>
              <option value={2}>some</option>
              <option value={3}>many</option>
            </select>
          </label>
          <label className="flex flex-col gap-0.5">
            Footing
            <select name="footing" defaultValue={draft.footing ?? 1} className={field}>
              <option value={1}>from the boat</option>
              <option value={2}>sure feet</option>
              <option value={3}>a climb</option>
            </select>
          </label>
          <HazardsField hazards={hazards} onChange={setHazards} />
          <label className="col-span-2 flex flex-col gap-0.5">
            Legality, to be checked locally
            <input name="legality" maxLength={500} defaultValue={draft.legality ?? ''} className={field} />
          </label>
          {error !== null && (
            <div className="col-span-2">
              <Fault error={error} />
            </div>
          )}
          <div className="col-span-2 flex justify-end gap-2">
            <Button onClick={() => onMove({ ...draft, hazards })}>Move on the chart</Button>
            <Button onClick={onClose}>Cancel</Button>
            <Button strong type="submit" disabled={busy}>
              Store
            </Button>
          </div>
        </form>
      )}
    </Sheet>
  );
}
