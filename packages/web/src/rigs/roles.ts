import type { RigRole } from '@bluffwind/core/tackle/rigDay';

/** What a rig is at its stop. */
export const ROLES: Readonly<Record<RigRole, string>> = {
  first: 'first',
  next: 'then',
  second: 'when it goes quiet',
  search: 'to find them with',
};
