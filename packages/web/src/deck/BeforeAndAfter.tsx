import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { HOUR } from '@bluffwind/core/units/time';
import { type ReactNode, useMemo } from 'react';
import { Link } from 'react-router';
import { clock } from '../ui/format';
import { Frame } from './deckParts';
import { rodHours } from './deckState';
import { Leaving } from './Leaving';
import { RecentFish } from './RecentFish';
import { SpotRisk } from './SpotRisk';
import type { DeckTrip } from './useDeckTrip';

/** The trip before it begins, with its legs and the morning's cautions, and when it is done, with its tally. */
export function BeforeAndAfter({ trip, now, foot }: { trip: DeckTrip; now: number; foot: ReactNode }) {
  const { pack, state, landed, spotOf, presentationName } = trip;
  const water = useMemo(() => waterStateOf(pack.water), [pack.water]);
  const at = useMemo(() => conditionsOver(water, Date.parse(pack.trip.startsAt), Date.parse(pack.trip.endsAt) + HOUR), [water, pack.trip]);
  return (
    <Frame title={pack.trip.boat.name} right={clock(now, pack.zone)}>
      <h1 className="text-[1.4rem] font-bold">{state.ended ? 'The trip is done' : pack.trip.wish || 'Ready to go'}</h1>
      <p className="text-ink-2">
        {clock(pack.trip.startsAt, pack.zone)} to {clock(pack.trip.endsAt, pack.zone)},{' '}
        {pack.trip.guests.map((g) => g.name.split(' ')[0]).join(', ')}
      </p>
      {state.ended ? (
        <>
          <p className="mt-3 text-[1.1rem]" data-tally>
            {landed.length} fish in{' '}
            {state.stops
              .flatMap((s) => s.sets)
              .reduce((sum, s) => sum + rodHours(s, now), 0)
              .toFixed(1)}{' '}
            rod-hours at {state.stops.length} {state.stops.length === 1 ? 'stop' : 'stops'}.
          </p>
          <Link to={`/trips/${pack.trip.id}/after`} className="mt-2 inline-flex min-h-[56px] items-center underline underline-offset-4">
            Write the debrief and the guests’ page
          </Link>
          <RecentFish trip={trip} catches={trip.catches} />
        </>
      ) : (
        <>
          <ol className="mt-3">
            {pack.legs.map((l, i) => (
              <li key={l.spotId} className="grid grid-cols-[28px_1fr_auto] border-t border-line py-2">
                <b>{i + 1}</b>
                <span>
                  {spotOf(l.spotId)?.name ?? 'a spot not shown to you'}
                  <span className="block text-[0.83rem] text-ink-2">{presentationName(l.presentationId)}</span>
                  {spotOf(l.spotId) && (
                    <SpotRisk
                      pack={pack}
                      spot={spotOf(l.spotId) as (typeof pack.spots)[number]}
                      c={at(
                        spotOf(l.spotId) as (typeof pack.spots)[number],
                        Math.round((Date.parse(l.startAt) + Date.parse(l.departAt)) / 120_000) * 60_000,
                      )}
                    />
                  )}
                </span>
                <span className="num text-[0.87rem]">
                  {clock(l.startAt, pack.zone)}–{clock(l.departAt, pack.zone)}
                </span>
              </li>
            ))}
            {pack.legs.length === 0 && (
              <li className="border-t border-line py-2 text-ink-2">No plan was saved. Choose each spot as you go.</li>
            )}
          </ol>
          <Leaving trip={trip} />
        </>
      )}
      {foot}
    </Frame>
  );
}
