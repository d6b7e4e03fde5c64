import type { ClientView } from '@bluffwind/contract/outfit';
import { post } from '../data/api';
import { EXPERIENCE } from '../data/experience';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { CheckField, ChoiceField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';

interface Typed {
  readonly name: string;
  readonly contact: string;
  readonly experience: string;
  readonly child: boolean;
  readonly swims: string;
  readonly hand: string;
  readonly wishes: string;
  readonly note: string;
  readonly medicalNote: string;
}

const SWIMS = [
  { value: '', name: 'not asked' },
  { value: 'yes', name: 'swims' },
  { value: 'no', name: 'does not swim' },
];
const HANDS = [
  { value: '', name: 'not known' },
  { value: 'right', name: 'right' },
  { value: 'left', name: 'left' },
];

/** What the crew knows of a client. */
export function ClientDialog({
  edited,
  onClose,
}: {
  edited: { readonly client: ClientView; readonly isNew: boolean } | null;
  onClose: () => void;
}) {
  const k = edited?.client;
  // Who may not see the note does not send one either.
  const seesNote = k !== undefined && (edited?.isNew || k.medicalNote !== null);
  const saving = useSave<Typed>({
    send: ({ experience, swims, hand, medicalNote, ...v }) =>
      post('/clients', {
        ...v,
        id: k?.id,
        experience: Number(experience),
        swims: swims === '' ? null : swims === 'yes',
        hand: hand === '' ? null : hand,
        ...(seesNote ? { medicalNote } : {}),
      }),
    touches: [['clients'], ['outfit'], ['trip'], ['desk'], ['board']],
    told: (_, v) => `${v.name} is stored.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={k !== undefined}
      title={edited?.isNew ? 'A client' : (k?.name ?? '')}
      note="Seen by captains and the owner; the note on health by the owner and the captains of those trips only."
      onClose={close}
    >
      {k && (
        <Entry<Typed>
          values={{
            name: k.name,
            contact: k.contact,
            experience: String(k.experience),
            child: k.child,
            swims: k.swims === null ? '' : k.swims ? 'yes' : 'no',
            hand: k.hand ?? '',
            wishes: k.wishes,
            note: k.note,
            medicalNote: k.medicalNote ?? '',
          }}
          saving={saving}
          onSave={saving.save}
          onLeave={close}
          className="grid grid-cols-2 gap-x-4 gap-y-3"
        >
          <TextField name="name" label="Name" required maxLength={80} />
          <TextField name="contact" label="Telephone or e-mail" maxLength={200} />
          <ChoiceField name="experience" label="Fishing" options={EXPERIENCE} />
          <ChoiceField name="swims" label="Swimming" options={SWIMS} />
          <ChoiceField name="hand" label="Casting hand" options={HANDS} />
          <CheckField name="child" label="a child" className="self-end pb-1" />
          <TextField name="wishes" label="Wishes" lines={2} className="col-span-2" />
          <TextField name="note" label="To remember" lines={2} className="col-span-2" />
          {seesNote && (
            <TextField
              name="medicalNote"
              label="Health"
              lines={2}
              className="col-span-2"
              hint="Only what the crew must know aboard. It is wiped some time after the last trip."
            />
          )}
        </Entry>
      )}
    </Sheet>
  );
}
