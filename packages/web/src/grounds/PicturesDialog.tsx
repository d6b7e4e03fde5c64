import type { NewPicture } from '@bluffwind/contract/pictures';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { type KnownPlace, PictureFit } from './PictureFit';
import { picturesQuery } from './queries';

interface PicturesDialogProps {
  readonly waterId: string;
  readonly known: readonly KnownPlace[];
  readonly mayEdit: boolean;
  readonly shown: string | null;
  readonly onShow: (id: string | null) => void;
  readonly onClose: () => void;
}

/** Pictures from the air: which of them lies under the chart, and new ones. */
export function PicturesDialog({ waterId, known, mayEdit, shown, onShow, onClose }: PicturesDialogProps) {
  const list = useQuery(picturesQuery(waterId));
  const [adding, setAdding] = useState(false);
  const [ask, question] = useAsk();
  const saving = useSave<NewPicture>({
    send: (p) => post(`/waters/${waterId}/pictures`, p),
    touches: [['pictures', waterId]],
    told: (_, p) => `${p.name} lies under the chart.`,
    onStored: (_, p) => {
      onShow(p.id);
      onClose();
    },
  });
  const removing = useSave<string>({
    send: (id) => post(`/pictures/${id}/remove`),
    touches: [['pictures', waterId]],
    told: 'The picture is gone.',
    onStored: (_, id) => {
      if (shown === id) onShow(null);
    },
  });
  return (
    <Sheet
      open
      wide={adding}
      title="Pictures from the air"
      note="One lies under the chart at a time, to draw weed, bars and tracks from. Depths and runs know nothing of it. Mind whose picture it is before you keep it."
      onClose={onClose}
    >
      {question}
      {list.isPending && <Waiting what="Asking the server" />}
      {list.error && <Fault error={list.error} retry={() => void list.refetch()} />}
      {list.data?.length === 0 && !adding && <p className="text-ink-2">None yet.</p>}
      <ul>
        {list.data?.map((p) => (
          <li key={p.id} className="flex items-center gap-3 border-t border-line py-1.5">
            <label className="flex min-w-0 flex-1 cursor-pointer items-center gap-2 max-md:min-h-11">
              <input
                type="checkbox"
                className="h-6 w-6 accent-kelp"
                checked={shown === p.id}
                onChange={() => onShow(shown === p.id ? null : p.id)}
              />
              <span className="min-w-0 break-words">{p.name}</span>
            </label>
            {mayEdit && (
              <Button
                aria-label={`Take away ${p.name}`}
                onClick={() =>
                  ask({
                    title: `Take ${p.name} away?`,
                    text: 'It leaves every chart of this water. What was drawn from it stays.',
                    yes: 'Take it away',
                    act: () => removing.save(p.id),
                  })
                }
              >
                Take away
              </Button>
            )}
          </li>
        ))}
      </ul>
      {removing.error !== null && <Fault error={removing.error} />}
      {adding ? (
        <PictureFit known={known} saving={saving} onLeave={() => setAdding(false)} />
      ) : (
        mayEdit && (
          <Button strong className="mt-3" onClick={() => setAdding(true)}>
            Add a picture
          </Button>
        )
      )}
    </Sheet>
  );
}
