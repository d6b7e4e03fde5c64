import type { DeckEntry, DeckPack } from '@bluffwind/contract/deck';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { decideStay } from '@bluffwind/core/stay/decideStay';
import { beliefAt } from '@bluffwind/core/stay/beliefAt';
import { alternativesFrom } from '@bluffwind/core/stay/stayOrMove';
import { type StayTable, stayTable } from '@bluffwind/core/stay/stayTable';
import { HOUR } from '@bluffwind/core/units/time';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 } from 'uuid';
import { ApiProblem } from '../app/api';
import { serverNow } from '../app/clock';
import type { StoredEntry } from '../offline/store';
import { useDeck } from '../offline/useDeck';
import { clock, depth, rate } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';
import { CatchSheet } from './CatchSheet';
import { deckState, rodHours } from './deckState';
import { PickSheet } from './PickSheet';

const BIG = 'min-h-[58px] cursor-pointer rounded border px-2 font-semibold text-[1rem] leading-tight';
type Sheet = { kind: 'fish'; speciesId: string } | { kind: 'other' } | { kind: 'switch' } | { kind: 'spot' } | { kind: 'sign' } | null;

const SIGNS = [
  ['bait', 'Bait massed or showering'],
  ['birds', 'Birds working'],
  ['marks', 'Marks on the sounder'],
  ['rays', 'Rays rooting'],
  ['surface', 'Fish at the surface'],
  ['follow', 'A follow'],
] as const;

