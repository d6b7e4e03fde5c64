import { useEffect, useState } from 'react';
import { onEntries, sendWaiting } from './sender';
import { allWaiting } from './store';

const TRY_MS = 15_000;

/** Entries on this phone that the crew does not have, sent from any screen as soon as there is a network. */
export function useWaiting(): number {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    const count = () =>
      void allWaiting().then(
        (list) => setWaiting(list.length),
        () => undefined,
      );
    const send = () => void sendWaiting().then(count, () => undefined);
    const deaf = onEntries(count);
    const timer = setInterval(send, TRY_MS);
    window.addEventListener('online', send);
    document.addEventListener('visibilitychange', send);
    send();
    return () => {
      deaf();
      clearInterval(timer);
      window.removeEventListener('online', send);
      document.removeEventListener('visibilitychange', send);
    };
  }, []);
  return waiting;
}
