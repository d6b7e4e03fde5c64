import { useState } from 'react';
import { PasswordField } from '../begin/PasswordField';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

interface Typed {
  readonly old: string;
  readonly password: string;
}

/** A new password for oneself; whoever is signed in elsewhere with the old one is signed out. */
export function OwnPassword() {
  const [open, setOpen] = useState(false);
  const saving = useSave<Typed>({
    send: (typed) => post('/me/password', typed),
    touches: [['sessions']],
    told: 'The new password holds; you are signed out everywhere else.',
    onStored: () => setOpen(false),
  });
  const close = () => {
    saving.clear();
    setOpen(false);
  };
  return (
    <section>
      <h2 className="mb-1 font-bold">Your password</h2>
      <Button onClick={() => setOpen(true)}>Change it</Button>
      <Sheet open={open} title="A new password" note="Wherever else you are signed in you are signed out." onClose={close}>
        <Entry<Typed> values={{ old: '', password: '' }} saving={saving} onSave={saving.save} onLeave={close}>
          <PasswordField name="old" label="The one you have" own />
          <PasswordField name="password" label="New password" />
        </Entry>
      </Sheet>
    </section>
  );
}
