import type { FamilyView } from '@bluffwind/contract/presentations';
import { ENVELOPE_SPANS, type StoredLimits } from '@bluffwind/core/catchrate/envelope';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { plainOptions } from '../ui/Choice';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, FigureField, ManyField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

const LIGHT = ['dark', 'low light', 'middling', 'high sun'] as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** What stands in the fields: lists as one line of words. */
type Typed = Omit<FamilyView, 'cover' | 'forage'> & { readonly cover: string; readonly forage: string };

const START = Object.fromEntries(
  ENVELOPE_SPANS.flatMap((s) => [s.lo, s.hi].map((name, i) => [name, s.start?.[i] ?? null])),
) as StoredLimits;

const NEW: Omit<FamilyView, 'id'> & { id: string } = {
  id: '',
  name: '',
  ...START,
  light: [],
  months: [],
  cover: [],
  coverRate: 3,
  skill: 1,
  snag: 1,
  zone: 'middle',
  look: 'natural',
  rods: 1,
  costPerHour: 0,
  forage: [],
  handling: '',
};

const listOf = (line: string) =>
  line
    .split(',')
    .map((x) => x.trim())
    .filter((x) => x !== '');

/** A family's envelope: where, when and in what water it is meant to work. Where the ranking begins, until the log overrules it. */
export function FamilySheet({ family, taken, onClose }: { family: FamilyView | null; taken: readonly string[]; onClose: () => void }) {
  const saving = useSave<Typed>({
    send: ({ id, cover, forage, costPerHour, ...v }) =>
      post(`/families/${encodeURIComponent(id)}`, { ...v, cover: listOf(cover), forage: listOf(forage), costPerHour: costPerHour ?? 0 }),
    touches: [['presentations'], ['desk']],
    told: (_, v) => `${v.name} is stored.`,
    onStored: onClose,
  });
  const from = family ?? NEW;
  return (
    <Sheet
      open
      wide
      title={family ? `${family.name} (${family.id})` : 'A new family'}
      note="Where it is meant to work. A starting point only: the log overrules it. Open limits and empty lists mean any."
      onClose={onClose}
    >
      <Entry<Typed>
        className="grid grid-cols-2 gap-x-4 gap-y-2 text-[0.93rem] md:grid-cols-4"
        values={{ ...from, cover: from.cover.join(', '), forage: from.forage.join(', ') }}
        saving={saving}
        onSave={saving.save}
        onLeave={onClose}
      >
        {!family && (
          <TextField
            name="id"
            label="Short name, such as F30"
            required
            maxLength={24}
            pattern={{ value: /^[A-Za-z0-9-]{1,24}$/, message: 'Letters, figures and dashes.' }}
            taken={(id) => (taken.includes(id) ? `There is a family ${id} already. Choose another short name.` : undefined)}
          />
        )}
        <TextField name="name" label="Name" required maxLength={80} className={family ? 'col-span-full' : 'md:col-span-3'} />
        {ENVELOPE_SPANS.flatMap((s) =>
          [s.lo, s.hi].map((name) => (
            <FigureField
              key={name}
              name={name}
              label={name === s.lo ? `${s.label} from` : 'to'}
              measure={s.measure}
              min={s.least}
              max={s.most}
              required={s.start !== null}
            />
          )),
        )}
        <FigureField name="coverRate" label="Covers water, 1 to 5" min={1} max={5} whole required />
        <FigureField name="skill" label="Skill, 1 to 3" min={1} max={3} whole required />
        <FigureField name="snag" label="Snags, 1 to 3" min={1} max={3} whole required />
        <FigureField name="rods" label="Rods it takes" min={1} max={12} whole required />
        <FigureField name="costPerHour" label="Cost an hour" min={0} max={10000} />
        <ChoiceField name="zone" label="Fishes the" options={plainOptions(['bottom', 'middle', 'surface'])} />
        <TextField name="look" label="Look, in a word" required maxLength={40} />
        <TextField name="cover" label="Ground and cover, such as rock, flat" maxLength={200} className="col-span-2" />
        <TextField name="forage" label="Imitates" maxLength={200} />
        <ManyField name="light" label="Light" words={LIGHT} className="col-span-full" />
        <ManyField name="months" label="Months" words={MONTHS} from={1} className="col-span-full" />
        <TextField name="handling" label="Handling" lines={2} className="col-span-full" />
      </Entry>
    </Sheet>
  );
}
