// One entry of the log from near: its fish, what was said of each in turn, and what two phones logged of one thing made one.
import type { LogEntry } from '@bluffwind/contract/logEntry';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { failedOf } from '../data/failedOf';
import { useSave } from '../data/useSave';
import { clock, dayName } from '../ui/format';
import { useAsk } from '../ui/Ask';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { FishForm } from './FishForm';
import { fishLine, type Names, wordOf } from './fishWords';
import { entryQuery, LOG_TOUCHES } from './queries';
import { tellDeck } from './tellDeck';
import { useMerge } from './useMerge';

interface EntrySheetProps {
  readonly setId: string;
  readonly outfit: OutfitView;
  readonly zone: string;
  /** Captains make two entries one and part them; mates read. */
  readonly captain: boolean;
  readonly onClose: () => void;
}

export default function EntrySheet({ setId, outfit, zone, captain, onClose }: EntrySheetProps) {
  const entry = useQuery(entryQuery(setId));
  const e = entry.data;
  return (
    <Sheet
      open
      wide
      title={e ? `${e.spot}, ${dayName(e.from, zone)}` : 'Entry of the log'}
      note={
        e
          ? `${clock(e.from, zone)} to ${clock(e.to, zone)}, ${e.bait}, ${e.rods} ${e.rods === 1 ? 'rod' : 'rods'} from ${e.boat}: ${e.rodHours.toFixed(1)} rod-hours`
          : 'With its fish, and everything that was said of them.'
      }
      onClose={onClose}
    >
      {failedOf(entry) ? <Fault error={entry.error} retry={() => void entry.refetch()} /> : null}
      {entry.isPending && <Waiting what="Reading the entry" />}
      {e && <Entered entry={e} outfit={outfit} zone={zone} captain={captain} />}
    </Sheet>
  );
}

function Entered({ entry, outfit, zone, captain }: { entry: LogEntry } & Pick<EntrySheetProps, 'outfit' | 'zone' | 'captain'>) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [right, setRight] = useState<string | null>(null);
  const merge = useMerge();
  const [ask, question] = useAsk();
  const names: Names = {
    species: (id) => outfit.species.find((s) => s.id === id)?.name ?? 'a fish that is no longer listed',
    guest: (id) => entry.guests.find((g) => g.id === id)?.name ?? 'a guest',
  };
  const takeOut = useSave<string>({
    send: (catchId) => tellDeck(entry.tripId, { kind: 'undo-catch', catchId }),
    touches: LOG_TOUCHES,
    told: 'It is out of the log.',
  });
  const two = chosen.length === 2;
  const toggle = (id: string, on: boolean) => setChosen((all) => (on ? [...all, id].slice(-2) : all.filter((x) => x !== id)));
  return (
    <>
      {entry.fish.length === 0 && <p className="border-t border-line py-2">Nothing came of it. The empty time counts.</p>}
      <ul aria-label="Fish of this entry">
        {entry.fish.map((f) => (
          <li key={f.id} className="border-t border-line py-1.5" data-fish>
            <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
              {captain && entry.fish.length > 1 && (
                <label className="flex h-8 w-6 items-center">
                  <span className="sr-only">
                    Choose the fish of {clock(f.at, zone)}, {fishLine(f, names)}
                  </span>
                  <input
                    type="checkbox"
                    className="block h-4 w-4 accent-kelp"
                    checked={chosen.includes(f.id)}
                    onChange={(x) => toggle(f.id, x.target.checked)}
                  />
                </label>
              )}
              <span className="min-w-0 flex-1 pt-1">
                <span className="num text-ink-2">{clock(f.at, zone)}</span> {fishLine(f, names)}
              </span>
              {f.outcome === 'landed' && right !== f.id && (
                <Button className="py-0.5 text-[0.85rem] font-normal" onClick={() => setRight(f.id)}>
                  Put right<span className="sr-only"> the fish of {clock(f.at, zone)}</span>
                </Button>
              )}
              {right !== f.id && (
                <Button
                  className="py-0.5 text-[0.85rem] font-normal"
                  disabled={takeOut.busy}
                  onClick={() =>
                    ask({
                      title: `Take ${fishLine(f, names)} out of the log?`,
                      text: 'It counts nowhere any more. Where two phones logged one fish, make the two one instead: nothing is lost then.',
                      yes: 'Take it out',
                      act: () => takeOut.save(f.id),
                    })
                  }
                >
                  Take out<span className="sr-only"> what was logged at {clock(f.at, zone)}</span>
                </Button>
              )}
            </div>
            {right === f.id && (
              <FishForm fish={f} tripId={entry.tripId} species={outfit.species} guests={entry.guests} onDone={() => setRight(null)} />
            )}
            {f.words.length > 0 && (
              <details className="text-[0.87rem] text-ink-2" data-history>
                <summary className="min-h-6 cursor-pointer underline underline-offset-4">What was said of it</summary>
                <ol className="pl-4">
                  {f.words.map((w) => (
                    <li key={`${w.field} ${w.at} ${w.by}`}>
                      {w.by === null ? 'As it was logged' : `${dayName(w.at, zone)} ${clock(w.at, zone)}, ${w.by}`}: {wordOf(w, names)}
                    </li>
                  ))}
                </ol>
              </details>
            )}
          </li>
        ))}
      </ul>
      {question}
      {takeOut.error !== null && <Fault error={takeOut.error} />}
      {merge.error !== null && <Fault error={merge.error} />}
      {captain && entry.fish.length > 1 && (
        <p className="flex flex-wrap items-center gap-2 border-t border-line pt-2 text-ink-2">
          <Button
            disabled={!two || merge.busy}
            onClick={() => {
              const [keepId, otherId] = entry.fish.map((f) => f.id).filter((id) => chosen.includes(id)) as [string, string];
              setChosen([]);
              merge.save({ fish: { keepId, otherId } });
            }}
          >
            These two are one fish
          </Button>
          {two ? 'The earlier stays, with what either phone knew of it.' : 'Choose both lines of a fish that two phones logged.'}
        </p>
      )}
      {entry.merges.map((m) => (
        <p key={m.id} className="mt-2 flex flex-wrap items-center gap-2 border-t border-line pt-2 text-[0.87rem] text-ink-2" data-merge>
          {m.what === 'fish' ? 'Two fish were made one' : 'Entries were made one'} on {dayName(m.at, zone)} {clock(m.at, zone)} by {m.by}.
          {captain && (
            <Button className="py-0.5 font-normal" disabled={merge.busy} onClick={() => merge.save({ part: m.id })}>
              Part them again
            </Button>
          )}
        </p>
      ))}
      <Link to={`/trips/${entry.tripId}/after`} className="mt-3 inline-block min-h-6 underline underline-offset-4">
        The whole day of this trip
      </Link>
    </>
  );
}