export default function Deck() {
  const { tripId = '' } = useParams();
  const { pack, entries, online, error, record } = useDeck(tripId);
  const [now, setNow] = useState(serverNow);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the clock is heard with the pack, and an entry moves it on
  useEffect(() => {
    setNow(serverNow());
    const timer = setInterval(() => setNow(serverNow()), 5000);
    return () => clearInterval(timer);
  }, [pack, entries]);
  if (!pack) return error ? <Fault error={error} /> : <Waiting what="Opening the deck" />;
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
  const [sheet, setSheet] = useState<Sheet>(null);
  const state = useMemo(
    () =>
      deckState(
        pack,
        entries.filter((e) => e.state !== 'refused').map((e) => e.entry),
      ),
    [pack, entries],
  );
  const water = useMemo(() => waterStateOf(pack.water), [pack.water]);
  const stamp = () => ({ entryId: v7(), at: new Date(serverNow()).toISOString() });
  const { current } = state;
  const spotOf = (id: string) => pack.spots.find((s) => s.id === id);
  const presentationName = (id: string) => pack.presentations.find((p) => p.id === id)?.name ?? '';
  const speciesName = (id: string | null) => pack.species.find((s) => s.id === id)?.name ?? '';
  const catches = state.stops.flatMap((s) => s.sets.flatMap((x) => x.catches.map((k) => ({ ...k, set: x }))));
  const landed = catches.filter((k) => k.outcome === 'landed');
  const visited = new Set(state.stops.map((s) => s.spotId));
  const next = pack.legs.find((l) => !visited.has(l.spotId));
  const waiting = entries.filter((e) => e.state === 'on this phone').length;
  const refused = entries.filter((e) => e.state === 'refused');
  const at = useMemo(() => conditionsOver(water, now - HOUR, now + HOUR), [water, now]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: decided on arrival; later fish and stops do not make it anew
  const table = useMemo(
    () => (current ? tableOf(pack, current.spotId, Date.parse(current.startedAt), visited) : undefined),
    [pack, current?.id],
  );

  const startStop = (spotId: string) => {
    const leg = pack.legs.find((l) => l.spotId === spotId);
    const first = leg?.presentationId ?? pack.presentations[0]?.id ?? '';
    const second = leg?.secondId ?? null;
    const rods = pack.trip.rods;
    const sets =
      second && rods > 2
        ? [
            { id: v7(), presentationId: first, rods: rods - 1 },
            { id: v7(), presentationId: second, rods: 1 },
          ]
        : [{ id: v7(), presentationId: first, rods }];
    setSheet(null);
    void record({ kind: 'start-stop', ...stamp(), stopId: v7(), spotId, sets });
  };
  const running = current?.sets.filter((s) => s.endedAt === null) ?? [];
  const [activeSet, setActive] = useState<string | null>(null);
  const active = running.find((s) => s.id === activeSet) ?? running[0];
  const turnOf = pack.trip.guests.length > 0 ? pack.trip.guests[landed.length % pack.trip.guests.length] : undefined;
  const log = (outcome: 'landed' | 'lost' | 'missed', speciesId: string | null, lengthMm: number | null, kept: boolean) => {
    if (!active) return;
    setSheet(null);
    const kind = pack.species.find((s) => s.id === speciesId)?.lengthKind ?? 'total';
    void record({
      kind: 'catch',
      ...stamp(),
      catchId: v7(),
      setId: active.id,
      speciesId,
      clientId: turnOf?.id ?? null,
      lengthMm,
      lengthKind: kind,
      outcome,
      kept,
    });
  };
  const keptOf = (speciesId: string) => landed.filter((k) => k.speciesId === speciesId && k.kept).length;
  const usual = pack.species.filter((s) => s.usual);
  const ordered = [...usual].sort(
    (a, b) => landed.filter((k) => k.speciesId === b.id).length - landed.filter((k) => k.speciesId === a.id).length,
  );
  const status = (
    <p className="flex items-center gap-2 text-[0.83rem] text-ink-2" role="status">
      <span
        aria-hidden="true"
        className={`inline-block h-3 w-3 rounded-full border-2 ${online ? 'border-kelp' : 'border-rust'} ${waiting === 0 && online ? 'bg-kelp' : ''}`}
      />
      {online
        ? waiting === 0
          ? entries.length === 0
            ? 'On line. Nothing to send.'
            : `All ${entries.length} entries are with the crew.`
          : `Sending ${waiting}.`
        : `No signal. ${waiting} ${waiting === 1 ? 'entry' : 'entries'} on this phone, safe.`}
    </p>
  );
  const refusal = refused.length > 0 && (
    <div role="alert" className="border-l-4 border-rust bg-rust-pale px-3 py-2 text-[0.87rem]">
      {refused.map((r) => (
        <p key={r.entryId}>Not taken, kept on this phone: {r.message}</p>
      ))}
    </div>
  );

  if (!state.begun || state.ended) {
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
                    {spotOf(l.spotId)?.name}
                    <span className="block text-[0.83rem] text-ink-2">{presentationName(l.presentationId)}</span>
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
        <div className="mt-auto flex flex-col gap-3 pt-4">
          {refusal}
          {!state.ended && (
            <button
              type="button"
              className={`${BIG} border-kelp bg-kelp text-on-kelp`}
              onClick={() => void record({ kind: 'begin-trip', ...stamp() })}
            >
              Begin the trip
            </button>
          )}
          {status}
        </div>
      </Frame>
    );
  }

  if (!current || !active) {
    return (
      <Frame title={`${landed.length} fish so far`} right={clock(now, pack.zone)}>
        <h1 className="text-[1.4rem] font-bold">{next ? `Next: ${spotOf(next.spotId)?.name}` : 'No leg left'}</h1>
        {next && (
          <p className="text-ink-2">
            {clock(next.startAt, pack.zone)} to {clock(next.departAt, pack.zone)}, {presentationName(next.presentationId)},{' '}
            {next.expected.toFixed(1)} fish ({next.lo80} to {next.hi80})
          </p>
        )}
        <Recent
          catches={catches.slice(-6).reverse()}
          zone={pack.zone}
          nameOf={speciesName}
          onUndo={(catchId) => void record({ kind: 'undo-catch', ...stamp(), catchId })}
        />
        <div className="mt-auto flex flex-col gap-3 pt-4">
          {refusal}
          {next && (
            <button type="button" className={`${BIG} border-kelp bg-kelp text-on-kelp`} onClick={() => startStop(next.spotId)}>
              Lines in at {spotOf(next.spotId)?.name}
            </button>
          )}
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className={`${BIG} border-ink`} onClick={() => setSheet({ kind: 'spot' })}>
              Another spot
            </button>
            <button type="button" className={`${BIG} border-ink`} onClick={() => void record({ kind: 'end-trip', ...stamp() })}>
              End the trip
            </button>
          </div>
          {status}
        </div>
        {sheet?.kind === 'spot' && (
          <PickSheet
            title="Lines in where?"
            items={pack.spots.map((s) => ({ id: s.id, name: s.name }))}
            onPick={startStop}
            onClose={() => setSheet(null)}
          />
        )}
      </Frame>
    );
  }

  const spot = spotOf(current.spotId);
  const c = spot ? at(spot, Math.floor(now / 60_000) * 60_000) : null;
  const minutes = (now - Date.parse(current.startedAt)) / 60_000;
  const here = current.sets.flatMap((s) => s.catches).filter((k) => k.outcome === 'landed').length;
  const advice =
    spot &&
    decideStay(
      {
        belief: beliefAt(spot, Date.parse(current.startedAt)),
        fadePerHour: spot.fadePerHour,
        minutesFished: Math.max(0, minutes),
        fish: here,
        minutesLeft: Math.max(0, (Date.parse(pack.trip.endsAt) - now) / 60_000),
        alternatives: alternativesFrom(pack.spots, spot.id, visited, now),
      },
      table,
    );
  const legIndex = pack.legs.findIndex((l) => l.spotId === current.spotId);
  const stage = c?.tideStage == null ? '' : c.tideStage < 0.5 ? 'run-in' : 'run-out';
  const gone =
    c?.sinceTurnH == null ? '' : `, ${Math.floor(c.sinceTurnH)} h ${String(Math.floor((c.sinceTurnH % 1) * 60)).padStart(2, '0')} gone`;
  const bagOf = (speciesId: string) => {
    const rule = pack.rules.find((r) => r.speciesId === speciesId && r.body.kind === 'bag');
    return rule?.body.kind === 'bag' ? ` of ${rule.body.perAngler * Math.max(1, pack.trip.guests.length)}` : '';
  };
  return (
    <Frame
      title={legIndex >= 0 ? `Leg ${legIndex + 1} of ${pack.legs.length}` : 'Off the plan'}
      right={`${clock(now, pack.zone)}${stage ? ` · ${stage}${gone}` : ''}`}
    >
      <h1 className="text-[1.4rem] leading-tight font-bold">{spot?.name}</h1>
      <p className="text-[0.93rem] text-ink-2">
        {c ? `${depth(c.depthM)} m under the boat` : ''}
        {c?.windMps != null ? `, wind ${c.windMps.toFixed(0)} m/s` : ''}
      </p>
      {advice && (
        <div className={`mt-2 border-l-4 px-3 py-2 ${advice.move ? 'border-rust bg-rust-pale' : 'border-kelp bg-kelp-pale'}`} data-advice>
          <b className="text-[1.1rem]">
            {advice.move
              ? `Move to ${spotOf(advice.to ?? '')?.name ?? 'the dock'}`
              : `Stay. Look again at ${clock(now + (advice.reconsiderInMin ?? 10) * 60_000, pack.zone)}`}
          </b>
          <p className="text-[0.93rem]">
            {rate(advice.rateNowPerHour)} an hour here now
            {advice.to
              ? `; ${spotOf(advice.to)?.name} is worth ${rate(advice.bestAlternativePerHour)} after a ${(spot?.travelMin[advice.to] ?? 0).toFixed(0)} min run`
              : ''}
            .
            {advice.fishToStay !== null
              ? ` ${advice.fishToStay === 1 ? 'One fish' : `${advice.fishToStay} fish`} in the next 10 min would change it.`
              : ''}
          </p>
        </div>
      )}
      <div className="mt-3 flex items-baseline justify-between">
        <b className="text-[1.05rem]">{turnOf ? `${turnOf.name.split(' ')[0]}’s turn` : `${here} here`}</b>
        <span className="text-[0.93rem] text-ink-2">
          {ordered[0] ? `bag ${keptOf(ordered[0].id)}${bagOf(ordered[0].id)} ${short(ordered[0].name)}` : ''}
        </span>
      </div>
      <div className="mt-1 grid grid-cols-2 gap-2">
        {running.map((s) => (
          <button
            key={s.id}
            type="button"
            aria-pressed={s.id === active.id}
            onClick={() => setActive(s.id)}
            className={`min-h-[58px] cursor-pointer rounded border px-3 py-1.5 text-left ${s.id === active.id ? 'border-ink bg-ink text-chalk' : 'border-ink'}`}
          >
            <span className="block text-[0.93rem] leading-tight font-semibold">{presentationName(s.presentationId).split(',')[0]}</span>
            <span className="text-[0.8rem]">
              {s.rods} {s.rods === 1 ? 'rod' : 'rods'}, {Math.max(0, Math.floor((now - Date.parse(s.startedAt)) / 60_000))} min
            </span>
          </button>
        ))}
      </div>
      <Recent
        catches={current.sets
          .flatMap((s) => s.catches.map((k) => ({ ...k, set: s })))
          .slice(-4)
          .reverse()}
        zone={pack.zone}
        nameOf={speciesName}
        onUndo={(catchId) => void record({ kind: 'undo-catch', ...stamp(), catchId })}
      />
      <div className="mt-auto flex flex-col gap-2 pt-3">
        {refusal}
        <p className="text-[0.87rem] text-ink-2">Fish on the boat</p>
        <div className="grid grid-cols-3 gap-2">
          {ordered.slice(0, 2).map((s) => (
            <button
              key={s.id}
              type="button"
              className={`${BIG} border-ink bg-paper`}
              onClick={() => setSheet({ kind: 'fish', speciesId: s.id })}
            >
              {short(s.name)}
            </button>
          ))}
          <button type="button" className={`${BIG} border-ink bg-paper`} onClick={() => setSheet({ kind: 'other' })}>
            Other
          </button>
          <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => log('missed', null, null, false)}>
            Missed
          </button>
          <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => log('lost', null, null, false)}>
            Lost
          </button>
          <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => setSheet({ kind: 'sign' })}>
            Saw sign
          </button>
        </div>
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className={`${BIG} border-ink`} onClick={() => setSheet({ kind: 'switch' })}>
            Switch bait
          </button>
          <button
            type="button"
            className={`${BIG} border-kelp bg-kelp text-on-kelp`}
            onClick={() => void record({ kind: 'end-stop', ...stamp(), stopId: current.id })}
          >
            Leave spot
          </button>
        </div>
        {status}
      </div>
      {sheet?.kind === 'fish' && (
        <CatchSheet
          pack={pack}
          species={pack.species.find((s) => s.id === sheet.speciesId) as DeckPack['species'][number]}
          keptToday={landed.filter((k) => k.speciesId === sheet.speciesId && k.kept && k.clientId === (turnOf?.id ?? null)).length}
          onDone={(mm, kept) => log('landed', sheet.speciesId, mm, kept)}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'other' && (
        <PickSheet
          title="Which fish?"
          items={[...pack.species].sort((a, b) => Number(b.usual) - Number(a.usual))}
          onPick={(speciesId) => setSheet({ kind: 'fish', speciesId })}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'switch' && (
        <PickSheet
          title={`Instead of ${presentationName(active.presentationId)}`}
          items={pack.presentations.filter((p) => p.id !== active.presentationId)}
          onPick={(presentationId) => {
            setSheet(null);
            void record({
              kind: 'switch-set',
              ...stamp(),
              stopId: current.id,
              endSetId: active.id,
              set: { id: v7(), presentationId, rods: active.rods },
            });
          }}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'sign' && (
        <PickSheet
          title="What was seen?"
          items={SIGNS.map(([id, name]) => ({ id, name }))}
          onPick={(what) => {
            setSheet(null);
            void record({ kind: 'sighting', ...stamp(), sightingId: v7(), spotId: current.spotId, what: what as 'bait', note: '' });
          }}
          onClose={() => setSheet(null)}
        />
      )}
    </Frame>
  );
}

/** Minutes by which a leg may begin off its plan and still be decided by the table that came with it. */
const TABLE_SLACK_MIN = 15;

/** Decision table of a stop: the plan's, or one made on the phone where the stop is off the plan. */
function tableOf(pack: DeckPack, spotId: string, startedMs: number, visited: ReadonlySet<string>): StayTable | undefined {
  const spot = pack.spots.find((s) => s.id === spotId);
  const leg = pack.legs.find((l) => l.spotId === spotId);
  if (leg && Math.abs(Date.parse(leg.startAt) - startedMs) <= TABLE_SLACK_MIN * 60_000 && leg.table) return leg.table;
  if (!spot) return undefined;
  const minutes = Math.max(0, (Date.parse(pack.trip.endsAt) - startedMs) / 60_000);
  return stayTable(beliefAt(spot, startedMs), spot.fadePerHour, minutes, alternativesFrom(pack.spots, spotId, visited, startedMs));
}

function Frame({ title, right, children }: { title: string; right: string; children: React.ReactNode }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-[480px] flex-col bg-chalk px-4 pb-4 text-[18px]">
      <div className="-mx-4 mb-3 flex items-center justify-between border-b border-line px-4 py-3 text-[0.9rem] text-ink-2">
        <span>{title}</span>
        <span className="num">{right}</span>
      </div>
      {children}
    </main>
  );
}

