import type { OutfitView } from '@bluffwind/contract/outfit';
import type { RuleEdit, RuleRow } from '@bluffwind/contract/rule';
import { MOST_MM, MOST_WORDS, RULE_KIND_NAMES, RULE_KINDS, type RuleField, ruleFields } from '@bluffwind/core/rules/ruleKinds';
import { useEffect, useRef } from 'react';
import { useWatch } from 'react-hook-form';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { DayField } from '../ui/form/choices';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';
import { RULE_KEYS } from './ruleKeys';
import { bodyOf, type RuleTyped, typedOf } from './ruleTyped';

/** A rule to be changed, or null for a new one. */
export interface RuleTask {
  readonly rule: RuleRow | null;
}

const KINDS = RULE_KIND_NAMES.map((value) => ({ value, name: RULE_KINDS[value].sets }));
const LENGTHS = [
  { value: 'total', name: 'total length' },
  { value: 'fork', name: 'to the fork' },
  { value: 'standard', name: 'to the root of the tail' },
  { value: 'disc', name: 'across the disc' },
];
const MONTH_DAY = { value: /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, message: 'Month and day, such as 03-01.' };

/** A rule of the crew's copy. */
export function RuleDialog({
  task,
  species,
  today,
  onClose,
}: {
  task: RuleTask | null;
  species: OutfitView['species'];
  today: string;
  onClose: () => void;
}) {
  const key = useRef(v7());
  useEffect(() => {
    if (task) key.current = task.rule?.id ?? v7();
  }, [task]);
  const saving = useSave<RuleTyped>({
    send: ({ speciesId, zone, source, checkedOn, ...typed }) =>
      post('/rules', { id: key.current, speciesId, zone, source, checkedOn, body: bodyOf(typed) } satisfies RuleEdit),
    touches: RULE_KEYS,
    told: 'The rule is in your copy.',
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={task !== null}
      title={task?.rule ? 'Change a rule' : 'A rule'}
      note="As it stands at its source, with the day on which you read it there."
      onClose={close}
    >
      {task && (
        <Entry<RuleTyped>
          values={typedOf(task.rule, species[0]?.id ?? '', today)}
          saving={saving}
          onSave={saving.save}
          fieldOf={(field, { kind }) => field.replace(/^body\./, `says.${kind}.`)}
          onLeave={close}
          className="grid grid-cols-2 gap-x-4 gap-y-3"
        >
          <ChoiceField
            name="speciesId"
            label="Species"
            options={species.map((s) => ({ value: s.id, name: s.name }))}
            className="col-span-2"
          />
          <ChoiceField name="kind" label="It sets" options={KINDS} className="col-span-2" />
          <Says />
          <TextField name="zone" label="Zone" maxLength={60} hint="Empty: everywhere." />
          <DayField name="checkedOn" label="Checked on" />
          <TextField name="source" label="Where it stands" required maxLength={200} className="col-span-2" />
        </Entry>
      )}
    </Sheet>
  );
}

/** The figures or words of the kind that is chosen. */
function Says() {
  const kind = useWatch<RuleTyped, 'kind'>({ name: 'kind' });
  return ruleFields(kind).map(([name, field]) => <Said key={`${kind} ${name}`} name={`says.${kind}.${name}`} field={field} />);
}

function Said({ name, field: f }: { name: string; field: RuleField }) {
  switch (f.type) {
    case 'mm':
      return <FigureField name={name} label={f.label} measure="rule" min={10} max={MOST_MM} required={f.needed ?? false} />;
    case 'count':
      return <FigureField name={name} label={f.label} whole min={f.least} max={f.most} required={f.needed ?? false} />;
    case 'day':
      return <TextField name={name} label={f.label} required maxLength={5} pattern={MONTH_DAY} placeholder={f.like} />;
    case 'measured':
      return <ChoiceField name={name} label={f.label} options={LENGTHS} className="col-span-2" />;
    case 'words':
      return <TextField name={name} label={f.label} required maxLength={MOST_WORDS} className="col-span-2" />;
  }
}
