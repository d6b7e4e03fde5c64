// The kinds of rule that a copy may hold (common practice of recreational rules; every number is invented).
import { describe, expect, it } from 'vitest';
import { keepable } from './keepable';
import { dateWords } from './seasonWords';
import type { LengthKind } from './ruleKinds';
import { closedBy, limitWords, type Rule, toRecheck, type VerdictQuestion, verdict } from './verdict';
import { inMetric } from '../units/measure';

/** A rule without its id, species and zone. */
type Own<R> = R extends Rule ? Omit<R, 'id' | 'species' | 'zone' | 'checkedOn'> : never;
type Body = Own<Rule>;
let next = 0;
const rule = (body: Body, more: Partial<Pick<Rule, 'zone' | 'checkedOn' | 'species'>> = {}): Rule =>
  ({ id: `r${next++}`, species: 'bass', zone: null, ...body, ...more }) as Rule;
const ask = (rules: Rule[], more: Partial<VerdictQuestion> = {}, mm: number | null = 450, lengthKind: LengthKind = 'total') =>
  inMetric(
    verdict({ rules, zone: 'sound', date: '2026-06-19', fish: { species: 'bass', lengthMm: mm, lengthKind }, keptToday: 0, ...more }),
  );
const least = (minMm: number, lengthKind: LengthKind = 'total'): Body => ({ kind: 'length', minMm, maxMm: null, lengthKind });
const most = (maxMm: number, lengthKind: LengthKind = 'total'): Body => ({ kind: 'length', minMm: null, maxMm, lengthKind });

describe('where the zone is not known', () => {
  const rules = [rule(least(420)), rule(least(900), { zone: 'lake' }), rule(least(480), { zone: 'sound' })];
  it('never says "may keep" while a zone has rules of its own, and says which is stricter', () => {
    const said = ask(rules, { zone: null }, 950);
    expect(said.decision).toBe('must release');
    expect(said.reasons[0]).toBe('the zone is not known, and lake and sound have rules of their own: the stricter speaks until it is');
    expect(ask(rules.slice(0, 2), { zone: null }, 950).reasons[0]).toMatch(/and lake has rules of its own/);
    expect(ask(rules, { zone: null }, 700).reasons).toContain('700 mm total is under 900 mm total (lake)');
    expect(ask(rules, { zone: null }).limits).toEqual([
      'at least 420 mm total length',
      'at least 900 mm total length (lake)',
      'at least 480 mm total length (sound)',
    ]);
  });
  it('keeps to the rules of its own zone once that is known', () => {
    expect(ask(rules, {}, 500)).toMatchObject({ decision: 'may keep', reasons: ["within the crew's copy of the rules"] });
    expect(ask(rules, { zone: 'lake' }, 500).decision).toBe('must release');
    expect(ask(rules, { zone: 'river' }, 430)).toMatchObject({ decision: 'may keep', limits: ['at least 420 mm total length'] });
  });
  it('is nothing to say where every rule holds everywhere', () => {
    expect(ask([rule(least(420))], { zone: null }).decision).toBe('may keep');
  });
});

describe('a protected slot', () => {
  const slot = [rule({ kind: 'slot', fromMm: 500, toMm: 600, lengthKind: 'fork' })];
  it('lets go what lies in it, both edges, and keeps what lies outside', () => {
    const at = (mm: number) => ask(slot, {}, mm, 'fork').decision;
    expect([499, 500, 550, 600, 601].map(at)).toEqual(['may keep', 'must release', 'must release', 'must release', 'may keep']);
    expect(ask(slot, {}, 550, 'fork').reasons).toEqual(['550 mm fork is in the protected slot, 500 to 600 mm fork']);
  });
  it('asks for its own measure where another cannot show it', () => {
    // Fork is never longer than total: under 500 total is under it by fork; over 600 standard is over it by fork.
    expect(ask(slot, {}, 499, 'total').decision).toBe('may keep');
    expect(ask(slot, {}, 650, 'total').reasons[0]).toMatch(/does not show .*; measure fork length/);
    expect(ask(slot, {}, 601, 'standard').decision).toBe('may keep');
    expect(ask(slot, {}, 450, 'standard').reasons[0]).toMatch(/measure fork length/);
    expect(ask(slot, {}, 300, 'disc').reasons[0]).toMatch(/measure fork length/);
    expect(ask(slot, {}, 900, 'disc').decision).toBe('must release');
    expect(ask(slot, {}, null).reasons).toEqual(['not measured; protected from 500 to 600 mm fork length']);
  });
});

