import { describe, expect, it } from 'vitest';
import { afterBan, afterDrag, afterPin, EMPTY, move, pinsOf, type ShownLeg, type Working } from './planState';

const MIN = 60_000;
const leg = (spotId: string, from: number, to: number, pinned = false): ShownLeg => ({
  spotId,
  presentationId: 'p',
  parts: [],
  arriveMs: from * MIN,
  startMs: from * MIN,
  departMs: to * MIN,
  expected: 1,
  lo80: 0,
  hi80: 2,
  pinned,
});
const plan = (by: string, legs: readonly ShownLeg[] = []): Working => ({
  legs,
  expected: 1,
  lo80: 0,
  hi80: 2,
  bound: 1,
  proved: true,
  runMin: null,
  bans: [],
  again: false,
  order: null,
  saved: null,
  ms: 1,
  by,
});

describe('history of a plan', () => {
  it('goes back and forth, and forgets what was undone when something new is done', () => {
    let h = move(EMPTY, { kind: 'show', to: plan('a') });
    h = move(h, { kind: 'show', to: plan('b') });
    h = move(h, { kind: 'undo' });
    expect(h.now?.by).toBe('a');
    h = move(h, { kind: 'redo' });
    expect(h.now?.by).toBe('b');
    h = move(move(h, { kind: 'undo' }), { kind: 'show', to: plan('c') });
    expect(move(h, { kind: 'redo' }).now?.by).toBe('c');
    expect(move(h, { kind: 'undo' }).now?.by).toBe('a');
  });
  it('has nothing to undo at the start, and keeping a plan leaves the way back', () => {
    expect(move(EMPTY, { kind: 'undo' })).toBe(EMPTY);
    let h = move(move(EMPTY, { kind: 'show', to: plan('a') }), { kind: 'show', to: plan('b') });
    h = move(h, { kind: 'kept', to: { ...plan('b'), saved: 1 } });
    expect(h.now?.saved).toBe(1);
    expect(move(h, { kind: 'undo' }).now?.by).toBe('a');
  });
});

describe('dragging a leg', () => {
  const legs = [leg('a', 0, 60), leg('b', 70, 130), leg('c', 140, 200)];
  it('moves it in time between its neighbours', () => {
    expect(afterDrag(legs, 1, 10 * MIN)).toEqual({ kind: 'time', startMs: 80 * MIN, departMs: 140 * MIN });
  });
  it('puts it behind the leg whose middle it passes, or before', () => {
    expect(afterDrag(legs, 0, 90 * MIN)).toEqual({ kind: 'order', order: ['b', 'a', 'c'] });
    expect(afterDrag(legs, 2, -200 * MIN)).toEqual({ kind: 'order', order: ['c', 'a', 'b'] });
  });
});

describe('pins', () => {
  it('are by time, or at any time in an order asked for', () => {
    const w = plan('x', [leg('a', 0, 60, true), leg('b', 70, 130)]);
    expect(pinsOf(w)).toEqual([{ spotId: 'a', startMs: 0, departMs: 60 * MIN }]);
    expect(pinsOf({ ...w, order: ['b', 'a'] })).toEqual([{ spotId: 'b' }, { spotId: 'a' }]);
    expect(pinsOf(null)).toEqual([]);
  });
});

describe('a ban and a pin', () => {
  const shown = { ...plan('laid', [leg('a', 0, 60, true), leg('b', 70, 120)]), order: ['a', 'b'] };
  it('lets a banned spot go: its pin and its place in an order by hand', () => {
    const asked = afterBan(shown, 'a');
    expect(asked.bans).toEqual(['a']);
    expect(asked.legs.map((l) => l.pinned)).toEqual([false, false]);
    expect(asked.order).toEqual(['b']);
    expect(asked.by).toBe('banned');
    expect(pinsOf({ legs: asked.legs, order: null })).toEqual([]);
  });
  it('allows it again when it is asked a second time, also before a plan is laid', () => {
    const again = afterBan({ ...shown, ...afterBan(shown, 'a') }, 'a');
    expect(again).toMatchObject({ bans: [], by: 'allowed again' });
    expect(afterBan(null, 'a')).toEqual({ bans: ['a'], legs: [], order: null, by: 'banned' });
  });
  it('holds a leg of the plan without a new day, and asks for one where there is no leg', () => {
    const held = afterPin(shown, 'b');
    expect(held?.legs.map((l) => l.pinned)).toEqual([true, true]);
    expect(held).toMatchObject({ order: null, saved: null, by: 'pinned' });
    expect(afterPin(held, 'b')?.legs.map((l) => l.pinned)).toEqual([true, false]);
    expect(afterPin(shown, 'c')).toBeNull();
    expect(afterPin(null, 'a')).toBeNull();
  });
});
