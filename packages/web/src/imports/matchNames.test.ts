import { describe, expect, it } from 'vitest';
import { matchName } from './matchNames';

const SPOTS = [
  { id: '1', name: 'Dam wall' },
  { id: '2', name: "Tern's ledge" },
  { id: '3', name: 'Weed edge, north' },
  { id: '4', name: 'Weed edge, south' },
];

describe('a name of a file', () => {
  it('is matched whatever its case, spaces and signs', () => {
    expect(matchName(' dam  WALL ', SPOTS)).toBe('1');
    expect(matchName('Tern’s ledge', SPOTS)).toBe('2');
  });
  it('is matched by a part of it where only one thing has that', () => {
    expect(matchName('Weed edge north', SPOTS)).toBe('3');
    expect(matchName('the dam wall at dusk', SPOTS)).toBe('1');
  });
  it('is left to whoever brings the file where it is not clear', () => {
    expect(matchName('Weed edge', SPOTS)).toBeNull();
    expect(matchName('Old pier', SPOTS)).toBeNull();
    expect(matchName('', SPOTS)).toBeNull();
  });
});
