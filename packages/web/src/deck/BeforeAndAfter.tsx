import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { HOUR } from '@bluffwind/core/units/time';
import { type ReactNode, useMemo } from 'react';
import { clock } from '../ui/format';
import { Frame } from './deckParts';
import { rodHours } from './deckState';
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
        <p className="mt-3 text-[1.1rem]" data-tally>
          {landed.length} fish in{' '}
          {state.stops
            .flatMap((s) => s.sets)
            .reduce((sum, s) => sum + rodHours(s, now), 0)
            .toFixed(1)}{' '}
          rod-hours at {state.stops.length} {state.stops.length === 1 ? 'stop' : 'stops'}.
        </p>
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
          <p className="mt-3 border-l-4 border-rust pl-3 text-[0.87rem]">
            Drain plug, cut-off lanyard, life jackets by size, radio, float plan ashore, client talk. The captain’s judgement and local
            rules come first.
          </p>
        </>
      )}
      {foot}
    </Frame>
  );
}
