import type { DebriefEdit, DebriefView } from '@bluffwind/contract/debrief';
import { CHIPS } from '@bluffwind/core/brief/chips';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useTyped } from '../data/useTyped';
import { FIELD } from '../ui/form/fields';
import { clock } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { GearLost } from './GearLost';

/** What the crew says: chips for what is often said, text for all else, gear and bait; signed off by a captain. */
export function CrewSays({ view, captain, zone }: { view: DebriefView; captain: boolean; zone: string }) {
  const [edit, setEdit, drop] = useTyped<DebriefEdit>(`debrief ${view.tripId}`, view.edit);
  const saving = useSave<DebriefEdit>({
    send: (body) => post(`/trips/${view.tripId}/debrief`, body),
    touches: [['debrief', view.tripId], ['brief']],
    onRead: drop,
    told: (_, sent) => (sent.signed ? 'Signed off. The evening’s brief tells it.' : 'Kept. The evening’s brief tells it.'),
  });
  const shut = view.signedAt !== null || !view.mayWrite;
  const change = (more: Partial<DebriefEdit>) => setEdit({ ...edit, ...more });
  return (
    <div className="mt-4">
      <h2 className="text-[1.13rem] font-bold">What the crew says</h2>
      {view.signedAt && (
        <p data-signed-off className="my-1 border-l-4 border-kelp bg-kelp-pale px-3 py-1">
          Signed off by {view.signedBy} at {clock(view.signedAt, zone)}.
        </p>
      )}
      <div role="group" aria-label="In a word" className="my-2 flex flex-wrap gap-2">
        {CHIPS.map((c) => (
          <button
            key={c}
            type="button"
            disabled={shut}
            aria-pressed={edit.chips.includes(c)}
            className={`min-h-9 cursor-pointer rounded border px-2.5 disabled:cursor-default max-md:min-h-11 ${edit.chips.includes(c) ? 'border-ink bg-ink text-chalk' : 'border-ink-3'}`}
            onClick={() => change({ chips: edit.chips.includes(c) ? edit.chips.filter((x) => x !== c) : [...edit.chips, c] })}
          >
            {c}
          </button>
        ))}
      </div>
      <label className="block">
        In your words
        <textarea
          className={`${FIELD} block w-full`}
          rows={4}
          maxLength={2000}
          disabled={shut}
          value={edit.said}
          onChange={(e) => change({ said: e.target.value })}
        />
      </label>
      <GearLost lost={edit.lost} tackle={view.tackle ?? []} shut={shut} onChange={(lost) => change({ lost })} />
      <label className="mt-3 block">
        Bait left
        <input
          className={`${FIELD} block w-full`}
          maxLength={300}
          disabled={shut}
          value={edit.baitLeft}
          onChange={(e) => change({ baitLeft: e.target.value })}
        />
      </label>
      {saving.error !== null && <Fault error={saving.error} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {!shut && (
          <Button strong={!captain} disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: false })}>
            Keep
          </Button>
        )}
        {captain && !shut && (
          <Button strong disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: true })}>
            Sign off
          </Button>
        )}
        {captain && view.signedAt && (
          <Button disabled={saving.busy} onClick={() => saving.save({ ...edit, signed: false })}>
            Open it again
          </Button>
        )}
      </div>
    </div>
  );
}
