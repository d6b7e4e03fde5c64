import { compassPoint } from '../units/angle';
import type { Hazard } from './hazard';

/** When a hazard stands and what it does, in words: "From winds S to W of 6 m/s on: shuts the spot." */
export function hazardWords(h: Hazard): string {
  const when: string[] = [];
  if (h.windSectorDeg) when.push(`winds ${compassPoint(h.windSectorDeg[0])} to ${compassPoint(h.windSectorDeg[1])}`);
  if (h.windMps !== null) when.push(`wind of ${h.windMps} m/s on`);
  if (h.waveM !== null) when.push(`waves of ${h.waveM} m on`);
  if (h.tideBelowM !== null) when.push(`tide under ${h.tideBelowM} m`);
  if (h.tideAboveM !== null) when.push(`tide over ${h.tideAboveM} m`);
  return `${when.length === 0 ? 'Always' : `In ${when.join(', ')}`}: ${h.binds ? 'shuts the spot' : 'a warning; shuts it for children, first-timers and those who do not swim'}.`;
}
