// Laying the rest of the day anew, on the phone and without a network: offered with what it gains, never forced.
import type { TakenLeg } from '@bluffwind/contract/deck';
import type { RestAsked, RestOfDay } from '@bluffwind/core/plan/restOfDay';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { failedOf } from '../data/failedOf';
import { deskQuery } from '../data/queries';
import { clock, fish } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';
import { usePlanWorker } from '../workers/usePlanWorker';
import { BIG } from './deckParts';
import { DeckSheet } from './DeckSheet';
import type { DeckTrip } from './useDeckTrip';

interface RestSheetProps {
  readonly trip: DeckTrip;
  readonly asked: RestAsked;
  readonly onTake: (legs: readonly TakenLeg[]) => void;
  readonly onClose: () => void;
}

/** A difference of half a fish is no reason to change a day. */
const WORTH_SAYING = 0.5;

export default function RestSheet({ trip, asked, onTake, onClose }: RestSheetProps) {
  const { pack, spotOf, presentationName } = trip;
  const desk = useQuery(deskQuery(pack.trip.id));
  const { worker, opened, failed, again } = usePlanWorker(desk.data);
  const [rest, setRest] = useState<RestOfDay | { readonly refused: string } | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: laid once for what was asked when the sheet was opened
  useEffect(() => {
    let there = true;
    if (opened && worker) void worker.rest(asked).then((r) => there && setRest(r));
    return () => {
      there = false;
    };
  }, [opened]);
  const legs = rest && !('refused' in rest) ? rest.plan.legs : [];
  const gain = rest && !('refused' in rest) ? rest.plan.expected - (rest.kept?.expected ?? 0) : 0;
  return (
    <DeckSheet
      title="The rest of the day from here"
      note={`Laid on this phone for ${clock(asked.atMs, pack.zone)}, with what this stop has given counted.`}
      close="Close"
      onClose={onClose}
    >
      {failedOf(desk) ? <Fault error={desk.error} retry={() => desk.refetch()} /> : null}
      {failed && <Fault error={failed} retry={again} />}
      {!rest && !failed && !failedOf(desk) && <Waiting what="Laying the rest of the day" />}
      {rest && 'refused' in rest && (
        <p role="status" className="mt-3 border-l-4 border-rust bg-rust-pale px-3 py-2">
          {rest.refused}
        </p>
      )}
      {rest && !('refused' in rest) && (
        <>
          <p role="status" className="mt-3 border-l-4 border-kelp bg-kelp-pale px-3 py-2" data-rest={rest.plan.expected}>
            <b>
              About {fish(rest.plan.expected)} fish ({rest.plan.lo80} to {rest.plan.hi80})
            </b>
            <span className="block text-[0.93rem]">
              {rest.kept === null
                ? 'Nothing that is left of the plan can be fished any more.'
                : gain < WORTH_SAYING
                  ? `The plan’s own stops still give about as much, ${fish(rest.kept.expected)}.`
                  : `${fish(gain)} more than the plan’s own stops still give.`}
            </span>
          </p>
          <ol className="mt-2">
            {legs.map((l, i) => (
              <li key={`${l.spotId} ${l.startMs}`} className="grid grid-cols-[28px_1fr_auto] border-t border-line py-2" data-rest-leg>
                <b>{i + 1}</b>
                <span>
                  {spotOf(l.spotId)?.name ?? 'a spot not shown to you'}
                  <span className="block text-[0.83rem] text-ink-2">{presentationName(l.presentationId)}</span>
                </span>
                <span className="num text-[0.87rem]">
                  {clock(l.startMs, pack.zone)}–{clock(l.departMs, pack.zone)}
                </span>
              </li>
            ))}
          </ol>
          <div className="mt-3 grid grid-cols-2 gap-2">
            <button type="button" className={`${BIG} border-ink`} onClick={onClose}>
              Keep the plan
            </button>
            <button
              type="button"
              className={`${BIG} border-kelp bg-kelp text-on-kelp`}
              onClick={() =>
                onTake(
                  legs.map((l) => ({
                    spotId: l.spotId,
                    presentationId: l.presentationId,
                    startAt: new Date(l.startMs).toISOString(),
                    departAt: new Date(l.departMs).toISOString(),
                    expected: l.expected,
                    lo80: l.lo80,
                    hi80: l.hi80,
                  })),
                )
              }
            >
              Take this
            </button>
          </div>
        </>
      )}
    </DeckSheet>
  );
}
