import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { Topic } from '@bluffwind/contract/topics';
import { heardChanges } from './heardChanges';

/** A boat that logs its fish sends often; a screen follows at this pace. */
const PACE_MS = 1000;

/** Has the screens in view follow what others of the crew do, while the page is looked at. */
export function useChanges(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let timer: number | undefined;
    let readAt = 0;
    const heard = heardChanges();
    const waiting = new Set<Topic>();
    const read = () => {
      timer = undefined;
      readAt = Date.now();
      const topics = [...waiting];
      waiting.clear();
      void queries.invalidateQueries({ predicate: (q) => q.meta?.follows?.some((t) => topics.includes(t)) ?? false });
    };
    const hear = (event: MessageEvent<string>) => {
      for (const topic of heard.take(event)) waiting.add(topic);
      if (waiting.size > 0) timer ??= window.setTimeout(read, Math.max(0, readAt + PACE_MS - Date.now()));
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
