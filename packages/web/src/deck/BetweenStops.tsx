import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { HOUR } from '@bluffwind/core/units/time';
import { type ReactNode, useMemo, useState } from 'react';
import { clock, fish } from '../ui/format';
import { BIG, Frame } from './deckParts';
import { OnTheWay } from './OnTheWay';
import { PickSheet } from './PickSheet';
import { RecentFish } from './RecentFish';
import { SpotRisk } from './SpotRisk';
import type { DeckTrip } from './useDeckTrip';

/** Under way: the next leg, and lines in there or elsewhere. */
export function BetweenStops({ trip, now, foot }: { trip: DeckTrip; now: number; foot: (buttons: ReactNode) => ReactNode }) {
  const { pack, landed, catches, visited, spotOf, presentationName, record, startStop } = trip;
  const [choosing, setChoosing] = useState(false);
  const [ending, setEnding] = useState(false);
  const next = pack.legs.find((l) => !visited.has(l.spotId));
  const planned = pack.legs.length > 0;
  const spot = next ? spotOf(next.spotId) : undefined;
  const water = useMemo(() => waterStateOf(pack.water), [pack.water]);
  const at = useMemo(() => conditionsOver(water, Date.parse(pack.trip.startsAt), Date.parse(pack.trip.endsAt) + HOUR), [water, pack.trip]);
  return (
    <Frame title={`${landed.length} fish so far`} right={clock(now, pack.zone)}>
      <h1 className="text-[1.4rem] font-bold">
        {next ? `Next: ${spotOf(next.spotId)?.name}` : planned ? 'No stop left' : 'No plan for this trip'}
      </h1>
      {next && (
        <p className="text-ink-2">
          {clock(next.startAt, pack.zone)} to {clock(next.departAt, pack.zone)}, {presentationName(next.presentationId)}, about{' '}
          {fish(next.expected)} fish ({next.lo80} to {next.hi80})
        </p>
      )}
      {spot && at && (
        <SpotRisk pack={pack} spot={spot} c={at(spot, Math.floor(Math.max(now, Date.parse(next?.startAt ?? '')) / 60_000) * 60_000)} />
      )}
      <OnTheWay trip={trip} next={spot} c={spot ? at(spot, Math.floor(now / 60_000) * 60_000) : null} now={now} />
      <RecentFish trip={trip} catches={catches.slice(-6)} />
      {foot(
        <>
          {next && (
            <button type="button" className={`${BIG} border-kelp bg-kelp text-on-kelp`} onClick={() => startStop(next.spotId)}>
              Lines in at {spotOf(next.spotId)?.name}
            </button>
          )}
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className={`${BIG} border-ink`} onClick={() => setChoosing(true)}>
              Another spot
            </button>
            <button type="button" className={`${BIG} border-ink`} onClick={() => setEnding(true)}>
              End the trip
            </button>
          </div>
        </>,
      )}
      {ending && (
        <PickSheet
          title="End the trip?"
          items={[
            { id: 'end', name: 'End it' },
            { id: '', name: 'Not yet' },
          ]}
          onPick={(id) => (id === 'end' ? record({ kind: 'end-trip' }) : setEnding(false))}
          onClose={() => setEnding(false)}
        />
      )}
      {choosing && (
        <PickSheet
          title="Lines in where?"
          items={pack.spots.map((s) => ({ id: s.id, name: s.name }))}
          onPick={startStop}
          onClose={() => setChoosing(false)}
        />
      )}
    </Frame>
  );
}
