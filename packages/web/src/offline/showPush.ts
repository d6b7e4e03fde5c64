// What the service worker shows of a notice that came, and where a tap on it leads.
import type { PushWords } from '@bluffwind/contract/push';

/** A notice as it came. One that cannot be read still says that there is something: a browser takes the right away from who shows nothing. */
export function readPush(text: string | undefined): PushWords {
  const plain = { title: 'Bluffwind', body: 'Something has changed for your crew.', path: '/', tag: 'unread' };
  try {
    const said = JSON.parse(text ?? '') as Partial<PushWords>;
    if (typeof said.title !== 'string' || typeof said.body !== 'string') return plain;
    return { title: said.title, body: said.body, path: ownPath(said.path), tag: typeof said.tag === 'string' ? said.tag : 'unread' };
  } catch {
    return plain;
  }
}

/** A path of this application: a notice never leads elsewhere. */
export const ownPath = (path: unknown): string => (typeof path === 'string' && /^\/(?![/\\])/.test(path) ? path : '/');
