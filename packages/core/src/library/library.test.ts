import { describe, expect, it } from 'vitest';
import { BAITS } from './baits';
import { FAMILIES } from './families';
import { SPECIES } from './species';

describe('what every outfit begins with', () => {
  it('is 26 families with ranges that are ranges', () => {
    expect(FAMILIES.map((f) => f.id)).toEqual(Array.from({ length: 26 }, (_, i) => `F${i + 1}`));
    for (const f of FAMILIES) {
      expect(f.depthMinM, f.name).toBeLessThan(f.depthMaxM);
      expect(f.tempMinC, f.name).toBeLessThan(f.tempMaxC);
      expect([1, 2, 3, 4, 5], f.name).toContain(f.coverRate);
      for (const grade of [f.skill, f.snag]) expect([1, 2, 3], f.name).toContain(grade);
      for (const m of f.months ?? []) expect(m >= 1 && m <= 12, f.name).toBe(true);
    }
  });

  it('is baits of these families, for both waters', () => {
    for (const b of BAITS)
      expect(
        FAMILIES.some((f) => f.id === b.familyId),
        b.name,
      ).toBe(true);
    expect(new Set(BAITS.map((b) => b.name)).size).toBe(BAITS.length);
    for (const water of ['salt', 'fresh'])
      expect(BAITS.filter((b) => b.habitat === water || b.habitat === 'both').length).toBeGreaterThan(8);
  });

  it('is species with lengths in order, a good one between the usual ends, each with a word on handling', () => {
    expect(new Set(SPECIES.map((s) => s.name)).size).toBe(SPECIES.length);
    for (const s of SPECIES) {
      expect(s.leastMm, s.name).toBeLessThan(s.sizeGoalMm);
      expect(s.sizeGoalMm, s.name).toBeLessThan(s.mostMm);
      expect(s.caution.length, s.name).toBeGreaterThan(8);
    }
    // A ray is measured across its disc, since its tail may be broken (common practice).
    expect(SPECIES.find((s) => /ray$/.test(s.name))?.lengthKind).toBe('disc');
  });
});
