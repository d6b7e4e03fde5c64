// Photos from the deck are made small on the phone and kept there until the server has them.
import { v7 } from 'uuid';
import { base64Of, shrink } from '../data/shrink';
import { keepPhoto } from './store';

/** What is tried until a photo is small enough to send from a boat. */
const FROM_A_BOAT = { sidePx: 1600, mostBytes: 450_000, qualities: [0.8, 0.65, 0.5, 0.35] };

/** Makes a photo small and keeps it on the phone; when this resolves it is there for good. Throws when it is no picture. */
export async function addPhoto(tripId: string, catchId: string | null, at: string, file: Blob): Promise<void> {
  const data = await base64Of(await shrink(file, FROM_A_BOAT));
  await keepPhoto({ photoId: v7(), tripId, catchId, at, data, state: 'on this phone', message: '' });
}
