import type { TripRigs } from '@bluffwind/contract/rigs';
import type { RigCard } from '@bluffwind/core/tackle/rigQuestion';
import { useState } from 'react';
import { post } from '../data/api';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { FigureField } from '../ui/form/fields';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

interface TrialFormProps {
  readonly card: RigCard;
  readonly trial: TripRigs['trials'][number] | undefined;
}

/** A bait's own sinking time or running depth, which overrules the textbook from then on. */
export function TrialForm({ card, trial }: TrialFormProps) {
  const [open, setOpen] = useState(false);
  const dives = card.layout === 'lipped';
  const sinks = card.layout === 'jig' || card.layout === 'lure' || card.layout === 'vertical';
  const saving = useSave<{ depthM: number | null; seconds: number | null; divesM: number | null }>({
    send: ({ depthM, seconds, divesM }) =>
      post('/bait-trials', {
        presentationId: card.presentationId,
        sank: depthM === null || seconds === null ? null : { depthM, seconds },
        divesM,
      }),
    touches: [['rigs']],
    told: `${card.name}: your figures hold from now on.`,
    onStored: () => setOpen(false),
  });
  if (!dives && !sinks) return null;
  const known =
    dives && trial?.divesM != null
      ? `It was found to run ${amount(trial.divesM, 'depth', 1)}.`
      : sinks && trial?.depthM != null && trial.seconds !== null
        ? `It sank ${amount(trial.depthM, 'depth', 1)} in ${trial.seconds} s.`
        : dives
          ? 'Runs deeper or shallower than its box says?'
          : 'Sinks faster or slower than this?';
  return (
    <p className="flex flex-wrap items-center gap-2 border-t border-line py-2 text-[0.9rem]">
      <span className="text-ink-2">{known}</span>
      <Button className="py-0.5 text-[0.85rem] font-normal" onClick={() => setOpen(true)}>
        {dives ? 'Say how deep it runs' : 'Time it'}
      </Button>
      {open && (
        <Sheet
          open
          title={card.name}
          note={dives ? 'At the depth where it touched, on your line.' : 'From the surface to a known bottom, on an open spool.'}
          onClose={() => setOpen(false)}
        >
          <Entry
            values={{ depthM: trial?.depthM ?? null, seconds: trial?.seconds ?? null, divesM: trial?.divesM ?? null }}
            saving={saving}
            onSave={saving.save}
            onLeave={() => setOpen(false)}
          >
            {dives ? (
              <FigureField name="divesM" label="It ran" measure="depth" min={0.1} max={60} />
            ) : (
              <>
                <FigureField name="depthM" label="Depth" measure="depth" min={0.3} max={100} />
                <FigureField name="seconds" label="Seconds to the bottom" of="s" min={0.2} max={600} />
              </>
            )}
          </Entry>
        </Sheet>
      )}
    </p>
  );
}
