import type { DeckEntry, DeckPack, DeckStop, TakenLeg } from '@bluffwind/contract/deck';
import { whoseTurn } from '@bluffwind/core/turn/whoseTurn';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import { serverNow } from '../data/clock';
import type { StoredEntry } from '../offline/store';
import type { LoggedCatch } from './CatchSheet';
import { type DeckState, deckState } from './deckState';
import { divided } from './divided';
import { withRest } from './takenRest';

type DeckSet = DeckStop['sets'][number];
export type Catch = DeckSet['catches'][number] & { readonly set: DeckSet };
type Without<T> = T extends unknown ? Omit<T, 'entryId' | 'at'> : never;

/** A trip as it stands on the phone, and what can be logged. */
export interface DeckTrip {
  readonly pack: DeckPack;
  readonly state: DeckState;
  readonly catches: readonly Catch[];
  readonly landed: readonly Catch[];
  readonly visited: ReadonlySet<string>;
  /** Whether the stops that are left were laid anew on one of the trip's phones; takes such a rest, or goes back to the plan (null). */
  readonly takenRest: boolean;
  readonly takeRest: (legs: readonly TakenLeg[] | null) => void;
  /** Sets that fish now, and the one that a catch goes to. */
  readonly running: readonly DeckSet[];
  readonly active: DeckSet | undefined;
  /** Whose turn it is; undefined without guests. */
  readonly turnOf: DeckPack['trip']['guests'][number] | undefined;
  /** Species of the trip, the most landed first. */
  readonly usual: readonly DeckPack['species'][number][];
  readonly spotOf: (id: string) => DeckPack['spots'][number] | undefined;
  readonly presentationName: (id: string) => string;
  readonly speciesName: (id: string | null) => string;
  readonly setActive: (setId: string) => void;
  readonly record: (entry: Without<DeckEntry>) => void;
  readonly startStop: (spotId: string) => void;
  /** Logs a fish; without more it is the angler's whose turn it is, not measured and not kept. */
  readonly log: (outcome: 'landed' | 'lost' | 'missed', speciesId: string | null, fish?: LoggedCatch) => void;
}

/** Derives a trip from its pack and what was entered since. */
export function useDeckTrip(packed: DeckPack, entries: readonly StoredEntry[], store: (entry: DeckEntry) => Promise<void>): DeckTrip {
  const [activeSet, setActive] = useState<string | null>(null);
  const state = useMemo(
    () =>
      deckState(
        packed,
        entries.filter((e) => e.state !== 'refused').map((e) => e.entry),
      ),
    [packed, entries],
  );
  const visited = useMemo(() => new Set(state.stops.map((s) => s.spotId)), [state]);
  const pack = useMemo(() => withRest(packed, state.rest, visited), [packed, state.rest, visited]);
  const catches = state.stops.flatMap((s) => s.sets.flatMap((x) => x.catches.map((k) => ({ ...k, set: x }))));
  const landed = catches.filter((k) => k.outcome === 'landed');
  const running = state.current?.sets.filter((s) => s.endedAt === null) ?? [];
  const active = running.find((s) => s.id === activeSet) ?? running[0];
  const { guests } = pack.trip;
  const turnOf =
    whoseTurn(
      guests,
      landed.map((k) => ({ clientId: k.clientId, atMs: Date.parse(k.at) })),
    ) ?? undefined;
  const landedOf = (speciesId: string) => landed.filter((k) => k.speciesId === speciesId).length;
  const record = (entry: Without<DeckEntry>) =>
    void store({ ...entry, entryId: v7(), at: new Date(serverNow()).toISOString() } as DeckEntry);

  return {
    pack,
    state,
    catches,
    landed,
    visited,
    takenRest: state.rest !== null,
    takeRest: (legs) => record({ kind: 'rest', legs: legs && [...legs] }),
    running,
    active,
    turnOf,
    usual: pack.species.filter((s) => s.usual).sort((a, b) => landedOf(b.id) - landedOf(a.id)),
    spotOf: (id) => pack.spots.find((s) => s.id === id),
    presentationName: (id) => pack.presentations.find((p) => p.id === id)?.name ?? '',
    speciesName: (id) => pack.species.find((s) => s.id === id)?.name ?? '',
    setActive,
    record,
    startStop: (spotId) => {
      const leg = pack.legs.find((l) => l.spotId === spotId);
      const first = leg?.presentationId ?? pack.presentations[0]?.id ?? '';
      const second = leg?.secondId ?? null;
      const { rods } = pack.trip;
      // A trial wants the same bait on all of its rods.
      const sets =
        second && rods > 2 && !state.trial
          ? [
              { presentationId: first, rods: rods - 1 },
              { presentationId: second, rods: 1 },
            ]
          : divided({ presentationId: first, rods }, state.trial);
      record({ kind: 'start-stop', stopId: v7(), spotId, sets: sets.map((s) => ({ ...s, id: v7() })) });
    },
    log: (outcome, speciesId, fish) => {
      if (!active) return;
      const lengthKind = pack.species.find((s) => s.id === speciesId)?.lengthKind ?? 'total';
      record({
        kind: 'catch',
        catchId: v7(),
        setId: active.id,
        speciesId,
        clientId: fish ? fish.clientId : (turnOf?.id ?? null),
        lengthMm: fish?.lengthMm ?? null,
        lengthKind: fish?.lengthKind ?? lengthKind,
        outcome,
        kept: fish?.kept ?? false,
      });
    },
  };
}
