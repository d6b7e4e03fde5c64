import type { LogFixed } from '@bluffwind/contract/log';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { LOG_TOUCHES } from './queries';

interface FixBaitProps {
  readonly chosen: ReadonlySet<string>;
  readonly baits: OutfitView['presentations'];
  readonly onDone: () => void;
}

/** Entries that were logged with the wrong bait, put right together; Undo puts each back as it was. */
export function FixBait({ chosen, baits, onDone }: FixBaitProps) {
  const [open, setOpen] = useState(false);
  const [bait, setBait] = useState('');
  const undoing = useSave<LogFixed['before']>({
    send: async (before) => {
      for (const one of before) await post('/log/fix', one);
    },
    touches: LOG_TOUCHES,
    told: 'The log is as it was.',
  });
  const saving = useSave<string, LogFixed>({
    send: (presentationId) => post('/log/fix', { setIds: [...chosen], presentationId }),
    touches: LOG_TOUCHES,
    onStored: ({ fixed, before }) => {
      setOpen(false);
      onDone();
      toast(fixed === 1 ? 'One entry is put right.' : `${fixed} entries are put right.`, {
        ...(before.length > 0 ? { action: { label: 'Undo', onClick: () => undoing.save(before) } } : {}),
      });
    },
  });
  const count = chosen.size === 1 ? '1 entry' : `${chosen.size} entries`;
  return (
    <>
      <Button onClick={() => setOpen(true)}>Another bait for {count}</Button>
      <Sheet
        open={open}
        title={`Another bait for ${count}`}
        note="For what was logged with the wrong one. Hours and fish stay; the ranking reads them with this bait from now on."
        onClose={() => {
          saving.clear();
          setOpen(false);
        }}
      >
        <Choice
          label="They were fished with"
          value={bait}
          options={[...(bait === '' ? [{ value: '', name: 'choose' }] : []), ...baits.map((b) => ({ value: b.id, name: b.name }))]}
          onPick={setBait}
        />
        {saving.error !== null && <Fault error={saving.error} />}
        <div className="mt-3 flex justify-end gap-2">
          <Button onClick={() => setOpen(false)}>Leave it</Button>
          <Button strong disabled={bait === '' || saving.busy} onClick={() => saving.save(bait)}>
            Put them right
          </Button>
        </div>
      </Sheet>
    </>
  );
}
