import { useState } from 'react';
import { mySettings } from '../data/settings';
import { Fault } from '../ui/parts';
import { useOwnSettings } from './useOwnSettings';

/** Whether single keys do something. */
export function KeysOrNot() {
  const saving = useOwnSettings();
  const [wanted, setWanted] = useState(mySettings().keys);
  // What was refused stands as it was.
  const on = saving.error === null ? wanted : mySettings().keys;
  return (
    <section>
      <h2 className="mb-1 font-bold">Keys</h2>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={on}
          onChange={(e) => {
            setWanted(e.target.checked);
            saving.save({ keys: e.target.checked });
          }}
        />{' '}
        Single keys do something
      </label>
      <p className="text-ink-2">
        Such as N for a reading, X to ban a stop. Switch them off when you speak to your device, or read the screen with keys of its own.
        Ctrl K and everything else stay.
      </p>
      {saving.error !== null && <Fault error={saving.error} />}
    </section>
  );
}
