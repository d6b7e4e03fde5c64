import type { ImportView } from '@bluffwind/contract/imports';
import { post } from '../data/api';
import { type Saving, useSave } from '../data/useSave';

interface ToStore {
  readonly body: object;
  readonly told: string;
}

/** Stores what was read of a file; everything on screen may hang on it and is read again. */
export function useStoreFile(waterId: string, kind: ImportView['kind'], onStored: () => void): Saving<ToStore> {
  return useSave<ToStore>({
    send: ({ body }) => post(`/waters/${waterId}/imports/${kind}`, body),
    touches: [[]],
    told: (_, { told }) => told,
    onStored,
  });
}
