import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/**
 * Something that a screen shows, kept in its address: it survives a reload, can be sent to somebody, and Back returns to it.
 * @param usual - What holds while the address says nothing of it.
 * @param step - True where each change is a step that Back undoes; else it replaces the one before.
 */
export function useAddress<U extends string | null>(
  name: string,
  usual: U,
  step = false,
): readonly [value: string | U, set: (value: string | U) => void] {
  const [params, setParams] = useSearchParams();
  const set = useCallback(
    (value: string | U) =>
      setParams(
        () => {
          // What another part of the screen has just written is not there yet in what React was given.
          const next = new URLSearchParams(window.location.search);
          if (value === null || value === usual) next.delete(name);
          else next.set(name, value);
          return next;
        },
        { replace: !step },
      ),
    [setParams, name, usual, step],
  );
  return [params.get(name) ?? usual, set];
}

/** What the address says now, of which a key pressed at once after a change may not have been told by its screen yet. */
export const inAddress = (name: string): string | null => new URLSearchParams(window.location.search).get(name);
