import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { ApiProblem, post } from '../data/api';
import { unsubscribeHere } from '../offline/pushHere';
import { sendWaiting } from '../offline/sender';
import { allWaiting, clearPhone, type StoredEntry, type StoredPhoto, waitingPhotos } from '../offline/store';
import { saveFile } from '../ui/saveFile';

/** Signs out and takes the crew's data off this phone; entries and photos that nobody has yet are sent, or go into a file first. */
export function useSignOut(): () => Promise<void> {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const leave = async (left: readonly StoredEntry[], photos: readonly StoredPhoto[]) => {
    try {
      if (left.length + photos.length > 0)
        saveFile(
          'entries.json',
          JSON.stringify(
            {
              entries: left.map(({ tripId, entry }) => ({ tripId, entry })),
              photos: photos.map(({ tripId, catchId, at, data }) => ({ tripId, catchId, at, jpegBase64: data })),
            },
            null,
            1,
          ),
        );
      // Already out, by a try whose answer was lost or from another device: what is on this phone goes all the same.
      await post('/sign-out').catch((problem: unknown) => {
        if (!(problem instanceof ApiProblem && problem.body.status === 401)) throw problem;
      });
      // Whoever signs in here next is not told of this crew's boats.
      await unsubscribeHere().catch(() => undefined);
      await clearPhone();
      queries.clear();
      navigate('/sign-in');
    } catch (error) {
      toast((error as Error).message);
    }
  };
  return async () => {
    await sendWaiting();
    const [left, photos] = [await allWaiting(), await waitingPhotos()];
    if (left.length + photos.length === 0) return leave([], []);
    const all = [counted(left.length, 'entry', 'entries'), counted(photos.length, 'photo', 'photos')].filter((x) => x !== '').join(' and ');
    toast(`${all} on this phone only: sign out when there is a network.`, {
      duration: 20_000,
      action: { label: 'Hand over as a file', onClick: () => void leave(left, photos) },
    });
  };
}

const counted = (n: number, one: string, many: string) => (n === 0 ? '' : `${n} ${n === 1 ? one : many}`);
