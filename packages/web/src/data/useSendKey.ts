import { useRef } from 'react';
import { v7 } from 'uuid';

interface SendKey {
  /** The key of what is sent. */
  readonly of: (what: unknown) => string;
  /** It was stored: the same sent from now on is another one. */
  readonly stored: () => void;
}

/** A key that stays while the same is sent, so that whoever tries again after a lost answer makes nothing twice. */
export function useSendKey(): SendKey {
  const last = useRef<{ readonly said: string; readonly key: string } | null>(null);
  return {
    of: (what) => {
      const said = JSON.stringify(what);
      if (last.current?.said !== said) last.current = { said, key: v7() };
      return last.current.key;
    },
    stored: () => {
      last.current = null;
    },
  };
}
