import type { SpotConditions } from './spotConditions';

/** How a spot lies to the wind. */
export type Shelter = 'unknown' | 'calm' | 'sheltered' | 'lee' | 'wind across' | 'windblown' | 'open';

/** Wind under this leaves no lee to speak of, m/s; less fetch than this is shelter, m. */
export const CALM_MPS = 2;
export const SHELTER_FETCH_M = 900;

/** How a spot lies to the wind at an instant: by wind, fetch, and the angle to its bank (common practice). */
export function shelterOf(c: Pick<SpotConditions, 'windMps' | 'fetchM' | 'onshore'>): Shelter {
  if (c.windMps === null || c.fetchM === null) return 'unknown';
  if (c.windMps < CALM_MPS) return 'calm';
  if (c.fetchM < SHELTER_FETCH_M) return 'sheltered';
  if (c.onshore === null) return 'open';
  return c.onshore > 0.4 ? 'windblown' : c.onshore < -0.4 ? 'lee' : 'wind across';
}
