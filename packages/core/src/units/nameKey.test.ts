// Names that a reader cannot tell apart are one name.
import { describe, expect, it } from 'vitest';
import { nameKey } from './nameKey';

describe('the key of a name', () => {
  it('is the same for names that look the same', () => {
    const same = [
      'Outer jetty',
      'outer jetty',
      ' Outer  jetty ',
      'Outer\u00a0jetty',
      'Outer\u200b jetty',
      'Ou\u00adter jetty',
      '\uff2futer jetty',
      '\u041euter jetty',
      'Out\u0435r jetty',
      '\u202eOuter jetty',
    ];
    expect(new Set(same.map(nameKey)).size).toBe(1);
  });
  it('keeps names apart that differ to the eye', () => {
    const other = ['Outer jetty', 'Outer jetties', 'Öuter jetty', 'Outer jetty 2', 'Outer-jetty', 'Été', 'Ete', '防波堤', '防波提'];
    expect(new Set(other.map(nameKey)).size).toBe(other.length);
  });
  it('takes composed and decomposed letters for one', () => {
    expect(nameKey('Hag\u0306')).toBe(nameKey('Ha\u011f'));
  });
  it('is empty for a name of nothing that can be seen', () => {
    expect(nameKey('\u200b\u2060\ufeff \u3164')).toBe('');
  });
});
