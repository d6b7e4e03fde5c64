import { useRef } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, TextField } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';
import { ROLES } from './roles';

/** An invitation just made, with its key. */
export interface Invited {
  readonly name: string;
  readonly token: string;
  readonly again: boolean;
}

interface Typed {
  readonly name: string;
  readonly email: string;
  readonly role: string;
}

/** Asks somebody into the outfit. */
export function InviteDialog({ open, onClose, onMade }: { open: boolean; onClose: () => void; onMade: (invited: Invited) => void }) {
  const key = useRef(v7());
  const saving = useSave<Typed, { token: string }>({
    send: (typed) => post('/invitations', { id: key.current, personId: null, ...typed }),
    touches: [['invitations']],
    onStored: ({ token }, { name }) => {
      key.current = v7();
      onClose();
      onMade({ name, token, again: false });
    },
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  return (
    <Sheet
      open={open}
      title="Ask somebody in"
      note="You are given a link to send. He chooses his own password; nobody else knows it."
      onClose={close}
    >
      <Entry<Typed>
        values={{ name: '', email: '', role: 'captain' }}
        saving={saving}
        onSave={saving.save}
        onLeave={close}
        store="Make the link"
      >
        <TextField name="name" label="Name" required maxLength={80} />
        <TextField
          name="email"
          label="E-mail, to sign in with"
          required
          maxLength={200}
          pattern={{ value: /^\S+@\S+\.\S+$/, message: 'An e-mail address.' }}
        />
        <ChoiceField name="role" label="As" options={ROLES} />
      </Entry>
    </Sheet>
  );
}
