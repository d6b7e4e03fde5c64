// The deck as it stands: what the server had, with every entry of this phone replayed over it. The same keys never count
// twice, so an entry may be in both.
import type { DeckEntry, DeckPack, DeckStop, TakenLeg } from '@bluffwind/contract/deck';
import type { TrialPlan } from '@bluffwind/contract/trials';
import { type LinesOut, minutesOut } from '@bluffwind/core/turn/disturbances';

export interface DeckState {
  readonly begun: boolean;
  readonly ended: boolean;
  readonly stops: readonly DeckStop[];
  /** The stop that is being fished, or null. */
  readonly current: DeckStop | null;
  /** The list before leaving, as it was signed last. */
  readonly departure: Departure | null;
  /** Signs that were set on the chart from this phone. */
  readonly signs: readonly { readonly id: string; readonly lat: number; readonly lon: number }[];
  /** What the trip compares on its rods, or null. */
  readonly trial: TrialPlan | null;
  /** The stops that are left as they were laid anew and taken on one of the trip's phones; null while the plan holds. */
  readonly rest: readonly TakenLeg[] | null;
}

type Departure = NonNullable<DeckPack['departure']>;

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** Replays entries, in the order they were made, over a pack. */
export function deckState(
  pack: Pick<DeckPack, 'stops' | 'beganAt' | 'endedAt' | 'trip' | 'departure'> & {
    readonly trial?: TrialPlan | null | undefined;
    readonly rest?: DeckPack['rest'];
  },
  entries: readonly DeckEntry[],
): DeckState {
  let begun = pack.beganAt !== null || pack.trip.status === 'under way' || pack.trip.status === 'done';
  let ended = pack.endedAt !== null || pack.trip.status === 'done';
  const stops: Mutable<DeckStop>[] = pack.stops.map((s) => ({ ...s, sets: s.sets.map((x) => ({ ...x, catches: [...x.catches] })) }));
  let departure = pack.departure ?? null;
  let trial = pack.trial ?? null;
  let rest = pack.rest ?? null;
  const signs: { id: string; lat: number; lon: number }[] = [];
  const undone = new Set(entries.filter((e) => e.kind === 'undo-catch').map((e) => e.catchId));
  // A later stop may be open already, from the server: what ended an earlier one must not end it.
  const close = (at: string, only?: string) => {
    for (const s of stops) {
      if (Date.parse(s.startedAt) > Date.parse(at) || (only !== undefined && s.id !== only)) continue;
      if (s.endedAt === null) s.endedAt = at;
      for (const x of s.sets) if (x.endedAt === null) x.endedAt = at;
      s.outs = s.outs?.map((o) => (o.toAt === null ? { ...o, toAt: at } : o));
    }
  };
  for (const e of entries) apply(e);
  for (const s of stops) for (const x of s.sets) x.catches = x.catches.filter((k) => !undone.has(k.id));
  return {
    begun,
    ended,
    stops,
    current: ended ? null : (stops.find((s) => s.endedAt === null) ?? null),
    departure,
    trial,
    rest: rest?.legs ?? null,
    signs,
  };

  function apply(e: DeckEntry): void {
    switch (e.kind) {
      case 'begin-trip':
        begun = true;
        return;
      case 'start-stop':
        if (stops.some((s) => s.id === e.stopId)) return;
        close(e.at);
        stops.push({
          id: e.stopId,
          spotId: e.spotId,
          startedAt: e.at,
          endedAt: null,
          sets: e.sets.map((s) => ({ ...s, startedAt: e.at, endedAt: null, catches: [] })),
        });
        return;
      case 'switch-set': {
        const stop = stops.find((s) => s.id === e.stopId);
        if (!stop || stop.sets.some((s) => s.id === e.set.id)) return;
        for (const s of stop.sets) if (s.id === e.endSetId && s.endedAt === null) s.endedAt = e.at;
        stop.sets.push({ ...e.set, startedAt: e.at, endedAt: null, catches: [] });
        return;
      }
      case 'catch': {
        const set = stops.flatMap((s) => s.sets).find((s) => s.id === e.setId);
        if (!set || set.catches.some((k) => k.id === e.catchId)) return;
        set.catches.push({
          id: e.catchId,
          speciesId: e.speciesId,
          clientId: e.clientId,
          at: e.at,
          lengthMm: e.lengthMm,
          outcome: e.outcome,
          kept: e.kept,
        });
        return;
      }
      case 'tell-catch':
        for (const x of stops.flatMap((s) => s.sets)) x.catches = x.catches.map((k) => (k.id === e.catchId ? told(k, e) : k));
        return;
      case 'depart':
        if (departure === null || departure.at <= e.at)
          departure = { signedBy: e.signedBy, at: e.at, dueAt: e.dueAt, ashore: e.ashore, left: e.left };
        return;
      case 'rest':
        // Another phone may have said something later, which came with the pack.
        if (!rest || Date.parse(e.at) >= Date.parse(rest.at)) rest = { legs: e.legs, at: e.at };
        return;
      case 'trial':
        trial = e.trial;
        return;
      case 'lines-out': {
        const stop = stops.find((s) => s.id === e.stopId);
        if (!stop || stop.outs?.some((o) => o.id === e.disturbanceId)) return;
        stop.outs = [...(stop.outs ?? []), { id: e.disturbanceId, what: e.what, fromAt: e.at, toAt: null }];
        for (const x of stop.sets) if (x.endedAt === null && Date.parse(x.startedAt) <= Date.parse(e.at)) x.endedAt = e.at;
        return;
      }
      case 'lines-in': {
        const stop = stops.find((s) => s.id === e.stopId);
        if (!stop) return;
        stop.outs = stop.outs?.map((o) => (o.id === e.disturbanceId && o.toAt === null ? { ...o, toAt: e.at } : o));
        if (stop.endedAt !== null) return;
        for (const s of e.sets)
          if (!stop.sets.some((x) => x.id === s.id)) stop.sets.push({ ...s, startedAt: e.at, endedAt: null, catches: [] });
        return;
      }
      case 'end-stop':
        close(e.at, e.stopId);
        return;
      case 'end-trip':
        close(e.at);
        ended = true;
        return;
      case 'sighting':
        if (e.place && !signs.some((s) => s.id === e.sightingId)) signs.push({ id: e.sightingId, ...e.place });
        return;
      case 'undo-catch':
      case 'tick':
      case 'track':
        // Undone above; ticks and tracks change nothing of the stops.
        return;
      default:
        unheard(e);
    }
  }
}

