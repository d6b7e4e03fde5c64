import { describe, expect, it } from 'vitest';
import { type Rule, verdict } from './verdict';
import { inMetric } from '../units/measure';

const RULES: Rule[] = [
  { id: '1', species: 'bass', zone: null, kind: 'length', minMm: 420, maxMm: 600, lengthKind: 'total' },
  { id: '2', species: 'bass', zone: null, kind: 'bag', perAngler: 2 },
  { id: '3', species: 'pike', zone: 'lake', kind: 'closed', from: '11-15', to: '02-10' },
  { id: '4', species: 'ray', zone: null, kind: 'length', minMm: 500, maxMm: null, lengthKind: 'fork' },
];
const ask = (species: string, lengthMm: number | null, more = {}) =>
  verdict({ rules: RULES, zone: 'sound', date: '2026-06-19', fish: { species, lengthMm, lengthKind: 'total' }, keptToday: 0, ...more });

describe('verdict', () => {
  it('keeps inside the slot, its edges included', () => {
    for (const mm of [420, 500, 600]) expect(ask('bass', mm).decision).toBe('may keep');
    for (const mm of [419, 601]) expect(ask('bass', mm).decision).toBe('must release');
  });
  it('releases when the bag is full, and says so', () => {
    expect(ask('bass', 500, { keptToday: 2 })).toMatchObject({ decision: 'must release', reasons: ['bag of 2 is full'] });
  });
  it('closes a season over the turn of the year, in its zone only', () => {
    expect(ask('pike', 700, { zone: 'lake', date: '2026-01-05' }).decision).toBe('must release');
    expect(ask('pike', 700, { zone: 'lake', date: '2026-11-15' }).decision).toBe('must release');
    expect(ask('pike', 700, { zone: 'lake', date: '2026-02-11' }).decision).toBe('may keep');
    expect(ask('pike', 700, { date: '2026-01-05' }).decision).toBe('no rule on file');
  });
  it('never lets a longer kind of length pass for a shorter one', () => {
    expect(ask('ray', 520).reasons[0]).toMatch(/measure fork length/);
    expect(ask('bass', 430, { fish: { species: 'bass', lengthMm: 430, lengthKind: 'fork' } }).reasons[0]).toMatch(/measure total length/);
    expect(inMetric(ask('ray', 480).reasons[0])).toMatch(/is under 500/);
  });
  it('asks for a measurement where a length rule holds', () => {
    expect(ask('bass', null).decision).toBe('must release');
  });
  it('says that it has no rule', () => {
    expect(ask('wrasse', 300)).toEqual({ decision: 'no rule on file', reasons: ['no rule on file, check before keeping'], limits: [] });
  });
  it('refuses a length of zero', () => {
    expect(() => ask('bass', 0)).toThrow(/lengthMm: expected more than 0/);
  });
});
