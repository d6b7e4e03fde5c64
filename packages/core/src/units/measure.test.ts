import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { figure, fromShown, inUnits, measured, METRIC, said, saidBare, saidDay, saidTime, toShown, unitOf, US } from './measure';

describe('units of a person', () => {
  // NIST SP 811, Appendix B.8: 1 ft = 0.3048 m, 1 fathom = 1.8288 m (here of the yard), 1 knot = 0.514444 m/s, 1 lb = 0.45359237 kg,
  // 1 oz = 28.34952 g, 1 gal (US) = 3.785412 l, 1 inHg = 3386.389 Pa, 1 mi = 1609.344 m; °F = 1.8 °C + 32.
  it.each([
    ['depth', 3.048, 10, 'ft'],
    ['wind', 10.288889, 20, 'kn'],
    ['temp', 37, 98.6, '°F'],
    ['warmer', 10, 18, '°F'],
    ['fish', 508, 20, 'in'],
    ['weight', 4.5359237, 10, 'lb'],
    ['lead', 28.349523, 1, 'oz'],
    ['fuel', 37.85411784, 10, 'gal'],
    ['pressure', 1013.25, 29.9213, 'inHg'],
    ['way', 1852, 1, 'nmi'],
  ] as const)('%s: %d is %d %s', (measure, si, shown, unit) => {
    expect(toShown(si, measure, US)).toBeCloseTo(shown, 3);
    expect(unitOf(measure, US)).toBe(unit);
  });
  it('leave a metric figure as it was written, and give others as many digits as are worth as much', () => {
    expect(measured(3.2, 'depth', METRIC, 1)).toBe('3.2 m');
    expect(measured(3.2, 'depth', US, 1)).toBe('10 ft');
    expect(measured(0.6, 'height', US, 1)).toBe('2.0 ft');
    expect(measured(12.2, 'depth', { ...METRIC, depth: 'fathoms' }, 1)).toBe('6.7 fathoms');
    expect(measured(7, 'wind', US, 0)).toBe('14 kn');
    expect(measured(-0.01, 'height', METRIC, 1)).toBe('0.0 m');
    expect(measured(412, 'fish', METRIC, 0)).toBe('41 cm');
    expect(measured(412, 'fish', US, 0)).toBe('16 in');
    expect(figure(14.2, 'temp', US, 1)).toEqual({ text: '57.6', unit: '°F' });
  });
  it('come back to SI as they were typed', () => {
    fc.assert(
      fc.property(fc.double({ min: -50, max: 500, noNaN: true }), (v) => {
        const shown = Number(v.toFixed(2));
        for (const m of ['depth', 'wind', 'temp', 'fish', 'weight'] as const)
          expect(toShown(fromShown(shown, m, US), m, US)).toBeCloseTo(shown, 3);
      }),
    );
  });
});

describe('figures that a sentence carries', () => {
  const text = `Wind ${said(7.2, 'wind', 1)} at ${saidTime(Date.UTC(2026, 5, 19, 13, 5), 'Europe/Berlin')} over ${said(412, 'fish', 0)}, ${saidDay(Date.UTC(2026, 5, 19, 22, 5), 'Europe/Berlin')}, ${said(0, 'share', 0)}`;
  it('are put into the reader’s units', () => {
    expect(inUnits(text, METRIC)).toBe('Wind 7.2 m/s at 15:05 over 41 cm, Sat 20 June, 0 %');
    expect(inUnits(text, US)).toBe('Wind 14.0 kn at 3:05 pm over 16 in, Sat June 20, 0 %');
  });
  it('give a range its unit once', () => {
    expect(inUnits('{depth# 2} to {depth 5}', METRIC)).toBe('2 to 5 m');
    expect(inUnits(`${saidBare(420, 'rule', 0)} to ${said(600, 'rule', 0)}`, US)).toBe('16.5 to 23.6 in');
  });
  it.each(['00:00|12:00 am', '00:30|12:30 am', '12:00|12:00 pm', '23:59|11:59 pm'])('twelve-hour clock: %s', (both) => {
    const [at, words] = both.split('|') as [string, string];
    expect(inUnits(`{clock ${at}}`, US)).toBe(words);
  });
  it('leave everything else alone: JSON, braces of a note, unknown kinds', () => {
    for (const other of ['{"depth":3.2}', '{depth}', '{depth three}', '{league 4}', 'a {b} c']) expect(inUnits(other, US)).toBe(other);
  });
});
