import { describe, expect, it } from 'vitest';
import { type LinesOut, minutesOut, outWords } from './disturbances';

const min = (n: number) => n * 60_000;
const out = (what: LinesOut['what'], from: number, to: number | null): LinesOut => ({
  what,
  fromMs: min(from),
  toMs: to === null ? null : min(to),
});

describe('minutes without lines', () => {
  it('are those between lines out and lines in, and up to now while it goes on', () => {
    expect(minutesOut([], 0, min(60))).toBe(0);
    expect(minutesOut([out('weed', 10, 25)], 0, min(60))).toBe(15);
    expect(minutesOut([out('weed', 10, 25), out('boat', 40, null)], 0, min(60))).toBe(35);
  });
  it('count once where two phones said it, and nothing outside the stop', () => {
    expect(minutesOut([out('weed', 10, 25), out('weed', 12, 30)], 0, min(60))).toBe(20);
    expect(minutesOut([out('weed', 30, 40), out('boat', 10, 45)], 0, min(60))).toBe(35);
    expect(minutesOut([out('weed', 10, 25)], min(20), min(22))).toBe(2);
    expect(minutesOut([out('weed', 30, 40)], 0, min(20))).toBe(0);
  });
  it('are said with what took them, each once', () => {
    expect(outWords([out('weed', 10, 25), out('break', 30, 40), out('weed', 41, 42)], 0, min(60))).toBe(
      '26 min without lines: weed on the lines, a break aboard',
    );
    expect(outWords([], 0, min(60))).toBe('');
  });
});
