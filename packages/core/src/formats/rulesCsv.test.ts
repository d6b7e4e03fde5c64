import { describe, expect, it } from 'vitest';
import { type FileRule, readRules, rulesCsv } from './rulesCsv';
import { readTable } from './table';
import { nth } from '../units/indexed';

const read = (text: string) => readRules(readTable(text));
const HEAD = 'species,zone,kind,least,most,unit,measured,angler,boat,days,from,to,words,source,checked';

describe('a file of rules', () => {
  it('says each kind in its own columns, in any order of columns and with either decimal sign', () => {
    const { rules, refused } = read(
      ['kind;species;least;most;unit;source', 'length;Sea bass;42;;cm;Notice 7', 'slot;Northern pike;17,5;26;inches;Notice 7'].join('\n'),
    );
    expect(refused).toEqual([]);
    expect(rules.map((r) => r.body)).toEqual([
      { kind: 'length', minMm: 420, maxMm: null, lengthKind: 'total' },
      { kind: 'slot', fromMm: 445, toMm: 660, lengthKind: 'total' },
    ]);
  });
  it('reads days of the year as people write them', () => {
    const closed = (from: string, to: string) => read(`species,kind,from,to\nTrout,closed,${from},${to}`).rules[0]?.body;
    const spring = { kind: 'closed', from: '03-15', to: '06-15' };
    expect(closed('03-15', '06-15')).toEqual(spring);
    expect(closed('15.3.', '15.6')).toEqual(spring);
    expect(closed('15 March', 'June 15')).toEqual(spring);
    expect(read('species,kind,from,to\nTrout,closed,31.6.,1.7.').refused[0]?.reason).toBe('from is "31.6."');
  });
  it('comes in again as it went out, whatever its words hold', () => {
    const rules: Omit<FileRule, 'line'>[] = [
      {
        species: 'Ray',
        zone: 'Inner, "old"',
        body: { kind: 'length', minMm: 395, maxMm: 900, lengthKind: 'disc' },
        source: 'a, b',
        checkedOn: '2026-05-01',
      },
      { species: 'Ray', zone: '', body: { kind: 'bag', perAngler: 2, perBoat: null }, source: 'x', checkedOn: '' },
      { species: 'Ray', zone: '', body: { kind: 'possession', perAngler: 4, days: 2 }, source: 'x', checkedOn: '' },
      { species: 'Ray', zone: '', body: { kind: 'closed', from: '12-01', to: '02-28' }, source: 'x', checkedOn: '' },
      { species: 'Ray', zone: '', body: { kind: 'hook', words: 'circle hooks\nonly' }, source: 'x', checkedOn: '' },
    ];
    const { rules: back, refused } = read(rulesCsv(rules));
    expect(refused).toEqual([]);
    expect(back.map(({ line: _, ...r }) => r)).toEqual(rules);
    expect(rulesCsv([{ ...nth(rules, 4), source: '=1+2' }])).toContain("'=1+2");
  });
  it('refuses line by line what is no rule, and the whole without its columns', () => {
    const line = (rest: string) => read(`${HEAD}\n${rest}`).refused[0]?.reason;
    expect(line(',,length,42,,,,,,,,,,,')).toBe('it names no species');
    expect(line('Bass,,length,50,40,,,,,,,,,,')).toBe('its lengths are crossed');
    expect(line('Bass,,length,,,,,,,,,,,,')).toBe('a length rule needs a least or a greatest length');
    expect(line('Bass,,length,a,,,,,,,,,,,')).toBe('least is "a"');
    expect(line('Bass,,slot,40,,,,,,,,,,,')).toBe('a rule of this kind needs most');
    expect(line('Bass,,length,40,,ells,,,,,,,,,')).toBe('its unit is "ells"');
    expect(line('Bass,,bag,,,,,,,,,,,,')).toBe('a bag needs a number for each angler or for the boat');
    expect(line('Bass,,bag,,,,,1.5,,,,,,,')).toBe('angler is 1.5');
    expect(line('Bass,,luck,,,,,,,,,,,,')).toBe('its kind is "luck"');
    expect(line('Bass,,bag,,,,,2,,,,,,,tomorrow')).toBe('checked is "tomorrow"');
    expect(() => read('fish,rule\nBass,42')).toThrow(/no column "species"/);
  });
});
