import { beaufort } from '../exposure/feels';
import { said } from '../units/measure';
import { dateWords } from '../rules/seasonWords';
import { nth } from '../units/indexed';

/** A day as a report tells it: no place. */
export interface ReportDay {
  /** ISO date. */
  readonly date: string;
  readonly captain: string;
  readonly guests: readonly string[];
  readonly hours: number;
  readonly tally: readonly { readonly species: string; readonly landed: number; readonly kept: number; readonly bestMm: number | null }[];
  readonly lostOrMissed: number;
  /** Baits that caught, most fish first. */
  readonly baits: readonly string[];
}

/**
 * A first text of a client's report, to be written over by the captain: what was caught, the best fish, the bait that did it.
 * Made of these alone, so that nothing in it can tell where.
 */
export function draftReport({ date, captain, guests, hours, tally, lostOrMissed, baits }: ReportDay): string {
  const landed = tally.reduce((sum, t) => sum + t.landed, 0);
  const kept = tally.reduce((sum, t) => sum + t.kept, 0);
  const best = [...tally].filter((t) => t.bestMm !== null).sort((a, b) => (b.bestMm ?? 0) - (a.bestMm ?? 0))[0];
  const to = guests.length === 0 ? '' : `Dear ${listed(guests)},\n\n`;
  const time = `${Math.round(hours * 2) / 2} hours`.replace('.5', '½').replace(/^1 hours/, '1 hour');
  const caught =
    landed === 0
      ? `thank you for ${time} on the water on ${dateWords(date.slice(5))}. The fish did not play that day${lostOrMissed > 0 ? `, though ${lostOrMissed} of them had a look` : ''}; you fished it well.`
      : `thank you for ${time} on the water on ${dateWords(date.slice(5))}. You brought ${landed} fish to hand: ${listed(tally.filter((t) => t.landed > 0).map((t) => `${t.landed} ${t.species}`))}.`;
  const release = landed === 0 ? '' : kept === 0 ? ' All of them went back.' : ` ${kept} came home with you, ${landed - kept} went back.`;
  const size = best?.bestMm ? ` The best was a ${best.species} of ${said(best.bestMm, 'fish', 0)}.` : '';
  const how = baits.length === 0 ? '' : ` What worked: ${listed(baits.slice(0, 2))}.`;
  return `${to}${caught}${release}${size}${how}\n\nCome again,\n${captain}`;
}

/** "a, b and c". */
function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

/** What the day was like where it was fished. */
export interface DayWeather {
  readonly windMps: number | null;
  readonly waterTempC: number | null;
  readonly airTempC: number | null;
}

/** Names of the Beaufort numbers 0 to 12 (WMO), as said to a guest. */
const WINDS = [
  'calm',
  'hardly a breath of wind',
  'a light breeze',
  'a gentle breeze',
  'a moderate breeze',
  'a fresh breeze',
  'a strong breeze',
  'near gale',
  'gale',
  'strong gale',
  'storm',
  'violent storm',
  'hurricane force',
] as const;

/** Weather in words that tell no place: means over the stops, each left out where it is not known. */
export function weatherWords(stops: readonly DayWeather[]): string {
  const mean = (pick: (s: DayWeather) => number | null) => {
    const known = stops.map(pick).filter((v) => v !== null);
    return known.length === 0 ? null : known.reduce((a, b) => a + b, 0) / known.length;
  };
  const [wind, water, air] = [mean((s) => s.windMps), mean((s) => s.waterTempC), mean((s) => s.airTempC)];
  const parts = [
    wind === null ? '' : nth(WINDS, beaufort(wind)),
    air === null ? '' : `${said(air, 'temp', 0)} in the air`,
    water === null ? '' : `${said(water, 'temp', 0)} in the water`,
  ].filter((p) => p !== '');
  const words = listed(parts);
  return words === '' ? '' : `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}
