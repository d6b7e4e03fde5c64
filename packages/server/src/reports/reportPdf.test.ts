import type { ReportBody } from '@bluffwind/contract/report';
import { weatherWords } from '@bluffwind/core/report/draftReport';
import { METRIC, US } from '@bluffwind/core/units/measure';
import { extractText, getDocumentProxy } from 'unpdf';
import { describe, expect, it } from 'vitest';
import { reportPdf } from './reportPdf';

const noon = Date.UTC(2026, 5, 19, 12);
const body: ReportBody = {
  outfit: 'Greywether Guiding',
  captain: 'Tobias Wend',
  boat: "Tern's Errand",
  date: '2026-06-19',
  offsetMin: -120,
  fromMs: noon,
  toMs: noon + 6 * 3_600_000,
  tally: [{ species: 'bass', landed: 1, kept: 0, bestMm: 610 }],
  fish: [{ atMs: noon + 3_600_000, species: 'bass', lengthMm: 610, kept: false, angler: 'Maren' }],
  tideM: [],
  weather: weatherWords([{ windMps: 4, waterTempC: 15, airTempC: 18 }]),
  learned: '',
  text: 'Thank you for the day.',
  photos: [],
};
const textOf = async (page: ReportBody) => {
  const pdf = await getDocumentProxy(new Uint8Array(await reportPdf(page, [], null)));
  return (await extractText(pdf, { mergePages: true })).text.replace(/\s+/g, ' ');
};

describe('the guests’ page as a file', () => {
  it('tells the weather and the sizes in words and figures, metric where its captain said nothing', async () => {
    const text = await textOf(body);
    expect(text).toContain('18 °C in the air and 15 °C in the water.');
    expect(text).toContain('the best 61 cm');
    expect(text).toContain('10:00 to 16:00');
    expect(text).not.toMatch(/[{}]/);
    expect(await textOf({ ...body, units: METRIC })).toBe(text);
  });
  it('is in the units, the clock and the dates of its captain', async () => {
    const text = await textOf({ ...body, units: US });
    // 15 °C is 59 °F by definition; 61 cm is 24.0 in (25.4 mm to the inch, NIST SP 811).
    expect(text).toContain('64 °F in the air and 59 °F in the water.');
    expect(text).toContain('the best 24 in');
    expect(text).toContain('Fri June 19');
    expect(text).toContain('10:00 am to 4:00 pm');
    expect(text).not.toMatch(/[{}]|°C| cm/);
  });
});
