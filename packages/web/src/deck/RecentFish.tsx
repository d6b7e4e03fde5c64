import type { DeckPack } from '@bluffwind/contract/deck';
import { useCallback, useEffect, useState } from 'react';
import { amount } from '../data/units';
import { addPhoto } from '../offline/addPhoto';
import { askToSend, onEntries, sendWaiting, tellEntries } from '../offline/sender';
import { keptPhotos, type StoredPhoto } from '../offline/store';
import { clock } from '../ui/format';
import { CatchSheet } from './CatchSheet';
import { shortName } from '@bluffwind/core/fish/shortName';
import { TellCatch } from './TellCatch';
import type { Catch, DeckTrip } from './useDeckTrip';

/** The last entries: tapped, each is told of more closely, put right or given a photo; and each has its undo. Newest first. */
export function RecentFish({ trip, catches, onAnother }: { trip: DeckTrip; catches: readonly Catch[]; onAnother?: (last: Catch) => void }) {
  const { pack, landed, speciesName, record } = trip;
  const [open, setOpen] = useState<string | null>(null);
  const [right, setRight] = useState<string | null>(null);
  const photos = usePhotos(pack.trip.id);
  if (catches.length === 0)
    return <p className="mt-3 text-[0.87rem] text-ink-2">Nothing logged here yet. The empty time counts by itself.</p>;
  const words = (k: Catch) =>
    k.outcome === 'landed'
      ? `${shortName(speciesName(k.speciesId))}${k.lengthMm ? ` ${amount(k.lengthMm, 'fish', 0)}` : ''}, ${k.kept ? 'kept' : 'released'}`
      : k.outcome;
  const last = catches.at(-1)?.outcome === 'landed' ? catches.at(-1) : undefined;
  const told = catches.find((k) => k.id === open);
  const righted = catches.find((k) => k.id === right);
  const species = pack.species.find((s) => s.id === righted?.speciesId);
  const others = landed.filter((k) => k.speciesId === righted?.speciesId && k.kept && k.id !== right);
  return (
    <>
      <ul className="mt-3" aria-label="Last entries">
        {[...catches].reverse().map((k) => {
          const shots = photos.of(k.id).length;
          return (
            <li key={k.id} className="flex items-center justify-between border-t border-line text-[0.93rem]">
              <button type="button" className="min-h-[56px] min-w-0 flex-1 cursor-pointer text-left" onClick={() => setOpen(k.id)}>
                <span className="sr-only">Tell more of </span>
                <span className="num text-ink-2">{clock(k.at, pack.zone)}</span> {words(k)}
                {shots > 0 ? <span className="text-ink-2">, {shots === 1 ? 'a photo' : `${shots} photos`}</span> : ''}
              </button>
              {onAnother && k === last && (
                <button
                  type="button"
                  className="min-h-[56px] cursor-pointer px-3 underline underline-offset-4"
                  onClick={() => onAnother(k)}
                >
                  another
                  <span className="sr-only"> {shortName(speciesName(k.speciesId))}</span>
                </button>
              )}
              <button
                type="button"
                className="min-h-[56px] cursor-pointer px-3 underline underline-offset-4"
                aria-label={`Undo ${k.outcome} of ${clock(k.at, pack.zone)}`}
                onClick={() => record({ kind: 'undo-catch', catchId: k.id })}
              >
                undo
              </button>
            </li>
          );
        })}
      </ul>
      {told && (
        <TellCatch
          fish={told}
          title={words(told)}
          species={speciesName(told.speciesId)}
          zone={pack.zone}
          photos={photos.of(told.id)}
          onTell={(more) => record({ kind: 'tell-catch', catchId: told.id, told: more })}
          onRight={
            told.outcome === 'landed'
              ? () => {
                  setOpen(null);
                  setRight(told.id);
                }
              : undefined
          }
          onPhoto={(file) => photos.add(told, file)}
          onClose={() => setOpen(null)}
        />
      )}
      {righted && species && (
        <CatchSheet
          pack={pack}
          species={species as DeckPack['species'][number]}
          keptBy={(clientId) => others.filter((k) => k.clientId === clientId).length}
          keptByBoat={others.length}
          turnOf={righted.clientId}
          before={{ lengthMm: righted.lengthMm, lengthKind: species.lengthKind, kept: righted.kept, clientId: righted.clientId }}
          onDone={({ lengthMm, lengthKind, kept, clientId }) => {
            setRight(null);
            record({ kind: 'tell-catch', catchId: righted.id, told: { lengthMm, lengthKind, kept, clientId } });
          }}
          onClose={() => setRight(null)}
        />
      )}
    </>
  );
}

/** Photos that this phone took on a trip. */
function usePhotos(tripId: string) {
  const [all, setAll] = useState<readonly StoredPhoto[]>([]);
  const read = useCallback(
    () =>
      keptPhotos(tripId).then(setAll, () => {
        // A store that does not open shows no photos; the entries say so themselves.
      }),
    [tripId],
  );
  useEffect(() => {
    void read();
    return onEntries(() => void read());
  }, [read]);
  return {
    of: (catchId: string) => all.filter((p) => p.catchId === catchId),
    add: async (fish: Catch, file: File) => {
      await addPhoto(tripId, fish.id, fish.at, file);
      void askToSend().catch(() => undefined);
      tellEntries();
      await read();
      void sendWaiting().then(read, () => undefined);
    },
  };
}
