import { describe, expect, it } from 'vitest';
import { luckWords } from '../brief/luckWords';
import { clientTalk, departureList } from '../departure/departureList';
import { shortName } from '../fish/shortName';
import { darkWithin } from '../sky/darkWithin';
import { inUnits, METRIC, US } from '../units/measure';
import { draftReport, weatherWords } from './draftReport';

const day = {
  date: '2026-06-19',
  captain: 'Runa',
  guests: ['Ada', 'Ben', 'Cy'],
  hours: 6.4,
  tally: [
    { species: 'sea bass', landed: 3, kept: 1, bestMm: 612 },
    { species: 'pollack', landed: 1, kept: 0, bestMm: null },
  ],
  lostOrMissed: 2,
  baits: ['Shad, 10 cm', 'Live prawn'],
};

describe('a first text for the guests', () => {
  it('tells what was caught, the best fish and what did it, in the reader’s units', () => {
    const text = draftReport(day);
    expect(inUnits(text, METRIC)).toBe(
      'Dear Ada, Ben and Cy,\n\nthank you for 6½ hours on the water on 19 June. You brought 4 fish to hand: 3 sea bass and 1 pollack.' +
        ' 1 came home with you, 3 went back. The best was a sea bass of 61 cm. What worked: Shad, 10 cm and Live prawn.\n\nCome again,\nRuna',
    );
    expect(inUnits(text, US)).toContain('24 in');
  });
  it('has a kind word for an empty day', () => {
    const text = draftReport({ ...day, tally: [], guests: [] });
    expect(text).toMatch(/^thank you/);
    expect(text).toContain('2 of them had a look');
    expect(text).not.toMatch(/went back|best was/);
  });
});

describe('a fish aboard', () => {
  it.each([
    ['European sea bass', 'Sea bass'],
    ['Ballan wrasse', 'Wrasse'],
    ['Pike', 'Pike'],
  ])('%s is called %s', (name, called) => {
    expect(shortName(name)).toBe(called);
  });
});

describe('the weather of a day', () => {
  it('is named by the Beaufort scale (WMO) and leaves out what nobody knows', () => {
    const at = (windMps: number | null, waterTempC: number | null = null) => ({ windMps, waterTempC, airTempC: null });
    expect(inUnits(weatherWords([at(4, 14), at(6, 15)]), METRIC)).toBe('A gentle breeze and 15 °C in the water.');
    expect(weatherWords([at(0)])).toBe('Calm.');
    expect(weatherWords([at(9.5)])).toBe('A fresh breeze.');
    expect(weatherWords([at(null)])).toBe('');
    expect(weatherWords([])).toBe('');
  });
});

describe('the list before leaving', () => {
  const usual = { afloat: true, children: 0, nonSwimmers: 0, dark: false, medical: false };
  const keys = (more: object) => departureList({ ...usual, ...more }).map((i) => i.key);
  it('has what is usual on a small boat (common practice)', () => {
    for (const key of ['plug', 'lanyard', 'jackets', 'radio', 'light', 'first-aid', 'fire', 'weather', 'plan-ashore', 'talk'])
      expect(keys({})).toContain(key);
  });
  it('leaves out the boat for people on foot, and puts in what the party needs', () => {
    expect(keys({ afloat: false })).not.toEqual(expect.arrayContaining(['plug']));
    expect(keys({ medical: true })).toContain('medical');
    const jackets = departureList({ ...usual, children: 2, nonSwimmers: 1 }).find((i) => i.key === 'jackets')?.what;
    expect(jackets).toBe('Life jackets for all, 2 children’s among them; worn by one guest who does not swim');
    expect(departureList({ ...usual, dark: true }).find((i) => i.key === 'light')?.what).toMatch(/head torches/);
  });
  it('has a talk of its own for children and for the bank', () => {
    expect(clientTalk({ afloat: true, children: 1, nonSwimmers: 0 }).join(' ')).toMatch(/Jackets stay on/);
    expect(clientTalk({ afloat: true, children: 0, nonSwimmers: 0 }).join(' ')).not.toMatch(/Jackets stay on/);
    expect(clientTalk({ afloat: false, children: 0, nonSwimmers: 0 }).join(' ')).not.toMatch(/motor|captain goes overboard/);
  });
});

describe('a trip in the dark', () => {
  // Sunrise and sunset of 21 March 2024 at Greenwich, 06:02 and 18:14 UTC (USNO tables, from memory).
  const day = (from: string, to: string) => darkWithin(Date.parse(`2024-03-21T${from}Z`), Date.parse(`2024-03-21T${to}Z`), 51.48, 0);
  it('is one that begins before sunrise or ends after sunset', () => {
    expect(day('07:00', '17:00')).toBe(false);
    expect(day('05:30', '09:00')).toBe(true);
    expect(day('15:00', '19:00')).toBe(true);
    expect(day('20:00', '23:00')).toBe(true);
  });
});

describe('a stop against what was expected', () => {
  it('says whether luck explains it', () => {
    expect(luckWords({ fish: 2, lo80: 1, hi80: 5, verdict: 'within' })).toBe('2 where 1 to 5 were expected: within luck');
    expect(luckWords({ fish: 0, lo80: 2, hi80: 6, verdict: 'below' })).toBe('None where 2 to 6 were expected: worse than bad luck alone');
    expect(luckWords({ fish: 3, lo80: 1, hi80: 1, verdict: 'above' })).toBe('3 where 1 was expected: better than luck alone');
  });
});
