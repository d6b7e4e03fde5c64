import { useEffect } from 'react';
import { toast } from 'sonner';

/** Says when a new version has come while the page was open; it is loaded when the person wants it. */
export function useNewVersion(): void {
  useEffect(() => {
    const workers = navigator.serviceWorker;
    // The first worker of this device brings nothing new.
    if (!workers?.controller) return;
    const told = () =>
      toast('A new version is here.', {
        duration: Number.POSITIVE_INFINITY,
        action: { label: 'Load it', onClick: () => location.reload() },
      });
    workers.addEventListener('controllerchange', told, { once: true });
    return () => workers.removeEventListener('controllerchange', told);
  }, []);
}
