import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** A boat that logs its fish sends often; a screen follows at this pace. */
const PACE_MS = 5000;

/** Has the screens in view follow what others of the crew do, while the page is looked at. */
export function useChanges(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let timer: number | undefined;
    let heardAt = 0;
    /** The count of the changes that the screens show. */
    let shown: string | null = null;
    const read = () => {
      timer = undefined;
      heardAt = Date.now();
      void queries.invalidateQueries({ predicate: (q) => q.meta?.follows === true });
    };
    const hear = (event: MessageEvent<string>) => {
      if (shown !== null && event.data === shown) return;
      const first = shown === null && event.type === 'listening';
      shown = event.data;
      if (first) return;
      timer ??= window.setTimeout(read, Math.max(0, heardAt + PACE_MS - Date.now()));
    };
    // A page that nobody looks at gives its connection back: a browser has few for one server.
    const follow = () => {
      if (document.hidden) {
        source?.close();
        source = null;
      } else if (!source) {
        source = new EventSource('/api/events');
        source.addEventListener('listening', hear);
        source.addEventListener('changed', hear);
      }
    };
    follow();
    document.addEventListener('visibilitychange', follow);
    return () => {
      document.removeEventListener('visibilitychange', follow);
      source?.close();
      window.clearTimeout(timer);
    };
  }, [queries]);
}