interface RecentCatch {
  readonly id: string;
  readonly at: string;
  readonly speciesId: string | null;
  readonly lengthMm: number | null;
  readonly outcome: string;
  readonly kept: boolean;
}

/** The last entries, each with undo. */
function Recent({
  catches,
  zone,
  nameOf,
  onUndo,
}: {
  catches: readonly RecentCatch[];
  zone: string;
  nameOf: (id: string | null) => string;
  onUndo: (id: string) => void;
}) {
  if (catches.length === 0)
    return <p className="mt-3 text-[0.87rem] text-ink-2">Nothing logged here yet. The empty time counts by itself.</p>;
  return (
    <ul className="mt-3" aria-label="Last entries">
      {catches.map((k) => (
        <li key={k.id} className="flex items-center justify-between border-t border-line text-[0.93rem]">
          <span>
            <span className="num text-ink-2">{clock(k.at, zone)}</span>{' '}
            {k.outcome === 'landed'
              ? `${short(nameOf(k.speciesId))}${k.lengthMm ? ` ${(k.lengthMm / 10).toFixed(0)} cm` : ''}, ${k.kept ? 'kept' : 'released'}`
              : k.outcome}
          </span>
          <button
            type="button"
            className="min-h-[44px] cursor-pointer px-3 underline underline-offset-4"
            aria-label={`Undo ${k.outcome} of ${clock(k.at, zone)}`}
            onClick={() => onUndo(k.id)}
          >
            undo
          </button>
        </li>
      ))}
    </ul>
  );
}

/** "European sea bass" is "Sea bass" on deck. */
function short(name: string): string {
  const words = name
    .split(' ')
    .filter((w) => !['European', 'Atlantic', 'Northern', 'Common', 'Ballan', 'Black', 'Brown', 'Thornback'].includes(w));
  const s = words.join(' ');
  return s.charAt(0).toUpperCase() + s.slice(1);
}
