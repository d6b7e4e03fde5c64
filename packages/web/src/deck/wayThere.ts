import type { DeckPack } from '@bluffwind/contract/deck';
import { bearingDeg, distanceM } from '@bluffwind/core/ground/seaBed';
import { compassPoint } from '@bluffwind/core/units/angle';
import { amount } from '../data/units';
import type { OwnPosition } from './useOwnPosition';

type Spot = DeckPack['spots'][number];

/**
 * The way to a spot in words: straight from where the phone is, or the run from the spot that was left last. A straight line may cross
 * land: it tells the direction, not the way.
 */
export function wayThere(pack: DeckPack, to: Spot, own: OwnPosition | null, last: Spot | undefined): string {
  const from = own ?? last;
  if (!from) return '';
  const d = distanceM(from, to);
  const bearing = bearingDeg(from, to);
  const straight = `${d < 1000 ? amount(d, 'near', 0) : amount(d, 'way', 1)} ${compassPoint(bearing)} (${String(Math.round(bearing) % 360).padStart(3, '0')}°)`;
  const run = own ? null : (last?.travelMin[to.id] ?? null);
  const minutes = run ?? (pack.boat.speedMps > 0 ? d / pack.boat.speedMps / 60 : null);
  const time =
    minutes === null ? '' : run === null ? `, ${Math.ceil(minutes)} min or more` : `, ${Math.ceil(minutes)} min by the charted way`;
  return `${straight}${own ? ' from here' : ` from ${last?.name}`}${time}`;
}
