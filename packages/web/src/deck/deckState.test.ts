import type { DeckEntry, DeckPack, DeckStop } from '@bluffwind/contract/deck';
import { describe, expect, it } from 'vitest';
import { deckState, minutesFished, outNow, rodHours } from './deckState';

const pack = { stops: [], beganAt: null, endedAt: null, trip: { status: 'planned' } } as unknown as DeckPack;
const at = (min: number) => new Date(Date.UTC(2026, 5, 19, 9, min)).toISOString();
const start: DeckEntry = {
  kind: 'start-stop',
  entryId: 'e1',
  at: at(0),
  stopId: 's1',
  spotId: 'pier',
  sets: [{ id: 'x1', presentationId: 'shad', rods: 3 }],
};
const fish = (id: string, min: number): DeckEntry => ({
  kind: 'catch',
  entryId: `e-${id}`,
  at: at(min),
  catchId: id,
  setId: 'x1',
  speciesId: 'bass',
  clientId: null,
  lengthMm: 450,
  lengthKind: 'total',
  outcome: 'landed',
  kept: false,
});

const out = (min: number, id = 'd1', what: 'weed' | 'boat' = 'weed'): DeckEntry => ({
  kind: 'lines-out',
  entryId: `o${id}`,
  at: at(min),
  stopId: 's1',
  disturbanceId: id,
  what,
});
const back = (min: number, id = 'd1', set = 'x2'): DeckEntry => ({
  kind: 'lines-in',
  entryId: `i${id}`,
  at: at(min),
  stopId: 's1',
  disturbanceId: id,
  sets: [{ id: set, presentationId: 'shad', rods: 3 }],
});

describe('lines out of the water', () => {
  const stopOf = (entries: DeckEntry[]) => deckState(pack, entries).stops[0] as DeckStop;
  const hours = (stop: DeckStop, now: number) => stop.sets.reduce((sum, s) => sum + rodHours(s, Date.parse(at(now))), 0);

  it('count no rod-hour until they are in again, with the same baits', () => {
    const whileOut = stopOf([start, out(20)]);
    expect(outNow(whileOut)).toMatchObject({ what: 'weed', fromAt: at(20) });
    expect(whileOut.sets.filter((s) => s.endedAt === null)).toEqual([]);
    expect(hours(whileOut, 50)).toBeCloseTo(1, 9);
    expect(minutesFished(whileOut, Date.parse(at(50)))).toBe(20);
    const again = stopOf([start, out(20), back(50)]);
    expect(outNow(again)).toBeUndefined();
    expect(hours(again, 70)).toBeCloseTo(2, 9);
    expect(minutesFished(again, Date.parse(at(70)))).toBe(40);
  });
  it('are over when the spot is left, and sent again they change nothing', () => {
    const left = stopOf([start, out(20), { kind: 'end-stop', entryId: 'end', at: at(40), stopId: 's1' }]);
    expect(outNow(left)).toBeUndefined();
    expect(left.outs).toEqual([{ id: 'd1', what: 'weed', fromAt: at(20), toAt: at(40) }]);
    expect(hours(left, 90)).toBeCloseTo(1, 9);
    const known = deckState(pack, [start, out(20), back(50)]);
    const replayed = deckState({ ...pack, stops: [...known.stops] }, [start, out(20), back(50)]);
    expect(replayed.stops).toEqual(known.stops);
    // The other phone has left the spot meanwhile.
    const late = deckState({ ...pack, stops: [left] }, [back(60)]);
    expect(late.stops[0]?.sets.every((s) => s.endedAt !== null)).toBe(true);
  });
});

