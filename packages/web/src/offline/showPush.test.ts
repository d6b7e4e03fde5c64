import { describe, expect, it } from 'vitest';
import { keyOf } from './pushHere';
import { ownPath, readPush } from './showPush';

describe('a notice that came to this browser', () => {
  it('is shown as it was written', () => {
    const words = { title: 'OVERDUE: Second Kettle', body: 'was to be back at 13:00', path: '/', tag: 'boat 1' };
    expect(readPush(JSON.stringify(words))).toEqual(words);
  });
  it.each([undefined, '', '{', '7', 'null', '{"title":5}'])('says that there is something where it cannot be read: %s', (text) => {
    expect(readPush(text)).toMatchObject({ title: 'Bluffwind', path: '/' });
  });
  it('leads nowhere but into the application', () => {
    expect(ownPath('/brief/2026-06-19?as=published')).toBe('/brief/2026-06-19?as=published');
    for (const wrong of ['https://elsewhere.example', '//elsewhere.example', '/\\elsewhere.example', 'brief', 5, undefined])
      expect(ownPath(wrong)).toBe('/');
  });
  it('knows the server’s key by the letters of RFC 4648, section 5', () => {
    expect(keyOf(new Uint8Array([0xfb, 0xef, 0xff, 0x00]).buffer)).toBe('--__AA');
    expect(keyOf(null)).toBe('');
  });
});
