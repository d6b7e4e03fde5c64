import type { DeckPack, DeckStop } from '@bluffwind/contract/deck';
import { beliefAt } from '@bluffwind/core/stay/beliefAt';
import { aheadOf } from '@bluffwind/core/stay/exposure';
import { decideStay } from '@bluffwind/core/stay/decideStay';
import { minutesTo } from '@bluffwind/core/stay/minutesTo';
import { alternativesFrom, stayOrMove } from '@bluffwind/core/stay/stayOrMove';
import { HOUR } from '@bluffwind/core/units/time';
import { memo, useMemo } from 'react';
import { clock, rate } from '../ui/format';
import { minutesFished } from './deckState';
import { stopTable } from './stopTable';

interface StayOrMoveProps {
  readonly pack: DeckPack;
  readonly stop: DeckStop;
  /** Fish landed at this stop. */
  readonly here: number;
  readonly visited: ReadonlySet<string>;
  readonly now: number;
  /** What is over a limit here and now, in words, by the one judgement; no rate outweighs it. */
  readonly over: readonly string[];
}

/** When a spot's own hours get better by a third or more before the end; null when they do not. */
function betterAhead(spot: DeckPack['spots'][number], now: number, endMs: number): { atMs: number } | null {
  const { hourly } = spot;
  if (!hourly) return null;
  const rateAt = (ms: number) => hourly.ratePerHour[Math.floor((ms - hourly.fromMs) / HOUR)] ?? 0;
  let best = { atMs: now, rate: (rateAt(now) * 4) / 3 };
  hourly.ratePerHour.forEach((r, k) => {
    const atMs = hourly.fromMs + k * HOUR;
    if (atMs > now && atMs < endMs && r > best.rate) best = { atMs, rate: r };
  });
  return best.atMs === now ? null : { atMs: best.atMs };
}

/** A stop's rate now, by what it has given and how it fades, against what was expected of its hour; 1 where nothing was expected. */
export function shareNow(pack: DeckPack, stop: DeckStop, here: number, now: number): number {
  const spot = pack.spots.find((s) => s.id === stop.spotId);
  const ratePerHour = spot?.hourly?.ratePerHour[Math.max(0, Math.floor((now - spot.hourly.fromMs) / HOUR))];
  if (!spot || !ratePerHour) return 1;
  const startedMs = Date.parse(stop.startedAt);
  const minutes = minutesFished(stop, now);
  const left = Math.max(5, (Date.parse(pack.trip.endsAt) - startedMs) / 60_000);
  const { rateNowPerHour } = stayOrMove({
    belief: beliefAt(spot, startedMs),
    fadePerHour: spot.fadePerHour,
    minutesFished: minutes,
    fish: here,
    minutesLeft: 0,
    alternatives: [],
    ahead: aheadOf(spot, startedMs, left),
  });
  return rateNowPerHour / ratePerHour;
}

/** The hardest call: stay or move, by the decision table, with the sentence that explains it. */
export const StayOrMove = memo(function StayOrMove({ pack, stop, here, visited, now, over }: StayOrMoveProps) {
  const startedMs = Date.parse(stop.startedAt);
  // biome-ignore lint/correctness/useExhaustiveDependencies: decided on arrival; later fish and stops do not make it anew
  const table = useMemo(() => stopTable(pack, stop.spotId, startedMs, visited), [pack, stop.id]);
  const spotOf = (id: string) => pack.spots.find((s) => s.id === id);
  const spot = spotOf(stop.spotId);
  if (!spot) return null;
  const minutes = Math.max(5, (Date.parse(pack.trip.endsAt) - startedMs) / 60_000);
  const ahead = aheadOf(spot, startedMs, minutes);
  const better = betterAhead(spot, now, Date.parse(pack.trip.endsAt));
  const advice = decideStay(
    {
      belief: beliefAt(spot, startedMs),
      fadePerHour: spot.fadePerHour,
      minutesFished: minutesFished(stop, now),
      fish: here,
      minutesLeft: Math.max(0, (Date.parse(pack.trip.endsAt) - now) / 60_000),
      alternatives: alternativesFrom(pack.spots, spot.id, visited, now),
      ahead,
    },
    table,
  );
  if (over.length > 0)
    return (
      <div className="mt-2 border-l-4 border-rust bg-rust-pale px-3 py-2" data-advice>
        <b className="text-[1.1rem]">Leave this spot{advice.to ? ` for ${spotOf(advice.to)?.name}` : ''}</b>
        <p className="text-[0.93rem]">
          {over[0]}. No rate of fish outweighs it
          {advice.to ? `; ${spotOf(advice.to)?.name} is ${(minutesTo(spot, advice.to, now) ?? 0).toFixed(0)} min away` : ''}.
        </p>
      </div>
    );
  return (
    <div className={`mt-2 border-l-4 px-3 py-2 ${advice.move ? 'border-rust bg-rust-pale' : 'border-kelp bg-kelp-pale'}`} data-advice>
      <b className="text-[1.1rem]">
        {advice.move
          ? `Move to ${spotOf(advice.to ?? '')?.name ?? 'the dock'}`
          : `Stay. Look again at ${clock(now + (advice.reconsiderInMin ?? 10) * 60_000, pack.zone)}`}
      </b>
      <p className="text-[0.93rem]">
        {rate(advice.rateNowPerHour)} an hour here now
        {better ? `, its best hour from ${clock(better.atMs, pack.zone)}` : ''}
        {advice.to
          ? `; ${spotOf(advice.to)?.name} is worth ${rate(advice.bestAlternativePerHour)} after ${(minutesTo(spot, advice.to, now) ?? 0).toFixed(0)} min under way`
          : ''}
        .
        {advice.fishToStay !== null
          ? ` ${advice.fishToStay === 1 ? 'One fish' : `${advice.fishToStay} fish`} in the next 10 min would change it.`
          : ''}
      </p>
    </div>
  );
});