describe('deck state', () => {
  it('counts effort from the start of the stop without being asked', () => {
    const state = deckState(pack, [start]);
    expect(state.current?.spotId).toBe('pier');
    expect(rodHours(state.current?.sets[0] as never, Date.parse(at(40)))).toBeCloseTo(2, 9);
  });
  it('never doubles an entry that the server sent back as well', () => {
    const once = deckState(pack, [start, fish('a', 5)]);
    const again = deckState({ ...pack, stops: [...once.stops] }, [start, fish('a', 5), fish('a', 5)]);
    expect(again.stops).toHaveLength(1);
    expect(again.stops[0]?.sets[0]?.catches).toHaveLength(1);
  });
  it('takes an undone catch out, also one that the server knows', () => {
    const once = deckState(pack, [start, fish('a', 5), fish('b', 6)]);
    const undone = deckState({ ...pack, stops: [...once.stops] }, [{ kind: 'undo-catch', entryId: 'u', at: at(7), catchId: 'a' }]);
    expect(undone.stops[0]?.sets[0]?.catches.map((k) => k.id)).toEqual(['b']);
  });
  it('shows of a fish what was told of it last, and leaves alone what another phone has told later', () => {
    const told = (min: number, said: object): DeckEntry => ({
      kind: 'tell-catch',
      entryId: `t${min}`,
      at: at(min),
      catchId: 'a',
      told: said,
    });
    const fishOf = (state: ReturnType<typeof deckState>) => state.stops[0]?.sets[0]?.catches[0];
    const mine = [start, fish('a', 5), told(8, { lengthMm: 470, hook: 'lip' }), told(9, { forage: 'sand eel', kept: true })];
    expect(fishOf(deckState(pack, mine))).toMatchObject({ lengthMm: 470, kept: true, more: { hook: 'lip', forage: 'sand eel' } });
    const known = deckState(pack, [start, fish('a', 5)]).stops.map((s) => ({
      ...s,
      sets: s.sets.map((x) => ({ ...x, catches: x.catches.map((k) => ({ ...k, lengthMm: 480, toldAt: { lengthMm: at(20) } })) })),
    }));
    expect(fishOf(deckState({ ...pack, stops: known }, mine))).toMatchObject({ lengthMm: 480, more: { hook: 'lip' } });
    expect(deckState(pack, [told(8, { hook: 'lip' })]).stops).toEqual([]);
  });
  it('shows the list before leaving as it was signed last', () => {
    const signed = (min: number, signedBy: string): DeckEntry => ({
      kind: 'depart',
      entryId: signedBy,
      at: at(min),
      done: [],
      left: [],
      signedBy,
      dueAt: at(300),
      ashore: '',
    });
    expect(deckState(pack, []).departure).toBeNull();
    expect(deckState(pack, [signed(2, 'Second'), signed(1, 'First')]).departure).toMatchObject({ signedBy: 'Second' });
    const theirs = { ...pack, departure: { signedBy: 'Theirs', at: at(5), dueAt: at(300), ashore: '', left: [] } };
    expect(deckState(theirs, [signed(2, 'Mine')]).departure).toMatchObject({ signedBy: 'Theirs' });
  });
  it('ends the running stop and its sets when another starts', () => {
    const next: DeckEntry = {
      ...start,
      entryId: 'e2',
      at: at(30),
      stopId: 's2',
      spotId: 'drain',
      sets: [{ id: 'x2', presentationId: 'minnow', rods: 2 }],
    };
    const state = deckState(pack, [start, next]);
    expect(state.stops[0]?.endedAt).toBe(at(30));
    expect(state.stops[0]?.sets[0]?.endedAt).toBe(at(30));
    expect(state.current?.id).toBe('s2');
  });
  it("leaves a later stop open when the end of an earlier one is replayed over the server's state", () => {
    const end: DeckEntry = { kind: 'end-stop', entryId: 'e9', at: at(20), stopId: 's1' };
    const next: DeckEntry = {
      ...start,
      entryId: 'e2',
      at: at(30),
      stopId: 's2',
      spotId: 'drain',
      sets: [{ id: 'x2', presentationId: 'minnow', rods: 2 }],
    };
    const once = deckState(pack, [start, end, next]);
    const again = deckState({ ...pack, stops: [...once.stops] }, [start, end, next]);
    expect(again.current?.id).toBe('s2');
    expect(again.stops[0]?.endedAt).toBe(at(20));
  });
  it('has no current stop after the trip has ended', () => {
    const state = deckState(pack, [start, { kind: 'end-trip', entryId: 'z', at: at(50) }]);
    expect(state).toMatchObject({ ended: true, current: null });
  });
});

describe('a rest of the day that was taken on deck', () => {
  const leg = (spotId: string) => ({ spotId, presentationId: 'p', startAt: at(60), departAt: at(90), expected: 2, lo80: 1, hi80: 4 });
  const rest = (min: number, spot: string | null): DeckEntry => ({
    kind: 'rest',
    entryId: `r${min}`,
    at: at(min),
    legs: spot === null ? null : [leg(spot)],
  });
  const other = { legs: [leg('theirs')], at: at(20) };
  it('holds until the plan is gone back to', () => {
    expect(deckState(pack, [rest(10, 'a')]).rest).toEqual([leg('a')]);
    expect(deckState(pack, [rest(10, 'a'), rest(12, null)]).rest).toBeNull();
  });
  it('of another phone holds where it was said later, whatever this one said before', () => {
    expect(deckState({ ...pack, rest: other }, [rest(10, 'a')]).rest).toEqual(other.legs);
    expect(deckState({ ...pack, rest: other }, [rest(25, 'a')]).rest).toEqual([leg('a')]);
    expect(deckState({ ...pack, rest: { legs: null, at: at(20) } }, [rest(10, 'a')]).rest).toBeNull();
  });
});
