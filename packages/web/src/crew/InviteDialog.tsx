import { useQuery } from '@tanstack/react-query';
import { beginQuery } from '../begin/queries';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { Entry } from '../ui/form/Entry';
import { CheckField, ChoiceField, TextField } from '../ui/form/fields';
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
  readonly byMail: boolean;
}

/** Asks somebody into the outfit. */
export function InviteDialog({ open, onClose, onMade }: { open: boolean; onClose: () => void; onMade: (invited: Invited) => void }) {
  // By whom it asks in: somebody else is another invitation, though the answer to the first was lost.
  const key = useSendKey();
  const { data: begin } = useQuery(beginQuery);
  const mail = begin?.mail === true;
  const saving = useSave<Typed, { token: string | null }>({
    send: (typed) => post('/invitations', { id: key.of(typed.email), personId: null, ...typed }),
    touches: [['invitations']],
    told: (_, { name, byMail }) => (byMail ? `The letter to ${name} is on its way.` : `The link for ${name} is made.`),
    onStored: ({ token }, { name }) => {
      key.stored();
      onClose();
      if (token !== null) onMade({ name, token, again: false });
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
      note={`${mail ? 'They get a letter with a link, or you are given the link to send.' : 'You are given a link to send.'} They choose their own password; nobody else knows it.`}
      onClose={close}
    >
      <Entry<Typed>
        key={mail ? 'mail' : 'link'}
        values={{ name: '', email: '', role: 'captain', byMail: mail }}
        saving={saving}
        onSave={saving.save}
        onLeave={close}
        store={mail ? 'Ask them in' : 'Make the link'}
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
        {mail && <CheckField name="byMail" label="Send it by mail" />}
      </Entry>
    </Sheet>
  );
}
