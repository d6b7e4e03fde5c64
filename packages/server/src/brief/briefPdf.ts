// The brief as sheets to take along: one page or more a boat, then what the day before has taught.
import type { BriefView } from '@bluffwind/contract/brief';
import { clockWords, dateWords, inUnits, type Units } from '@bluffwind/core/units/measure';
import { localTime } from '@bluffwind/core/units/time';
import { pdfOf, type Sheet } from '../pdf/sheet';

const STOP = [{ share: 0.06 }, { share: 0.2 }, { share: 0.62 }, { share: 0.12, align: 'right' as const }];
const fish = (n: number) => (n < 9.95 ? n.toFixed(1) : n.toFixed(0));

/** @param brief - As its reader sees it. @param units - In which he reads. */
export function briefPdf(brief: BriefView, units: Units): Promise<Buffer> {
  const words = (text: string) => inUnits(text, units);
  const clock = (at: string) => clockWords(localTime(Date.parse(at), brief.zone), units);
  const day = dateWords(brief.date, units);
  const went = brief.publishedAt ? `, ${brief.asPublished ? 'as it went out' : 'went out'} ${clock(brief.publishedAt)}` : ', not published';
  const foot = `Brief for ${day}${went}. Local rules and the licensed captain's judgement come first.`;
  return pdfOf({ title: `Brief for ${day}`, foot }, (sheet) => {
    for (const boat of brief.boats) {
      const { trip, plan } = boat;
      sheet.page();
      sheet.title(`${trip.boat.name}, ${day}, ${clock(trip.startsAt)} to ${clock(trip.endsAt)}`);
      sheet.text(
        `${[trip.captain, ...trip.mates].map((p) => p.name).join(', ')}. ${trip.guests.map((g) => `${g.name}${g.child ? ' (child)' : ''}`).join(', ') || 'No guests named'}. ${trip.wish}`,
      );
      for (const said of [brief.words, boat.words]) if (said !== '') sheet.text(said);
      sheet.heading('Water');
      sheet.text(words(boat.water));
      if (boat.cautions.length > 0) {
        sheet.heading('Cautions', 'caution');
        sheet.list(boat.cautions.map((c) => words(c.text)));
      }
      if (plan) {
        sheet.heading(`Stops, about ${fish(plan.expected)} fish (${plan.lo80} to ${plan.hi80})`);
        for (const [i, l] of plan.legs.entries())
          sheet.row(STOP, [
            String(i + 1),
            `${clock(l.startAt)} to ${clock(l.departAt)}`,
            [brief.names[l.spotId] ?? '', brief.names[l.presentationId] ?? '', ...(boat.legRisks[i] ?? []).map((r) => words(r.text))].join(
              '\n',
            ),
            fish(l.expected),
          ]);
      } else sheet.text('No plan yet.', 'caution');
      const open = boat.tonight.filter((i) => i.group !== 'load');
      if (open.length > 0) {
        sheet.heading('To tie and get ready');
        sheet.list(open.map((i) => `${words(i.what)}${i.done ? ' (done)' : ''}`));
      }
      sheet.heading('Rules in the crew’s copy');
      sheet.text(words(boat.rules.join('. ')));
      leaveAlone(sheet, brief, words);
    }
    if (brief.boats.length === 0) {
      sheet.page();
      sheet.title(`Brief for ${day}`);
      sheet.text(`No trips on ${day}.`);
    }
    const taught = brief.changes.slice(0, 12).map((c) => `${c.spotName}: ${words(c.sentence)}`);
    sheet.heading(`What ${dateWords(brief.debriefDate, units)} changed, and why`);
    sheet.text(words(brief.summary));
    sheet.list(taught);
    for (const s of brief.said)
      sheet.text(`${s.boat}: ${[s.chips.join(', '), s.said, s.baitLeft && `Bait left: ${s.baitLeft}.`].filter(Boolean).join(' ')}`);
  });
}

function leaveAlone(sheet: Sheet, brief: BriefView, words: (text: string) => string): void {
  if (brief.leaveAlone.length === 0) return;
  sheet.heading('Leave alone');
  sheet.list(brief.leaveAlone.map(words));
}
