import type { DeckStop } from '@bluffwind/contract/deck';
import { conditionsOver, type SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { wayGone } from '@bluffwind/core/ground/wayGone';
import { DISTURBANCE_WORDS } from '@bluffwind/core/turn/disturbances';
import { dropAgain } from '@bluffwind/core/turn/dropAgain';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { type ReactNode, useMemo, useState } from 'react';
import { clock, depth } from '../ui/format';
import { shortName } from '@bluffwind/core/fish/shortName';
import { BIG, Frame } from './deckParts';
import { divided } from './divided';
import { FishSheets, type Sheet } from './FishSheets';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { findingWords } from '@bluffwind/core/risk/findingWords';
import { shuts } from '@bluffwind/core/risk/judge';
import { bagWords } from './bagWords';
import { outNow } from './deckState';
import { FishKeys } from './FishKeys';
import { OnTheWay } from './OnTheWay';
import { RodKeys } from './RodKeys';
import { RecentFish } from './RecentFish';
import { SpotRisk } from './SpotRisk';
import { shareNow, StayOrMove } from './StayOrMove';
import { Triggers } from './Triggers';
import { type Recording, useTrack } from './useTrack';
import type { Catch, DeckTrip } from './useDeckTrip';
import { amount, words } from '../data/units';
import { v7 } from 'uuid';

interface AtStopProps {
  readonly trip: DeckTrip;
  readonly stop: DeckStop;
  readonly now: number;
  readonly foot: (buttons: ReactNode) => ReactNode;
}

/** Lines in: what the water does, stay or move, whose turn, and a fish in three taps. */
export function AtStop({ trip, stop: current, now, foot }: AtStopProps) {
  const { pack, landed, turnOf, usual: ordered, visited, spotOf, record, log } = trip;
  const out = outNow(current);
  const [sheet, setSheet] = useState<Sheet>(null);
  const water = useMemo(() => waterStateOf(pack.water), [pack.water]);
  const minute = Math.floor(now / MINUTE) * MINUTE;
  const at = useMemo(() => conditionsOver(water, minute - HOUR, minute + HOUR), [water, minute]);
  const spot = spotOf(current.spotId);
  const c = useMemo(() => (spot ? at(spot, minute) : null), [spot, at, minute]);
  const over = useMemo(() => (spot && c ? overHere(pack, spot, c) : []), [pack, spot, c]);
  const here = current.sets.flatMap((s) => s.catches).filter((k) => k.outcome === 'landed').length;
  const school = dropAgain(
    current.sets
      .flatMap((s) => s.catches)
      .filter((k) => k.outcome === 'landed')
      .map((k) => ({ speciesId: k.speciesId, atMs: Date.parse(k.at) }))
      .sort((a, b) => a.atMs - b.atMs),
    now,
  );
  const track = useTrack(pack.trip.id, current.id, (stopId, points) => record({ kind: 'track', stopId, points }));
  const keptOf = (speciesId: string) => landed.filter((k) => k.speciesId === speciesId && k.kept).length;
  const next = pack.spots.find((s) => s.id === pack.legs.find((l) => !visited.has(l.spotId))?.spotId);
  const [more, setMore] = useState<false | 'more' | 'rest'>(false);
  const legIndex = pack.legs.findIndex((l) => l.spotId === current.spotId);
  // A released one like it is logged at once, not measured; one that was kept is held against the bag first.
  const another = (last: Catch) => {
    if (last.kept && last.speciesId) return setSheet({ kind: 'fish', speciesId: last.speciesId });
    log('landed', last.speciesId, {
      lengthMm: null,
      lengthKind: pack.species.find((s) => s.id === last.speciesId)?.lengthKind ?? 'total',
      kept: false,
      clientId: turnOf?.id ?? null,
    });
  };
  return (
    <Frame
      title={legIndex >= 0 ? `Stop ${legIndex + 1} of ${pack.legs.length}` : 'Off the plan'}
      right={`${clock(now, pack.zone)}${stageWords(c)}`}
    >
      <div className="flex items-start justify-between gap-2">
        <h1 className="text-[1.4rem] leading-tight font-bold">{spot?.name}</h1>
        <button
          type="button"
          aria-expanded={more !== false}
          className="-my-3 min-h-[56px] shrink-0 cursor-pointer px-1 text-[0.93rem] underline underline-offset-4"
          onClick={() => setMore((m) => (m ? false : 'more'))}
        >
          {more ? 'Less' : 'Chart, rest of day'}
        </button>
      </div>
      <p className="text-[0.93rem] text-ink-2">
        {c ? `${depth(c.depthM)} under the boat` : ''}
        {c ? (c.windMps === null ? ', wind not known' : `, wind ${amount(c.windMps, 'wind', 0)}`) : ''}
      </p>
      {spot && c && <SpotRisk pack={pack} spot={spot} c={c} />}
      <StayOrMove pack={pack} stop={current} here={here} visited={visited} now={now} over={over} />
      {!more && <Triggers trip={trip} now={now} crossedOnly onLay={() => setMore('rest')} />}
      {more && (
        <OnTheWay
          trip={trip}
          next={next}
          stop={{ at: current, share: shareNow(pack, current, here, now) }}
          c={c}
          now={now}
          askAtOnce={more === 'rest'}
        />
      )}
      {(more || track.on) && <DriftLine track={track} />}
      {school && (
        <p role="status" data-drop-again className="mt-2 border-l-4 border-kelp bg-kelp-pale px-3 py-1">
          Where there are two there are more: down again at once.
        </p>
      )}
      <div className="mt-3 flex items-baseline justify-between">
        <b className="text-[1.05rem]">{turnOf ? `${turnOf.name.split(' ')[0]}’s turn` : `${here} here`}</b>
        <span className="text-[0.93rem] text-ink-2">
          {ordered[0] ? `bag ${keptOf(ordered[0].id)}${bagWords(pack, ordered[0].id)} ${shortName(ordered[0].name)}` : ''}
        </span>
      </div>
      <RodKeys trip={trip} now={now} />
      {out && (
        <div role="status" data-lines-out className="mt-2 border-l-4 border-rust bg-rust-pale px-3 py-2">
          <b>Lines out since {clock(out.fromAt, pack.zone)}</b>: {DISTURBANCE_WORDS[out.what]}. This time does not count as fished.
        </div>
      )}
      <RecentFish
        trip={trip}
        catches={current.sets.flatMap((s) => s.catches.map((k) => ({ ...k, set: s }))).slice(-2)}
        {...(out ? {} : { onAnother: another })}
      />
      {out && foot(<BackIn trip={trip} stop={current} out={out} />)}
      {!out &&
        foot(
          <FishKeys
            species={ordered.slice(0, 2)}
            onSheet={setSheet}
            onLog={(outcome) => log(outcome, null)}
            onLeave={() => record({ kind: 'end-stop', stopId: current.id })}
          />,
        )}
      <FishSheets trip={trip} stop={current} sheet={sheet} onSheet={setSheet} />
    </Frame>
  );
}

/** Where in the tide it is: " · run-in, 1 h 27 gone"; empty without one. */
function stageWords(c: SpotConditions | null): string {
  if (c?.tideStage == null) return '';
  const gone =
    c.sinceTurnH === null ? '' : `, ${Math.floor(c.sinceTurnH)} h ${String(Math.floor((c.sinceTurnH % 1) * 60)).padStart(2, '0')} gone`;
  return ` · ${c.tideStage < 0.5 ? 'run-in' : 'run-out'}${gone}`;
}

/** The way that the boat goes while it fishes, recorded by one tap: what it makes good tells the drift. */
function DriftLine({ track: { on, points, why, toggle } }: { track: Recording }) {
  const way = wayGone(points);
  return (
    <div className="mt-2" data-track-on={on}>
      <button
        type="button"
        aria-pressed={on}
        className={`${BIG} w-full font-normal ${on ? 'border-kelp bg-kelp-pale' : 'border-ink'}`}
        onClick={toggle}
      >
        {on ? 'Stop recording the drift' : 'Record the drift'}
      </button>
      {points.length > 0 && (
        <p className="num mt-1 text-[0.93rem]" role="status">
          {amount(way.lengthM, 'near', 0)} in {way.minutes.toFixed(0)} min
          {way.madeGoodMps !== null && way.toDeg !== null
            ? `, ${amount(way.madeGoodMps, 'current', 2)} toward ${Math.round(way.toDeg)}°`
            : ''}
        </p>
      )}
      {why !== '' && <p className="text-[0.87rem] text-rust">{why}</p>}
    </div>
  );
}

/** One tap has the same baits on the same rods fish again. */
function BackIn({ trip, stop, out }: { trip: DeckTrip; stop: DeckStop; out: NonNullable<ReturnType<typeof outNow>> }) {
  const before = stop.sets.filter((s) => s.endedAt === out.fromAt);
  const again = before.length > 0 ? before : stop.sets.slice(-1);
  return (
    <div className="grid grid-cols-2 gap-2">
      <button type="button" className={`${BIG} border-ink`} onClick={() => trip.record({ kind: 'end-stop', stopId: stop.id })}>
        Leave spot
      </button>
      <button
        type="button"
        className={`${BIG} border-kelp bg-kelp text-on-kelp`}
        onClick={() =>
          trip.record({
            kind: 'lines-in',
            stopId: stop.id,
            disturbanceId: out.id,
            sets: setsAgain(again, trip.state.trial),
          })
        }
      >
        Lines in again
      </button>
    </div>
  );
}

/** The same baits on the same rods; a trial that was begun meanwhile divides them, one that was ended puts them together. */
function setsAgain(before: readonly DeckStop['sets'][number][], trial: DeckTrip['state']['trial']) {
  const baits = [...new Set(before.map((s) => s.presentationId))];
  return baits
    .flatMap((presentationId) => {
      const rods = before.filter((s) => s.presentationId === presentationId).reduce((n, s) => n + s.rods, 0);
      return divided({ presentationId, rods }, trial);
    })
    .map((s) => ({ ...s, id: v7() }));
}

/** What shuts a spot now, in words. */
function overHere(pack: DeckTrip['pack'], spot: DeckTrip['pack']['spots'][number], c: SpotConditions): string[] {
  const { findings } = judgeSpot(pack.boat, pack.party, spot, c);
  return findings.filter(shuts).map((f) => words(findingWords(f)).replace(/\.$/, ''));
}
