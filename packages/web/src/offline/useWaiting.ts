import { useEffect, useState } from 'react';
import { onEntries, sendWaiting } from './sender';
import { allWaiting, waitingPhotos } from './store';

const TRY_MS = 15_000;

/** Entries and photos on this phone that the crew does not have, sent from any screen as soon as there is a network. */
export function useWaiting(): number {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    const count = () =>
      void Promise.all([allWaiting(), waitingPhotos()]).then(
        ([entries, photos]) => setWaiting(entries.length + photos.length),
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
