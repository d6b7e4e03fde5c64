import type { LogMergedView } from '@bluffwind/contract/logEntry';
import { toast } from 'sonner';
import { post } from '../data/api';
import { type Saving, useSave } from '../data/useSave';
import { LOG_TOUCHES } from './queries';

type Merge =
  | { readonly setIds: readonly string[] }
  | { readonly fish: { readonly keepId: string; readonly otherId: string } }
  | { readonly part: string };

function send(asked: Merge): Promise<Partial<LogMergedView>> {
  if ('part' in asked) return post(`/log/merges/${asked.part}/part`, {});
  return 'fish' in asked ? post('/log/fish/merge', asked.fish) : post('/log/merge', { setIds: asked.setIds });
}

/** Makes what two phones logged of one thing one, with a way back, and parts it again. */
export function useMerge(onStored: () => void = () => undefined): Saving<Merge> {
  const back = useSave<string>({
    send: (mergeId) => send({ part: mergeId }),
    touches: LOG_TOUCHES,
    told: 'They are two again, as they were.',
  });
  return useSave<Merge, Partial<LogMergedView>>({
    send,
    touches: LOG_TOUCHES,
    onStored: ({ mergeId }, asked) => {
      onStored();
      if ('part' in asked) toast('They are two again, as they were.');
      // The sheet of an entry has its own way back.
      else if ('fish' in asked || !mergeId) toast('One fish now.');
      else toast('One entry now.', { action: { label: 'Undo', onClick: () => back.save(mergeId) } });
    },
  });
}
