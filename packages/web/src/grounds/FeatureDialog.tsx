import type { FeatureView } from '@bluffwind/contract/grounds';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

/** Something drawn on the chart that is to be named. */
export type FeatureDraft = Pick<FeatureView, 'id' | 'kind' | 'points'> & Partial<FeatureView>;

const WORDS: Record<FeatureView['kind'], string> = {
  part: 'A part of the water',
  'no-go': 'A place to keep out of',
  'no-wake': 'Slow water',
  track: 'A track',
  passage: 'A passage',
};

/** Names what was drawn and says what it means for runs and plans. */
export function FeatureDialog({
  draft,
  waterId,
  today,
  leastDepthM,
  onClose,
}: {
  draft: FeatureDraft | null;
  waterId: string;
  today: string;
  leastDepthM: number | null;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  const [off, setOff] = useState<boolean | null>(null);
  const isOff = off ?? Boolean(draft?.detail?.writtenOff);
  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    if (!draft) return;
    const form = new FormData(e.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '').trim();
    setError(null);
    try {
      await post(`/waters/${waterId}/features`, {
        id: draft.id,
        kind: draft.kind,
        name: text('name'),
        points: draft.points,
        detail: {
          ...(draft.kind === 'part' ? { writtenOff: isOff ? { reason: text('reason'), on: text('on') } : null } : {}),
          ...(draft.kind === 'no-wake' ? { limitMps: Number(text('limitMps')) } : {}),
          ...(draft.kind === 'passage' ? { chartedDepthM: Number(text('chartedDepthM')) } : {}),
        },
      });
      await queries.invalidateQueries({ queryKey: ['chart', waterId] });
      await queries.invalidateQueries({ queryKey: ['spots', waterId] });
      toast(`${text('name')} is on the chart.`);
      setOff(null);
      onClose();
    } catch (problem) {
      setError(problem);
    }
  }
  const field = 'rounded border border-ink-3 bg-chalk px-2 py-1';
  return (
    <Sheet
      open={draft !== null}
      title={draft ? WORDS[draft.kind] : ''}
      note="It counts for runs and plans from now on, and can be removed."
      onClose={onClose}
    >
      {draft && (
        <form key={draft.id} onSubmit={submit} className="flex flex-col gap-3">
          <label className="flex flex-col gap-0.5">
            Name
            <input name="name" required maxLength={80} defaultValue={draft.name ?? ''} className={field} />
          </label>
          {draft.kind === 'no-wake' && (
            <label className="flex flex-col gap-0.5">
              Speed allowed, m/s
              <input
                name="limitMps"
                type="number"
                step="0.1"
                min={0.5}
                max={30}
                required
                defaultValue={draft.detail?.limitMps ?? 2.6}
                className={`num ${field}`}
              />
            </label>
          )}
          {draft.kind === 'passage' && (
            <label className="flex flex-col gap-0.5">
              Least depth on the way, m at datum
              <input
                name="chartedDepthM"
                type="number"
                step="0.1"
                required
                defaultValue={draft.detail?.chartedDepthM ?? (leastDepthM === null ? '' : Math.round(leastDepthM * 10) / 10)}
                className={`num ${field}`}
              />
              <span className="text-[0.87rem] text-ink-2">The chart’s figure is offered; a figure of your own lead line is better.</span>
            </label>
          )}
          {draft.kind === 'part' && (
            <>
              <label className="flex items-center gap-2">
                <input type="checkbox" checked={isOff} onChange={(e) => setOff(e.target.checked)} />
                Write it off: spots in it are not planned
              </label>
              {isOff && (
                <>
                  <label className="flex flex-col gap-0.5">
                    Reason
                    <input name="reason" required maxLength={300} defaultValue={draft.detail?.writtenOff?.reason ?? ''} className={field} />
                  </label>
                  <label className="flex flex-col gap-0.5">
                    Since
                    <input name="on" type="date" required defaultValue={draft.detail?.writtenOff?.on ?? today} className={field} />
                  </label>
                </>
              )}
            </>
          )}
          {error !== null && <Fault error={error} />}
          <div className="flex justify-end gap-2">
            <Button onClick={onClose}>Cancel</Button>
            <Button strong type="submit">
              Store
            </Button>
          </div>
        </form>
      )}
    </Sheet>
  );
}
