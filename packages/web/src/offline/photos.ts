// Sends photos from the deck after the entries, one at a time.
import { ApiProblem, Offline, post } from '../data/api';
import { allWaiting, markPhoto, waitingPhotos } from './store';

/** Sends photos whose fish the server has. @returns Why some still wait; null when none does but behind its fish. */
export async function sendPhotos(): Promise<'no network' | 'later' | null> {
  const behind = new Set((await allWaiting()).map((e) => e.tripId));
  for (const p of await waitingPhotos()) {
    if (behind.has(p.tripId)) continue;
    try {
      await post(`/deck/${p.tripId}/photos`, { id: p.photoId, catchId: p.catchId, at: p.at, data: p.data });
      await markPhoto(p.photoId, 'stored', '');
    } catch (problem) {
      if (problem instanceof Offline) return 'no network';
      if (!(problem instanceof ApiProblem)) throw problem;
      // A server that has too much to do, or a session that has run out: the photo waits.
      if (problem.body.status === 401 || problem.body.status === 408 || problem.body.status === 429 || problem.body.status >= 500)
        return 'later';
      await markPhoto(p.photoId, 'refused', problem.body.detail);
    }
  }
  return null;
}
