import type { OwnSettings } from '@bluffwind/contract/auth';
import { post } from '../data/api';
import { mySettings } from '../data/settings';
import { type Saving, useSave } from '../data/useSave';

/** Keeps what a person has set; every screen is then drawn anew in it. */
export function useOwnSettings(): Saving<Partial<OwnSettings>> {
  return useSave<Partial<OwnSettings>>({
    send: (changed) => post('/me/settings', { ...mySettings(), ...changed }),
    touches: [['me']],
  });
}
