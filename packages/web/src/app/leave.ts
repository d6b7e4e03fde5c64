import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { post } from '../data/api';
import { sendWaiting } from '../offline/sender';
import { allWaiting, clearPhone, type StoredEntry } from '../offline/store';
import { saveFile } from '../ui/saveFile';

/** Signs out and takes the crew's data off this phone; entries that nobody has yet are sent, or go into a file first. */
export function useSignOut(): () => Promise<void> {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const leave = async (left: readonly StoredEntry[]) => {
    try {
      if (left.length > 0)
        saveFile(
          'entries.json',
          JSON.stringify(
            left.map(({ tripId, entry }) => ({ tripId, entry })),
            null,
            1,
          ),
        );
      await post('/sign-out');
      await clearPhone();
      queries.clear();
      navigate('/sign-in');
    } catch (error) {
      toast((error as Error).message);
    }
  };
  return async () => {
    await sendWaiting();
    const left = await allWaiting();
    if (left.length === 0) return leave([]);
    toast(`${left.length} ${left.length === 1 ? 'entry is' : 'entries are'} on this phone only: sign out when there is a network.`, {
      duration: 20_000,
      action: { label: 'Hand over as a file', onClick: () => void leave(left) },
    });
  };
}
