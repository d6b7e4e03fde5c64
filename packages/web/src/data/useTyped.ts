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
  const [typed, setTyped] = useState<T | null>(() => readTyped(name) as T | null);
  const set = useCallback(
    (value: T) => {
      setTyped(value);
      keepTyped(name, value);
    },
    [name],
  );
  const drop = useCallback(() => {
    setTyped(null);
    dropTyped(name);
  }, [name]);
  return [typed ?? stands, set, drop];
}
