import { useCallback, useState } from 'react';
import { dropTyped, keepTyped, readTyped } from './typed';

/**
 * Something that a person writes before he saves it: it survives a reload and leaving the page, until it is saved or he signs out.
 * @param stands - What stands on the server, shown while he has typed nothing.
 * @returns The value, how to change it, and how to let go of what was typed.
 */
export function useTyped<T extends object | string | null>(
  name: string,
  stands: T,
): readonly [value: T, set: (value: T) => void, drop: () => void] {
  const [state, setState] = useState(() => ({ name, typed: readTyped(name) as T | null }));
  // Another boat, another day: what was typed for the one before is not for this.
  const typed = state.name === name ? state.typed : (readTyped(name) as T | null);
  if (state.name !== name) setState({ name, typed });
  const set = useCallback(
    (value: T) => {
      setState({ name, typed: value });
      keepTyped(name, value);
    },
    [name],
  );
  const drop = useCallback(() => {
    setState({ name, typed: null });
    dropTyped(name);
  }, [name]);
  return [typed ?? stands, set, drop];
}
