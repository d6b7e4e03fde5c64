import type { DeckEntry, DeckPack } from '@bluffwind/contract/deck';
import { type ReactNode, useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ApiProblem } from '../data/api';
import { serverNow } from '../data/clock';
import type { StoredEntry } from '../offline/store';
import { useDeck } from '../offline/useDeck';
import { StandIn } from '../ui/StandIn';
import { AtStop } from './AtStop';
import { BeforeAndAfter } from './BeforeAndAfter';
import { BetweenStops } from './BetweenStops';
import { outNow } from './deckState';
import { DeckFoot } from './DeckFoot';
import { BIG } from './deckParts';
import { useDeckTrip } from './useDeckTrip';

/** The phone's screen of a trip. */
export default function Deck() {
  const { tripId = '' } = useParams();
  const { pack, entries, online, error, again, unkept, nearlyFull, record } = useDeck(tripId);
  const [now, setNow] = useState(serverNow);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the clock is heard with the pack, and an entry moves it on
  useEffect(() => {
    setNow(serverNow());
    const timer = setInterval(() => setNow(serverNow()), 5000);
    return () => clearInterval(timer);
  }, [pack, entries]);
  if (!pack) return <StandIn title="On deck" what="Opening the deck" error={error} retry={again} />;
  return (
    <>
      {error instanceof ApiProblem && error.body.status === 401 && (
        <p role="alert" className="bg-rust-pale px-4 py-2 text-[18px]">
          Signed out. What you log stays on this phone.{' '}
          <Link to="/sign-in" state={{ from: `/deck/${tripId}` }} className="underline">
            Sign in to send it.
          </Link>
        </p>
      )}
      {unkept && (
        <p role="alert" className="bg-rust-pale px-4 py-2 text-[18px]">
          The last entry could not be kept on this phone: make room on it, then{' '}
          <button type="button" className="min-h-[56px] cursor-pointer underline" onClick={unkept.again}>
            keep it again
          </button>
          .
        </p>
      )}
      {nearlyFull && !unkept && (
        <p role="status" className="bg-rust-pale px-4 py-2 text-[18px]">
          This phone is nearly full. Make room on it before you go out.
        </p>
      )}
      <DeckOf pack={pack} entries={entries} online={online} now={now} record={record} />
    </>
  );
}

interface DeckOfProps {
  readonly pack: DeckPack;
  readonly entries: readonly StoredEntry[];
  readonly online: boolean;
  readonly now: number;
  readonly record: (entry: DeckEntry) => Promise<void>;
}

function DeckOf({ pack, entries, online, now, record }: DeckOfProps) {
  const trip = useDeckTrip(pack, entries, record);
  const { begun, ended, current } = trip.state;
  const foot = (buttons: ReactNode) => (
    <DeckFoot entries={entries} online={online}>
      {buttons}
    </DeckFoot>
  );
  if (!begun || ended) {
    const begin = (
      <button type="button" className={`${BIG} border-kelp bg-kelp text-on-kelp`} onClick={() => trip.record({ kind: 'begin-trip' })}>
        Begin the trip
      </button>
    );
    return <BeforeAndAfter trip={trip} now={now} foot={foot(ended ? null : begin)} />;
  }
  if (!current || !(trip.active || outNow(current))) return <BetweenStops trip={trip} now={now} foot={foot} />;
  return <AtStop trip={trip} stop={current} now={now} foot={foot} />;
}
