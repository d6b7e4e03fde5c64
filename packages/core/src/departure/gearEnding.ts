import { saidDate } from '../units/measure';
import { addDays, daysBetween } from '../units/time';

/** A thing aboard with the last day on which it serves, YYYY-MM-DD; null where it does not end. */
export interface GearWithEnd {
  readonly what: string;
  readonly endsOn: string | null;
}

/** Of a thing that ends it is told so long before, days: time enough to have a flare or a raft's service ordered (usual practice). */
export const GEAR_WARN_DAYS = 60;

/** Things that end within `GEAR_WARN_DAYS` of a day (YYYY-MM-DD), or have ended, the first to end first. */
export function gearEnding<G extends GearWithEnd>(gear: readonly G[], today: string): G[] {
  const last = addDays(today, GEAR_WARN_DAYS);
  return gear.filter((g) => g.endsOn !== null && g.endsOn <= last).sort((a, b) => (a.endsOn ?? '').localeCompare(b.endsOn ?? ''));
}

/** "Flares, last day was Sun 31 May", or when it is. */
export function endingWords({ what, endsOn }: GearWithEnd, today: string): string {
  if (endsOn === null) return what;
  const days = daysBetween(today, endsOn);
  if (days < 0) return `${what}, last day was ${saidDate(endsOn)}`;
  return `${what}, last day ${days === 0 ? 'today' : days === 1 ? 'tomorrow' : saidDate(endsOn)}`;
}
