import { compassPoint } from '../units/angle';
import type { Hazard } from './hazard';
import { said } from '../units/measure';

/** When a hazard stands and what it does, in words: "From winds S to W of 6 m/s on: shuts the spot." */
export function hazardWords(h: Hazard): string {
  const when: string[] = [];
  if (h.windSectorDeg) when.push(`winds ${compassPoint(h.windSectorDeg[0])} to ${compassPoint(h.windSectorDeg[1])}`);
  if (h.windMps !== null) when.push(`wind of ${said(h.windMps, 'wind', digits(h.windMps))} on`);
  if (h.waveM !== null) when.push(`waves of ${said(h.waveM, 'height', digits(h.waveM))} on`);
  if (h.tideBelowM !== null) when.push(`tide under ${said(h.tideBelowM, 'height', digits(h.tideBelowM))}`);
  if (h.tideAboveM !== null) when.push(`tide over ${said(h.tideAboveM, 'height', digits(h.tideAboveM))}`);
  return `${when.length === 0 ? 'Always' : `In ${when.join(', ')}`}: ${h.binds ? 'shuts the spot' : 'a warning; shuts it for children, first-timers and those who do not swim'}.`;
}

/** As many as were typed, two at most. */
const digits = (value: number) => (Number.isInteger(value) ? 0 : Number.isInteger(value * 10) ? 1 : 2);