describe('a length', () => {
  it('at the most lets go what is longer, and is shown only by a measure that is never shorter', () => {
    const rules = [rule(most(600, 'fork'))];
    expect([600, 601].map((mm) => ask(rules, {}, mm, 'fork').decision)).toEqual(['may keep', 'must release']);
    expect(ask(rules, {}, 590, 'total').decision).toBe('may keep');
    expect(ask(rules, {}, 590, 'standard').reasons[0]).toMatch(/measure fork length/);
    expect(ask(rules, {}, 610, 'standard').reasons).toEqual(['610 mm standard is over 600 mm fork']);
    expect(ask(rules, {}, 610, 'total').reasons[0]).toMatch(/measure fork length/);
  });
  it('across the disc says nothing of any other length, nor another of it', () => {
    expect(ask([rule(least(400, 'disc'))], {}, 800, 'total').reasons[0]).toMatch(/measure disc length/);
    expect(ask([rule(least(400, 'total'))], {}, 800, 'disc').reasons[0]).toMatch(/measure total length/);
    expect([399, 400].map((mm) => ask([rule(least(400, 'disc'))], {}, mm, 'disc').decision)).toEqual(['must release', 'may keep']);
  });
  it('that is crossed, or two that contradict each other, never let keep, and say what to put right', () => {
    const crossed = [rule({ kind: 'length', minMm: 600, maxMm: 400, lengthKind: 'total' })];
    for (const mm of [300, 500, 700]) expect(ask(crossed, {}, mm).decision).toBe('must release');
    expect(ask(crossed).reasons[0]).toMatch(/lengths crossed \(at least 600 mm, at most 400 mm\): put the rule right/);
    const two = [rule(least(600)), rule(most(500))];
    expect(ask(two, {}, 550).reasons.at(-1)).toMatch(/two rules on file contradict each other/);
    expect(ask([rule(least(500)), rule(most(500))], {}, 500).decision).toBe('may keep');
    // Of two measures they may both hold.
    expect(ask([rule(least(600)), rule(most(500, 'standard'))], {}, 620).reasons.join()).not.toMatch(/contradict/);
  });
});

describe('bag and possession', () => {
  it('counts by angler and by boat', () => {
    const bag = [rule({ kind: 'bag', perAngler: 2, perBoat: 5 })];
    const at = (keptToday: number, keptByBoat?: number) =>
      ask(bag, keptByBoat === undefined ? { keptToday } : { keptToday, keptByBoat }).reasons;
    expect(at(1, 4)).toEqual(["within the crew's copy of the rules"]);
    expect(at(2, 4)).toEqual(['bag of 2 is full']);
    expect(at(0, 5)).toEqual(["the boat's bag of 5 is full"]);
    expect(at(2, 5)).toEqual(['bag of 2 is full', "the boat's bag of 5 is full"]);
    expect(ask([rule({ kind: 'bag', perAngler: null, perBoat: 3 })], { keptToday: 3 }).decision).toBe('must release');
    expect(ask([rule({ kind: 'bag', perAngler: 2 })], { keptToday: 0, keptByBoat: 40 }).decision).toBe('may keep');
  });
  it('adds the days before to what an angler may hold, and no older ones', () => {
    const held = [rule({ kind: 'possession', perAngler: 4, days: 3 })];
    const before = (date: string, fish: number) => [{ date, fish }];
    expect(ask(held, { keptToday: 1, keptBefore: before('2026-06-17', 3) }).reasons).toEqual(['4 held of 3 days, 4 may be']);
    expect(ask(held, { keptToday: 1, keptBefore: before('2026-06-16', 3) }).decision).toBe('may keep');
    expect(ask(held, { keptToday: 1, keptBefore: before('2026-06-18', 2) }).decision).toBe('may keep');
    // What is kept today is counted once.
    expect(ask(held, { keptToday: 1, keptBefore: before('2026-06-19', 3) }).decision).toBe('may keep');
    expect(ask(held, { keptToday: 4 }).decision).toBe('must release');
  });
});

