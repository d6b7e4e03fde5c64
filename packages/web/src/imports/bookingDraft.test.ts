import type { OutfitView } from '@bluffwind/contract/outfit';
import { expect, test } from 'vitest';
import { bookingDraft } from './bookingDraft';

const named = (...names: string[]) => names.map((name) => ({ id: name, name }));
const outfit = {
  waters: [
    { id: 'Hollin Sound', name: 'Hollin Sound', kind: 'salt' },
    { id: 'Ansgar Lake', name: 'Ansgar Lake', kind: 'fresh' },
  ],
  boats: named("Tern's Errand", 'Marrow'),
  crew: [
    { id: 'Birk', name: 'Birk Solander', role: 'mate' },
    { id: 'Ilse', name: 'Ilse Marrable', role: 'captain' },
    { id: 'Oskar', name: 'Oskar Thrane', role: 'captain' },
  ],
  species: [
    { id: 'bass', name: 'Striped runner', habitat: 'salt' },
    { id: 'trout', name: 'Lake trout', habitat: 'fresh' },
  ],
  clients: named('Edda Halden', 'Jorun Veld'),
} as unknown as OutfitView;
const booking = (more: Partial<Parameters<typeof bookingDraft>[0]> = {}) => ({
  key: 'k1',
  title: 'Morning trip',
  place: '',
  note: '',
  fromMs: Date.UTC(2026, 5, 20, 8, 30),
  toMs: Date.UTC(2026, 5, 20, 14),
  allDay: false,
  off: false,
  ...more,
});
const draft = (more: Parameters<typeof booking>[0]) => bookingDraft(booking(more), outfit, 'Etc/GMT+2', 'Oskar');

test('a booking that names nothing is on the usual boat and water, with who reads it in, at its hours in the outfit’s zone', () => {
  expect(draft({})).toMatchObject({
    date: '2026-06-20',
    from: '06:30',
    to: '12:00',
    waterId: 'Hollin Sound',
    boatId: "Tern's Errand",
    captainId: 'Oskar',
    clientIds: [],
    speciesIds: ['bass'],
  });
});

test('what its words name is taken: water and its fish, boat, captain by first name, guests; its place is where they meet', () => {
  expect(
    draft({ title: 'Edda Halden, 3 people, with Ilse on Marrow', place: 'Slip at Ansgar lake', note: 'Two are new to it' }),
  ).toMatchObject({
    waterId: 'Ansgar Lake',
    speciesIds: ['trout'],
    boatId: 'Marrow',
    captainId: 'Ilse',
    clientIds: ['Edda Halden'],
    meeting: 'Slip at Ansgar lake',
    wish: 'Edda Halden, 3 people, with Ilse on Marrow. Two are new to it',
  });
});

test('where two are named it is not clear which, and the usual one stays; a mate is no captain', () => {
  expect(draft({ title: "Marrow or Tern's Errand, Birk Solander" })).toMatchObject({ boatId: "Tern's Errand", captainId: 'Oskar' });
});

test('a long note is cut to what a wish holds', () => {
  expect(draft({ note: 'x'.repeat(900) }).wish).toHaveLength(500);
});
