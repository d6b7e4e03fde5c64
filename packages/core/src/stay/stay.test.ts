import { describe, expect, it } from 'vitest';
import { stayOrMove } from './stayOrMove';

const here = { belief: { a: 2, b: 2 }, fadePerHour: 0.6, minutesFished: 40, fish: 0, minutesLeft: 180 };
const drain = { id: 'drain', a: 4, b: 2, fadePerHour: 0.6, travelMin: 12 };

describe('stay or move', () => {
  it('leaves a spot when the rate now falls below the best alternative with its run', () => {
    expect(stayOrMove({ ...here, alternatives: [drain] })).toMatchObject({ move: true, to: 'drain' });
  });
  it('stays while fish keep coming', () => {
    expect(stayOrMove({ ...here, fish: 6, alternatives: [drain] }).move).toBe(false);
  });
  it('does not leave in the first twenty minutes', () => {
    const advice = stayOrMove({ ...here, minutesFished: 10, alternatives: [drain] });
    expect(advice.move).toBe(false);
    expect(advice.reconsiderInMin).toBe(10);
  });
  it('stays when the run is longer than the time left', () => {
    expect(stayOrMove({ ...here, minutesLeft: 15, alternatives: [drain] }).move).toBe(false);
  });
  it('has the belief of Gamma(a, b) on arrival', () => {
    expect(stayOrMove({ ...here, minutesFished: 0, alternatives: [] }).rateNowPerHour).toBe(1);
  });
  it('refuses a belief without weight', () => {
    expect(() => stayOrMove({ ...here, belief: { a: 0, b: 1 }, alternatives: [] })).toThrow(/belief/);
  });
});
