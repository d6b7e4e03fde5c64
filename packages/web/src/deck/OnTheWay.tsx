import { armWords } from '../data/armWords';
import type { DeckPack, DeckStop } from '@bluffwind/contract/deck';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import type { RestAsked } from '@bluffwind/core/plan/restOfDay';
import { lazy, Suspense, useState } from 'react';
import { BIG } from './deckParts';
import { Triggers } from './Triggers';
import type { DeckTrip } from './useDeckTrip';
import { useOwnPosition } from './useOwnPosition';
import { wayThere } from './wayThere';

const DeckChart = lazy(() => import('./DeckChart'));
const DeckRibbon = lazy(() => import('./DeckRibbon'));
const TrialSheet = lazy(() => import('./TrialSheet'));
const RestSheet = lazy(() => import('./RestSheet'));

interface OnTheWayProps {
  readonly trip: DeckTrip;
  readonly next: DeckPack['spots'][number] | undefined;
  /** The stop that is fished, with its rate now against what was expected of it; absent under way. */
  readonly stop?: { readonly at: DeckStop; readonly share: number } | undefined;
  readonly c: SpotConditions | null;
  readonly now: number;
  /** The rest of the day is asked for as soon as this is opened. */
  readonly askAtOnce?: boolean;
}

/** Where the boat is, the way to the next stop, the chart, and the rest of the day laid anew when it is asked for. */
export function OnTheWay({ trip, next, stop, c, now, askAtOnce = false }: OnTheWayProps) {
  const { pack, state, visited } = trip;
  const [locating, setLocating] = useState(false);
  const [chart, setChart] = useState(false);
  const [trial, setTrial] = useState(false);
  const [ribbon, setRibbon] = useState(false);
  const position = useOwnPosition(locating);
  const last = pack.spots.find((s) => s.id === state.stops.at(-1)?.spotId);
  const way = next ? wayThere(pack, next, position.own, last) : '';
  const fromHere = (): RestAsked => ({
    atMs: now,
    spotId: stop?.at.spotId ?? last?.id ?? null,
    share: stop?.share ?? 0,
    fished: [...visited],
    left: pack.legs.filter((l) => !visited.has(l.spotId)).map((l) => l.spotId),
  });
  const [asked, setAsked] = useState<RestAsked | null>(() => (askAtOnce ? fromHere() : null));
  const ask = () => setAsked(fromHere());
  return (
    <div className="mt-2">
      {way !== '' && (
        <p className="num text-[0.93rem]" data-way>
          {way}
        </p>
      )}
      {position.why !== '' && <p className="text-[0.87rem] text-rust">{position.why}</p>}
      {trip.takenRest && (
        <p className="text-[0.87rem] text-ink-2">
          The stops ahead were laid anew on deck.{' '}
          <button type="button" className="min-h-[56px] cursor-pointer underline underline-offset-4" onClick={() => trip.takeRest(null)}>
            Back to the plan
          </button>
        </p>
      )}
      <Triggers trip={trip} now={now} onLay={ask} />
      <div className="mt-1 grid grid-cols-2 gap-2">
        <button
          type="button"
          className={`${BIG} border-ink font-normal`}
          onClick={() => {
            setLocating(true);
            setChart(true);
          }}
        >
          Chart, and where I am
        </button>
        <button type="button" className={`${BIG} border-ink font-normal`} onClick={ask}>
          Lay the rest anew
        </button>
        <button type="button" className={`${BIG} col-span-2 border-ink font-normal`} onClick={() => setTrial(true)}>
          {state.trial ? `Trial: ${state.trial.arms.map(armWords).join(' against ')}` : 'Compare leaders, hooks or lures'}
        </button>
        <button
          type="button"
          aria-expanded={ribbon}
          className={`${BIG} col-span-2 border-ink font-normal`}
          onClick={() => setRibbon((r) => !r)}
        >
          {ribbon ? 'Close the day’s ribbon' : 'The day’s ribbon'}
        </button>
      </div>
      <Suspense fallback={null}>
        {ribbon && <DeckRibbon pack={pack} now={now} />}
        {chart && <DeckChart trip={trip} position={position} next={next} c={c} now={now} onClose={() => setChart(false)} />}
        {trial && <TrialSheet trip={trip} onClose={() => setTrial(false)} />}
        {asked && (
          <RestSheet
            trip={trip}
            asked={asked}
            onTake={(legs) => {
              trip.takeRest(legs);
              setAsked(null);
            }}
            onClose={() => setAsked(null)}
          />
        )}
      </Suspense>
    </div>
  );
}
