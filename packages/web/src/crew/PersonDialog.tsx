import type { PersonView } from '@bluffwind/contract/people';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { CheckField, ChoiceField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';
import { ROLES } from './roles';

type Typed = Pick<PersonView, 'name' | 'role' | 'active'>;

/** What somebody of the crew is called and may do. Who leaves keeps his part of the log. */
export function PersonDialog({ person, onClose }: { person: PersonView | null; onClose: () => void }) {
  const saving = useSave<Typed>({
    send: (typed) => post(`/people/${person?.id}`, typed),
    touches: [['people'], ['outfit'], ['me']],
    told: (_, typed) => `${typed.name} is stored.`,
    onStored: onClose,
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={person !== null}
      title={person?.name ?? ''}
      note="Whoever leaves is signed out everywhere; what they logged stays in the log."
      onClose={close}
    >
      {person && (
        <Entry<Typed>
          values={{ name: person.name, role: person.role, active: person.active }}
          saving={saving}
          onSave={saving.save}
          onLeave={close}
        >
          <TextField name="name" label="Name" required maxLength={80} />
          <ChoiceField name="role" label="As" options={ROLES} />
          <CheckField name="active" label="in the crew" />
        </Entry>
      )}
    </Sheet>
  );
}