type Catch = DeckStop['sets'][number]['catches'][number];

/** A fish with what was told of it, but for what somebody has told later. */
function told(fish: Catch, { told: said, at }: Extract<DeckEntry, { kind: 'tell-catch' }>): Catch {
  const held = Object.entries(said).filter(([field]) => Date.parse(fish.toldAt?.[field] ?? '1970-01-01T00:00:00Z') <= Date.parse(at));
  const { speciesId, clientId, lengthMm, kept, lengthKind: _, ...more } = Object.fromEntries(held) as typeof said;
  return {
    ...fish,
    ...(speciesId === undefined ? {} : { speciesId }),
    ...(clientId === undefined ? {} : { clientId }),
    ...(lengthMm === undefined ? {} : { lengthMm }),
    ...(kept === undefined ? {} : { kept }),
    more: { ...fish.more, ...more },
  };
}

/** A kind that the schema knows and nothing here counts does not compile; one from a newer page of this phone is kept and sent. */
function unheard(_: never): void {}

/** The time without lines that goes on at a stop, or undefined. */
export const outNow = (stop: DeckStop) => stop.outs?.find((o) => o.toAt === null);

/** Minutes that a stop was fished so far: those without lines left out. */
export function minutesFished(stop: DeckStop, nowMs: number): number {
  const startMs = Date.parse(stop.startedAt);
  return Math.max(0, (nowMs - startMs) / 60_000 - minutesOut(outsOf(stop), startMs, nowMs));
}

/** A stop's times without lines. */
export const outsOf = (stop: DeckStop): LinesOut[] =>
  (stop.outs ?? []).map((o) => ({ what: o.what, fromMs: Date.parse(o.fromAt), toMs: o.toAt === null ? null : Date.parse(o.toAt) }));

/** Rod-hours of a set so far. */
export function rodHours(set: Pick<DeckStop['sets'][number], 'rods' | 'startedAt' | 'endedAt'>, nowMs: number): number {
  const end = set.endedAt === null ? nowMs : Date.parse(set.endedAt);
  return (set.rods * Math.max(0, end - Date.parse(set.startedAt))) / 3_600_000;
}
