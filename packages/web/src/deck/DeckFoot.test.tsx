import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { StoredEntry } from '../offline/store';
import { DeckFoot } from './DeckFoot';

const entry = (entryId: string, state: StoredEntry['state'], message = '') => ({ entryId, state, message }) as StoredEntry;
const foot = (entries: readonly StoredEntry[], online = true) => renderToStaticMarkup(<DeckFoot entries={entries} online={online} />);

describe('the foot of the deck', () => {
  it('tells what is with the crew, what waits, and what is safe without signal', () => {
    expect(foot([])).toContain('On line. Nothing to send.');
    expect(foot([entry('a', 'stored')])).toContain('One entry is with the crew.');
    expect(foot([entry('a', 'stored'), entry('b', 'stored')])).toContain('All 2 entries are with the crew.');
    expect(foot([entry('a', 'stored'), entry('b', 'on this phone')])).toContain('Sending 1.');
    expect(foot([entry('a', 'on this phone')], false)).toContain('No signal. 1 entry on this phone, safe.');
    expect(foot([entry('a', 'on this phone'), entry('b', 'on this phone')], false)).toContain('2 entries on this phone, safe.');
  });

  it('never counts what was refused as with the crew, and keeps it with its reason', () => {
    const html = foot([entry('a', 'stored'), entry('b', 'refused', 'at: 17:42 on 2026-06-18 is in the future')]);
    expect(html).toContain('One entry is with the crew.');
    expect(html).toMatch(/role="alert".*Not taken, kept on this phone: 17:42 on 2026-06-18 is in the future\./);
    expect(foot([entry('b', 'refused', 'no')])).toContain('On line. Nothing to send.');
  });
});
