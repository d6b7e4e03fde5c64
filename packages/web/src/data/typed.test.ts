import { describe, expect, it } from 'vitest';
import { dropTyped, keepTyped, readTyped } from './typed';

function memory() {
  const all = new Map<string, string>();
  const store = {
    getItem: (k: string) => all.get(k) ?? null,
    setItem: (k: string, v: string) => void all.set(k, v),
    removeItem: (k: string) => void all.delete(k),
  };
  return { all, use: () => store };
}

describe('what was typed and not saved', () => {
  it('is there again under its name until it is dropped', () => {
    const { use, all } = memory();
    keepTyped('debrief of a trip', { said: 'Fog', chips: ['slow'] }, use);
    expect(readTyped('debrief of a trip', use)).toEqual({ said: 'Fog', chips: ['slow'] });
    expect(readTyped('another', use)).toBeNull();
    dropTyped('debrief of a trip', use);
    expect(all.size).toBe(0);
  });
  it('is nothing, and nothing fails, where the browser is full, shut or holds something else', () => {
    const { use, all } = memory();
    all.set('typed x', '{');
    expect(readTyped('x', use)).toBeNull();
    const shut = () => {
      throw new DOMException('denied', 'SecurityError');
    };
    expect(readTyped('x', shut)).toBeNull();
    expect(() => keepTyped('x', 'y', shut)).not.toThrow();
  });
});
