import { describe, expect, it } from 'vitest';
import type { Factor } from '../catchrate/rateModel';
import { GROUPS } from '../catchrate/groups';
import { RATE_RULES } from '../catchrate/rateRules';
import { liftWords, rateWords, reasonsOf } from './reasons';
import { inMetric } from '../units/measure';

const factor = (name: string, multiplier: number, level = 0) =>
  ({ name, multiplier, level, fish: 3, expected: 2, rule: null, unknown: null }) as Factor;
const CONDITIONS = { waterTempC: 14.25, windFromDeg: 225 };

describe('reasons', () => {
  it('are the factors that move a rate by a tenth or more, the strongest first, with their sign', () => {
    const list = reasonsOf(
      [factor('spot', 1.05), factor('wind', 0.5), factor('month', 1.3), factor('structure', 0.97), factor('light', 1.2, 1)],
      CONDITIONS,
    );
    expect(list.map((r) => [r.sign, r.text])).toEqual([
      ['-', 'this much wind hurts'],
      ['+', 'a good month'],
      ['+', 'low light'],
    ]);
    expect(list[0]).toMatchObject({ multiplier: 0.5, fish: 3, expected: 2 });
  });

  it('do not name what is the same for every call, nor what is unknown', () => {
    expect(reasonsOf([factor('base', 4), factor('share that may be kept', 0.3), factor('wind', 2, -1)], CONDITIONS)).toEqual([]);
  });

  it('speak of the tide, the light, the temperature and the wind of the hour', () => {
    const text = (name: string, m: number, level = 0, c = CONDITIONS as Parameters<typeof reasonsOf>[1]) =>
      reasonsOf([factor(name, m, level)], c)[0]?.text;
    expect(text('tide stage', 1.2, 4)).toBe('first of the run');
    expect(text('tide stage', 0.7, 2)).toBe('run at its strongest, slow everywhere');
    expect(text('spot and tide stage', 0.7, 8 + 6)).toBe('run-out at its strongest, poor here');
    expect(text('spot and run', 1.3, 3)).toBe('run-out, good here');
    expect(inMetric(text('water temperature', 1.3))).toBe('water at 14.3 °C: they feed');
    expect(text('water temperature', 1.3, 0, {})).toBe('water: they feed');
    expect(text('spot and wind direction', 0.6)).toBe('wind from SW, poor here');
    expect(text('spot and wind direction', 0.6, 0, {})).toBe('this wind, poor here');
    expect(text('fishing pressure', 0.8, 2)).toBe('many other boats fish it');
  });

  it('count run-in and run-out, and the light, round and round', () => {
    const text = (name: string, m: number, level: number) => reasonsOf([factor(name, m, level)], CONDITIONS)[0]?.text;
    expect([0, 1, 2].map((l) => text('spot and run', 0.7, l))).toEqual(['run-in, poor here', 'run-out, poor here', 'run-in, poor here']);
    expect([1, 5, 7].map((l) => text('presentation and light', 1.4, l))).toEqual([
      'right bait for low light',
      'right bait for low light',
      'right bait for high sun',
    ]);
    expect(text('presentation and light', 0.6, 4)).toBe('wrong bait for dark');
    expect([4, 6].map((l) => text('light', 0.6, l))).toEqual(['dark slows them', 'middling light slows them']);
    expect(text('spot and tide stage', 1.4, 9)).toBe('young run-in, good here');
    expect(text('wind', 1.2, 0)).toBe('this much wind helps');
  });
  it('leave out temperature and wind that nobody knows, and tell the first level too', () => {
    const text = (name: string, c: object) => reasonsOf([factor(name, 0.6)], c)[0]?.text;
    for (const nothing of [null, undefined]) {
      expect(text('water temperature', { waterTempC: nothing })).toBe('water: they are slow');
      expect(text('spot and wind direction', { windFromDeg: nothing })).toBe('this wind, poor here');
    }
    expect(inMetric(text('presentation and temperature', { waterTempC: 9 }) ?? '')).toBe('works less at 9.0 °C');
  });
  it('tell a rule of the trade at its level, and where the log turns it round', () => {
    const rule = RATE_RULES.find((r) => r.levels.length > 1 && r.levels.some((l) => l.multiplier > 1)) as (typeof RATE_RULES)[number];
    const level = rule.levels.findIndex((l) => l.multiplier > 1);
    const words = rule.levels[level]?.words as string;
    const text = (prior: number, multiplier: number) =>
      reasonsOf([{ ...factor(rule.name, multiplier, level), rule: { id: rule.id, text: rule.text, prior } } as Factor], CONDITIONS)[0]
        ?.text;
    expect(text(1.4, 1.3)).toBe(words);
    expect(text(1.4, 0.7)).toBe(`${words}, but the log says otherwise`);
    expect(text(0.7, 0.6)).toBe(words);
    expect(text(0.7, 1.6)).toBe(`${words}, but the log says otherwise`);
    expect(text(1, 1.6)).toBe(`${words}, and it gives more`);
    expect(text(1, 0.6)).toBe(`${words}, and it gives less`);
    // What is no rule here is said by its name.
    expect(reasonsOf([factor('something else', 0.6)], CONDITIONS)[0]?.text).toBe('something else');
    expect(reasonsOf([factor(rule.name, 1.6, 99)], CONDITIONS)[0]?.text).toBe(rule.name);
  });
  it('of a tenth exactly are not worth saying, and the strongest comes first, up or down', () => {
    expect(reasonsOf([factor('wind', 1.105), factor('month', 1.106)], CONDITIONS).map((r) => r.text)).toEqual(['a good month']);
    const order = reasonsOf([factor('month', 1.3), factor('wind', 0.4), factor('light', 1.9, 1), factor('structure', 0.8)], CONDITIONS);
    expect(order.map((r) => r.multiplier)).toEqual([0.4, 1.9, 1.3, 0.8]);
  });

  it('have words for and against of every group of the model', () => {
    for (const { name } of GROUPS) {
      const rule = RATE_RULES.find((r) => r.name === name);
      const f = { ...factor(name, 1), rule: rule ? { id: rule.id, text: rule.text, prior: rule.levels[0]?.multiplier } : null } as Factor;
      const words = [1.5, 0.6].map((multiplier) => reasonsOf([{ ...f, multiplier }], CONDITIONS)[0]?.text as string);
      if (!rule) for (const w of words) expect(w, name).not.toBe(name);
      // A level of pressure is a fact, whichever way it works.
      if (name !== 'fishing pressure') expect(words[0], name).not.toBe(words[1]);
    }
  });
});