describe('season, hooks and bait', () => {
  const closed = rule({ kind: 'closed', from: '03-01', to: '06-19' });
  it('closes from day to day, both included, and says so in words', () => {
    expect(['2026-02-28', '2026-03-01', '2026-06-19', '2026-06-20'].map((date) => ask([closed], { date }).decision)).toEqual([
      'may keep',
      'must release',
      'must release',
      'may keep',
    ]);
    expect(ask([closed]).reasons).toEqual(['closed from 1 March to 19 June']);
    expect(['01-31', '12-05'].map(dateWords)).toEqual(['31 January', '5 December']);
  });
  it('is found for the planner, in its zone or where the zone is not known', () => {
    const here = { ...closed, zone: 'sound' };
    const find = (species: string, zone: string | null, date = '2026-05-01') =>
      closedBy([rule(least(3)), here], species, zone, date)?.id ?? null;
    expect([
      find('bass', 'sound'),
      find('bass', null),
      find('bass', 'lake'),
      find('pike', 'sound'),
      find('bass', 'sound', '2026-07-01'),
    ]).toEqual([here.id, here.id, null, null, null]);
    const winter = rule({ kind: 'closed', from: '11-15', to: '02-10' });
    expect(['2026-11-14', '2026-11-15', '2026-02-10', '2026-02-11'].map((d) => closedBy([winter], 'bass', 'sound', d) !== null)).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
  it('tells of hooks and bait and holds nothing against the fish', () => {
    const words = [rule({ kind: 'hook', words: 'single barbless' }), rule({ kind: 'bait', words: 'no live fish' })];
    expect(ask(words)).toMatchObject({ decision: 'may keep', limits: ['hooks: single barbless', 'bait: no live fish'] });
  });
});

describe('an old copy', () => {
  it('is to be checked again after thirty days', () => {
    const checked = (checkedOn: string | null) => rule(least(420), { checkedOn });
    expect(toRecheck(checked('2026-05-20'), '2026-06-19')).toBe(false);
    expect(toRecheck(checked('2026-05-19'), '2026-06-19')).toBe(true);
    expect(toRecheck(checked(null), '2026-06-19')).toBe(false);
    expect(ask([checked('2026-05-19')]).limits).toEqual(['at least 420 mm total length (checked 19 May 2026: re-check)']);
    expect(ask([checked('2026-05-20')]).limits).toEqual(['at least 420 mm total length']);
  });
});

describe('every kind in words', () => {
  it('is a sentence of its own', () => {
    const words = (body: Body) => inMetric(limitWords(rule(body)));
    expect(words({ kind: 'length', minMm: 420, maxMm: 600, lengthKind: 'total' })).toBe('420 to 600 mm total length');
    expect(words(most(600, 'disc'))).toBe('at most 600 mm across the disc');
    expect(words({ kind: 'bag', perAngler: 2, perBoat: 6 })).toBe('2 per angler and day, 6 per boat and day');
    expect(words({ kind: 'bag', perAngler: null, perBoat: 6 })).toBe('6 per boat and day');
    expect(words({ kind: 'bag', perAngler: 2, perBoat: null })).toBe('2 per angler and day');
    expect(words({ kind: 'possession', perAngler: 6, days: 3 })).toBe('no more than 6 held per angler of 3 days');
    expect(words({ kind: 'slot', fromMm: 500, toMm: 600, lengthKind: 'standard' })).toBe('protected from 500 to 600 mm standard length');
  });
});

describe('what of the log could be kept', () => {
  it('is told by the same verdict: by zone, kind of length and season, without the bag', () => {
    const rules = [rule(least(420)), rule(least(900), { zone: 'lake' }), rule({ kind: 'bag', perAngler: 0 }, { species: 'pike' })];
    const fish = (lengthMm: number | null, species = 'bass', lengthKind: LengthKind = 'total') => ({ species, lengthMm, lengthKind });
    const sound = keepable(rules.slice(0, 2), 'sound', '2026-06-19');
    expect([fish(430), fish(419), fish(410, 'bass', 'fork'), fish(null), fish(100, 'wrasse')].map(sound)).toEqual([
      true,
      false,
      false,
      false,
      true,
    ]);
    expect(keepable(rules, 'lake', '2026-06-19')(fish(430))).toBe(false);
    // A copy that lets none be kept at all is no bag that is filled.
    expect(keepable(rules, 'sound', '2026-06-19')(fish(800, 'pike'))).toBe(false);
  });
});
