import { describe, expect, it } from 'vitest';
import { lengthKeys } from './lengthKeys';

const rule = (minMm: number | null, maxMm: number | null) =>
  ({ id: '1', species: 'x', zone: null, kind: 'length', minMm, maxMm, lengthKind: 'total' }) as Parameters<typeof lengthKeys>[1][number];

describe('the lengths to tap', () => {
  it('reach from the least to the most that the species has: a carp of 75 cm is among them', () => {
    const keys = lengthKeys({ leastMm: 300, mostMm: 800 }, []);
    expect(keys).toHaveLength(12);
    expect([keys[0], keys.at(-1)]).toEqual([30, 80]);
    expect(Math.max(...keys.slice(1).map((k, i) => k - (keys[i] as number)))).toBeLessThanOrEqual(5);
  });
  it('always have the limits of the rules among them, rounded up to what may be kept', () => {
    const keys = lengthKeys({ leastMm: 160, mostMm: 750 }, [rule(415, 600)]);
    expect(keys).toContain(42);
    expect(keys).toContain(60);
    expect([...keys].sort((a, b) => a - b)).toEqual(keys);
  });
  it('are whole inches where a person measures so, the limit rounded up', () => {
    const keys = lengthKeys({ leastMm: 254, mostMm: 762 }, [rule(420, null)], 25.4);
    expect([keys[0], keys.at(-1)]).toEqual([10, 30]);
    expect(keys).toContain(17);
  });
  it('leave a limit out that no fish of the kind reaches, and make do without any figures', () => {
    expect(lengthKeys({ leastMm: 100, mostMm: 300 }, [rule(900, null)])).not.toContain(90);
    const blind = lengthKeys({ leastMm: null, mostMm: null }, [rule(420, null)]);
    expect(blind).toContain(42);
    expect(blind[0]).toBeGreaterThanOrEqual(5);
    expect(lengthKeys({ leastMm: null, mostMm: null }, []).length).toBeGreaterThan(6);
  });
});