describe('a rate in words', () => {
  it('has two figures', () => {
    expect([0.043, 0.43, 0.994, 0.995, 4.72, 9.94, 9.95, 12.4].map(rateWords)).toEqual([
      '0.04',
      '0.43',
      '0.99',
      '1.0',
      '4.7',
      '9.9',
      '10',
      '12',
    ]);
  });
});

describe('what lifts a call above what was caught in like water', () => {
  const reason = (sign: '+' | '-', text: string) => ({ sign, text, multiplier: sign === '+' ? 1.4 : 0.7, fish: 3, expected: 2 });
  const reasons = [reason('+', 'run-in at its strongest, good here'), reason('-', 'a slow month'), reason('+', 'a good month')];
  it('is said in the line itself, up as well as down, and not where the two are alike', () => {
    expect(liftWords({ ratePerRodHour: 4, likeRodHours: 5, likeFish: 10, reasons })).toBe(
      '2.0 an hour in like water (10 fish in 5 h); run-in at its strongest, good here and a good month make it 4.0',
    );
    expect(liftWords({ ratePerRodHour: 1.2, likeRodHours: 5, likeFish: 10, reasons })).toBe(
      '2.0 an hour in like water (10 fish in 5 h); a slow month makes it 1.2',
    );
    expect(liftWords({ ratePerRodHour: 2.1, likeRodHours: 5, likeFish: 10, reasons })).toBe('2.0 an hour in like water (10 fish in 5 h)');
    expect(liftWords({ ratePerRodHour: 4, likeRodHours: 5, likeFish: 10, reasons: [] })).toBe(
      '2.0 an hour in like water (10 fish in 5 h); the other spots and baits make it 4.0',
    );
  });
  it('takes the first two reasons of its direction, and half an hour in like water for enough', () => {
    const more = [...reasons, reason('+', 'wind'), reason('-', 'rain')];
    expect(liftWords({ ratePerRodHour: 4, likeRodHours: 0.5, likeFish: 1, reasons: more })).toBe(
      '2.0 an hour in like water (1 fish in 1 h); run-in at its strongest, good here and a good month make it 4.0',
    );
    expect(liftWords({ ratePerRodHour: 1, likeRodHours: 5, likeFish: 10, reasons: more })).toBe(
      '2.0 an hour in like water (10 fish in 5 h); a slow month and rain make it 1.0',
    );
    // A spot that gave nothing in like water is lifted too.
    expect(liftWords({ ratePerRodHour: 0.3, likeRodHours: 5, likeFish: 0, reasons: [] })).toBe(
      '0.00 an hour in like water (0 fish in 5 h); the other spots and baits make it 0.30',
    );
    // Alike within a seventh: log 2.34 over 2.02 is 0.147, log 2.36 over 2.02 is 0.156.
    expect(liftWords({ ratePerRodHour: 2.32, likeRodHours: 5, likeFish: 10, reasons })).not.toContain('make');
    expect(liftWords({ ratePerRodHour: 2.34, likeRodHours: 5, likeFish: 10, reasons })).toContain('make it 2.3');
  });
  it('owns up where like water was hardly fished', () => {
    expect(liftWords({ ratePerRodHour: 4, likeRodHours: 0.2, likeFish: 1, reasons })).toBe(
      'hardly fished in like water; other water, other spots and the rules of the trade make it 4.0',
    );
  });
});
