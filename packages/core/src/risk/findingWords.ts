// The judgement in a guide's words, the same on every screen, in the brief and on deck.
import { coldWaterBand } from '../exposure/feels';
import type { Finding, Level, Quantity } from './judge';
import { type Measure, said } from '../units/measure';

/** How a level is said. */
export const LEVEL_WORDS: Record<Level, string> = { over: 'over', near: 'near', unknown: 'not known', within: 'within' };

/** What a quantity is called. */
export const QUANTITY_WORDS: Record<Quantity, string> = {
  wind: 'wind',
  gust: 'gusts',
  wave: 'waves',
  keel: 'water under the keel',
  visibility: 'visibility',
  thunder: 'thunder',
  darkness: 'darkness',
  windAgainstCurrent: 'wind against current',
  cold: 'cold',
  heat: 'heat',
};

const far = (m: number) => (m < 1000 ? said(m, 'near', 0) : said(m, 'way', 1));

/** "Gusts 11.0 m/s, over the limit of 10.0". @param where - "on the way" or nothing, put after the figure. */
export function findingWords(f: Finding, where = ''): string {
  const at = where === '' ? (f.wayIn ? ' on the way in' : '') : ` ${where}`;
  if (f.quantity === 'hazard') return `${f.note ?? ''}${f.level === 'unknown' ? ' Not known whether it stands now.' : ''}`.trim();
  if (f.level === 'unknown') {
    if (f.value !== null) return `${capital(QUANTITY_WORDS[f.quantity])}${at}: no limit of the boat is known`;
    return `${capital(QUANTITY_WORDS[f.quantity])}${at}: not known`;
  }
  const value = f.value ?? 0;
  const limit = f.limit ?? 0;
  const against = (measure: Measure, digits: number) => {
    // A digit more where the figures would read the same.
    const d = f.level === 'over' && value.toFixed(digits) === limit.toFixed(digits) ? digits + 1 : digits;
    return `${said(value, measure, d)}${at}, ${LEVEL_WORDS[f.level]} the limit of ${said(limit, measure, d)}`;
  };
  switch (f.quantity) {
    case 'wind':
      return `Wind ${against('wind', 1)}`;
    case 'gust':
      return `Gusts ${against('wind', 1)}`;
    case 'wave':
      return `Waves ${against('height', 2)}`;
    case 'keel':
      return `${value < 0 ? 'No water' : said(value, 'height', 1)} under the keel${at}, ${f.level === 'over' ? 'under' : LEVEL_WORDS[f.level]} the ${said(limit, 'height', 1)} wanted`;
    case 'visibility':
      return `Visibility ${far(value)}${at}, ${f.level === 'over' ? 'under' : LEVEL_WORDS[f.level]} ${far(limit)}`;
    case 'thunder':
      return value > 0 ? `Thunder about${at}: rods down, leave` : `No thunder spoken of${at}`;
    case 'darkness':
      return f.level === 'over' ? `Dark${at}: lights` : f.level === 'near' ? `Sun down${at}: lights` : `Daylight${at}`;
    case 'windAgainstCurrent':
      return f.level === 'within'
        ? `Wind does not stand against the current${at}`
        : `Wind against ${said(value, 'current', 1)} of current${at}: steep, short waves`;
    case 'cold':
      return limit < 0
        ? `Feels like ${said(value, 'temp', 0)} on the run: layers`
        : `Water ${said(value, 'temp', 0)}: cold shock, exhausted in ${coldWaterBand(value)?.exhaustion ?? 'hours'}; life jackets worn`;
    case 'heat':
      return `Feels like ${said(value, 'temp', 0)}: water, shade, breaks`;
  }
}

/** "wind, gusts and waves" of quantities. */
export function quantityList(quantities: readonly Quantity[]): string {
  const words = quantities.map((q) => QUANTITY_WORDS[q]);
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

/** "Laid without wind, gusts and waves: nobody has said what they will do." Empty when all is known. */
export function laidWithout(quantities: readonly Quantity[]): string {
  return quantities.length === 0 ? '' : `Laid without ${quantityList(quantities)}: not known for this trip.`;
}

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
