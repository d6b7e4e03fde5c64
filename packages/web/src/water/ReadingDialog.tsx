import type { SpotView } from '@bluffwind/contract/grounds';
import { ALL_VARIABLES, type VariableName, VARIABLES, type Variable } from '@bluffwind/core/weather/variables';
import { useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly waterName: string;
  readonly spots: readonly SpotView[];
  readonly onClose: () => void;
}

interface Typed {
  readonly variable: string;
  readonly value: number | null;
  readonly spotId: string;
  readonly note: string;
}

const TYPED = ALL_VARIABLES.flatMap(([value, v]) => (v.typed === undefined ? [] : [{ value: value as string, name: v.typed }]));
const FIRST: VariableName = 'clarityM';
const known = (name: string): Variable | null => (name === 'note' ? null : VARIABLES[name as VariableName]);

/** Types in a reading; the same key is sent again until it is known to be stored, so that it is stored once. */
export function ReadingDialog({ open, waterId, waterName, spots, onClose }: Props) {
  const key = useRef(v7());
  useEffect(() => {
    if (open) key.current = v7();
  }, [open]);
  const saving = useSave<Typed>({
    send: ({ variable, value, spotId, note }) =>
      post(`/waters/${waterId}/readings`, {
        id: key.current,
        variable,
        at: new Date(serverNow()).toISOString(),
        value: value ?? 0,
        spotId: spotId || null,
        note,
      }),
    touches: [
      ['state', waterId],
      ['spots', waterId],
    ],
    told: (_, { variable, value }) => {
      const v = known(variable);
      return v ? `${v.typed} ${amount(value ?? 0, v.measure, v.digits)} is stored.` : 'The note is stored.';
    },
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet open={open} title="Add a reading" note={`${waterName}, now, by you.`} onClose={close}>
      <Entry<Typed>
        values={{ variable: FIRST, value: null, spotId: '', note: '' }}
        saving={saving}
        onSave={(v) => saving.save({ ...v, value: v.variable === 'note' ? null : v.value })}
        onLeave={close}
      >
        <ChoiceField name="variable" label="What" options={[...TYPED, { value: 'note', name: 'A note' }]} />
        <ValueOf />
        <ChoiceField
          name="spotId"
          label="Where"
          options={[{ value: '', name: 'the water as a whole' }, ...spots.map((s) => ({ value: s.id, name: s.name }))]}
        />
        <NoteOf />
      </Entry>
    </Sheet>
  );
}

function ValueOf() {
  const variable = useWatch<Typed, 'variable'>({ name: 'variable' });
  const { resetField } = useFormContext<Typed>();
  // Two metres of clarity are not two degrees.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another variable begins without a figure
  useEffect(() => resetField('value'), [variable]);
  const v = known(variable);
  if (!v) return null;
  return <FigureField key={variable} name="value" label="Value" measure={v.measure} min={v.limits.min} max={v.limits.max} required />;
}

function NoteOf() {
  const alone = useWatch<Typed, 'variable'>({ name: 'variable' }) === 'note';
  return <TextField key={String(alone)} name="note" label={alone ? 'Note' : 'Note, if any'} required={alone} />;
}
