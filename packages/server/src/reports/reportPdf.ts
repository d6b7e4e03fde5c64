// The client's page as a file to keep: what the page itself says, and no more.
import type { ReportBody } from '@bluffwind/contract/report';
import { clockWords, dateWords, inUnits, measured, METRIC } from '@bluffwind/core/units/measure';
import { MINUTE } from '@bluffwind/core/units/time';
import { pdfOf } from '../pdf/sheet';

const FISH = [{ share: 0.14 }, { share: 0.46 }, { share: 0.2, align: 'right' as const }, { share: 0.2 }];

/** @param photos - JPEG, in their order. @param logo - JPEG. */
export function reportPdf(body: ReportBody, photos: readonly Uint8Array[], logo: Uint8Array | null): Promise<Buffer> {
  const units = body.units ?? METRIC;
  const day = dateWords(body.date, units);
  const clock = (atMs: number) => clockWords(new Date(atMs + body.offsetMin * MINUTE).toISOString().slice(11, 16), units);
  const size = (mm: number | null) => (mm === null ? '' : measured(mm, 'fish', units, 0));
  const from = body.look?.name || body.outfit;
  return pdfOf({ title: `${day} with ${from}`, foot: `${from}, ${body.captain}` }, (sheet) => {
    sheet.page();
    if (logo) sheet.logo(logo);
    if (body.look) sheet.band(body.look.colour);
    sheet.title(`${day} on ${body.boat}`);
    sheet.text(`${from}, captain ${body.captain}, ${clock(body.fromMs)} to ${clock(body.toMs)}`, 'dim');
    sheet.heading('The day');
    sheet.text(body.text);
    if (body.weather !== '') sheet.text(inUnits(body.weather, units), 'dim');
    if (body.learned !== '') {
      sheet.heading('What you learned');
      sheet.text(body.learned);
    }
    for (const photo of photos) sheet.photo(photo);
    sheet.heading('The fish');
    for (const t of body.tally)
      sheet.text(`${t.species}: ${t.landed} landed, ${t.kept} kept${t.bestMm === null ? '' : `, the best ${size(t.bestMm)}`}`);
    if (body.tally.length === 0) sheet.text('None this time.');
    for (const f of body.fish)
      sheet.row(FISH, [clock(f.atMs), [f.species, f.angler].filter(Boolean).join(', '), size(f.lengthMm), f.kept ? 'kept' : 'released']);
    if (body.tideM.length > 1) {
      sheet.heading('The tide');
      sheet.curve(body.tideM, `Height of the water, ${clock(body.fromMs)} to ${clock(body.toMs)}`);
    }
    if (body.look && body.look.words !== '') sheet.text(body.look.words, 'dim');
  });
}
