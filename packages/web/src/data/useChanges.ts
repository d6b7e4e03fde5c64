import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { Topic } from '@bluffwind/contract/topics';
import { heardChanges } from './heardChanges';

/** A boat that logs its fish sends often; a screen follows at this pace. */
const PACE_MS = 1000;

/** After so long a stream that the browser has given up is opened again: a gateway that answers for a server away ends it for good. */
const AGAIN_MS = 5000;

/** Has the screens in view follow what others of the crew do, while the page is looked at. */
export function useChanges(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let timer: number | undefined;
    let again: number | undefined;
    let openedAt = 0;
    let begun = false;
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
    // What a phone had kept from before is shown as fresh, and may have been changed since.
    const begin = (event: MessageEvent<string>) => {
      if (!begun) void queries.invalidateQueries({ predicate: (q) => q.meta?.follows !== undefined && q.state.dataUpdatedAt < openedAt });
      begun = true;
      hear(event);
    };
    const failed = () => {
      heard.lost();
      if (source?.readyState !== EventSource.CLOSED) return;
      source = null;
      window.clearTimeout(again);
      again = window.setTimeout(follow, AGAIN_MS);
    };
    // A page that nobody looks at gives its connection back: a browser has few for one server.
    const follow = () => {
      if (document.hidden) {
        source?.close();
        source = null;
      } else if (!source) {
        openedAt = Date.now();
        source = new EventSource('/api/events');
        source.addEventListener('error', failed);
        source.addEventListener('listening', begin);
        source.addEventListener('changed', hear);
      }
    };
    follow();
    document.addEventListener('visibilitychange', follow);
    return () => {
      document.removeEventListener('visibilitychange', follow);
      source?.close();
      window.clearTimeout(timer);
      window.clearTimeout(again);
    };
  }, [queries]);
}
