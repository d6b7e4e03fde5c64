import type { FeatureView } from '@bluffwind/contract/grounds';
import { useController, useWatch } from 'react-hook-form';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { DayPick } from '../ui/DayPick';
import { Entry } from '../ui/form/Entry';
import { CheckField, FigureField, TextField } from '../ui/form/fields';
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

interface Typed {
  readonly name: string;
  readonly limitMps: number | null;
  readonly chartedDepthM: number | null;
  readonly off: boolean;
  readonly reason: string;
  readonly on: string;
}

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
  const saving = useSave<Pick<FeatureView, 'id' | 'kind' | 'name' | 'points' | 'detail'>>({
    send: (feature) => post(`/waters/${waterId}/features`, feature),
    touches: [
      ['chart', waterId],
      ['spots', waterId],
    ],
    told: (_, feature) => `${feature.name} is on the chart.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  const store = ({ id, kind, points }: FeatureDraft, v: Typed) =>
    saving.save({
      id,
      kind,
      name: v.name,
      points,
      detail: {
        ...(kind === 'part' ? { writtenOff: v.off ? { reason: v.reason, on: v.on } : null } : {}),
        ...(kind === 'no-wake' && v.limitMps !== null ? { limitMps: v.limitMps } : {}),
        ...(kind === 'passage' && v.chartedDepthM !== null ? { chartedDepthM: v.chartedDepthM } : {}),
      },
    });
  return (
    <Sheet
      open={draft !== null}
      title={draft ? WORDS[draft.kind] : ''}
      note="It counts for runs and plans from now on, and can be removed."
      onClose={close}
    >
      {draft && (
        <Entry<Typed>
          key={draft.id}
          values={{
            name: draft.name ?? '',
            limitMps: draft.detail?.limitMps ?? 2.6,
            chartedDepthM: draft.detail?.chartedDepthM ?? (leastDepthM === null ? null : Math.round(leastDepthM * 10) / 10),
            off: Boolean(draft.detail?.writtenOff),
            reason: draft.detail?.writtenOff?.reason ?? '',
            on: draft.detail?.writtenOff?.on ?? today,
          }}
          saving={saving}
          onSave={(v) => store(draft, v)}
          onLeave={close}
        >
          <TextField name="name" label="Name" required maxLength={80} />
          {draft.kind === 'no-wake' && <FigureField name="limitMps" label="Speed allowed" measure="current" min={0.5} max={30} required />}
          {draft.kind === 'passage' && (
            <FigureField
              name="chartedDepthM"
              label="Least depth on the way"
              measure="depth"
              of="at datum"
              required
              hint="The chart’s figure is offered; a figure of your own lead line is better."
            />
          )}
          {draft.kind === 'part' && <WrittenOff />}
        </Entry>
      )}
    </Sheet>
  );
}

/** Whether a part of the water is written off, why and since when. */
function WrittenOff() {
  const off = useWatch<Typed, 'off'>({ name: 'off' });
  const { field } = useController<Typed, 'on'>({ name: 'on' });
  return (
    <>
      <CheckField name="off" label="Write it off: spots in it are not planned" />
      {off && (
        <>
          <TextField name="reason" label="Reason" required maxLength={300} />
          <div className="flex flex-col gap-0.5">
            <span>Since</span>
            <DayPick label="Since" value={field.value} onPick={field.onChange} />
          </div>
        </>
      )}
    </>
  );
}
