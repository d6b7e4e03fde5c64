import { describe, expect, it } from 'vitest';
import { guessPastMapping, readPastTrips, tripsOf } from './pastTrips';
import { type PhotoFacts, photoTable } from './photoTable';
import { nth } from '../units/indexed';

const ZONE = 'Atlantic/Azores';
// The second spot lies 500 m north of the first.
const SPOTS = [
  { name: 'Far head', lat: 47.6 + 500 / 111_200, lon: -35.2 },
  { name: 'Near stone', lat: 47.6, lon: -35.2 },
];
const photo = (name: string, at: string | null, more: Partial<PhotoFacts> = {}): PhotoFacts => ({
  name,
  atMs: null,
  wall: at,
  lat: 47.6,
  lon: -35.2,
  ...more,
});
const lines = (photos: PhotoFacts[], spots = SPOTS) => photoTable(photos, spots, ZONE).table.records.map((r) => r.cells);

describe('photos of fish', () => {
  it('are a fish each at the nearest spot, at the hour they were taken, their stop begun half an hour before', () => {
    expect(lines([photo('a.jpg', '2025-06-18 09:40')])).toEqual([['2025-06-18', '09:10', 'Near stone', '1', '09:40', 'a.jpg']]);
    // 260 m north: the head is 240 m off.
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lat: 47.6 + 260 / 111_200 })])[0]?.[2]).toBe('Far head');
  });
  it('follow the instant where the satellites told it, in the zone of the outfit', () => {
    // In summer the Azores are at UTC, in winter an hour behind it.
    expect(lines([photo('a.jpg', '2025-06-18 11:40', { atMs: Date.UTC(2025, 5, 18, 9, 40) })])[0]?.[4]).toBe('09:40');
    expect(lines([photo('a.jpg', null, { atMs: Date.UTC(2025, 0, 18, 9, 40) })])[0]?.[4]).toBe('08:40');
  });
  it('of one spot within two and a half hours of one another are one stop', () => {
    const taken = ['09:40', '10:05', '12:35', '15:06'].map((t, i) => photo(`${i}.jpg`, `2025-06-18 ${t}`));
    expect(lines([...taken].reverse()).map((c) => [c[1], c[4]])).toEqual([
      ['09:10', '09:40'],
      ['09:10', '10:05'],
      ['09:10', '12:35'],
      ['14:36', '15:06'],
    ]);
    const between = lines([nth(taken, 0), photo('x.jpg', '2025-06-18 09:50', { lat: 47.6045 }), nth(taken, 1)]);
    expect(between.map((c) => [c[1], c[2]])).toEqual([
      ['09:10', 'Near stone'],
      ['09:20', 'Far head'],
      ['09:10', 'Near stone'],
    ]);
  });
  it('just after midnight belong to their own day', () => {
    const night = [photo('a.jpg', '2025-06-18 23:50'), photo('b.jpg', '2025-06-19 00:10')];
    expect(lines(night).map((c) => [c[0], c[1]])).toEqual([
      ['2025-06-18', '23:20'],
      ['2025-06-19', '00:00'],
    ]);
  });
  it('too far from every spot, or without a position, say so in place of a spot and are matched by hand', () => {
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lat: 47.62 })])[0]?.[2]).toBe('1.7 km from Far head');
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lat: 10 })])[0]?.[2]).toBe('far from Near stone');
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lat: null })])[0]?.[2]).toBe('photos without a position');
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lon: null })])[0]?.[2]).toBe('photos without a position');
    expect(lines([photo('a.jpg', '2025-06-18 09:40')], [])[0]?.[2]).toBe('no spot near');
    // East and west count by the cosine of the latitude: 0.0038 degrees are 286 m here, and 423 on the line.
    expect(lines([photo('a.jpg', '2025-06-18 09:40', { lon: -35.1962 })])[0]?.[2]).toBe('Near stone');
  });
  it('without a time are told by name', () => {
    const { table, without } = photoTable([photo('a.jpg', null), photo('b.jpg', '2025-06-18 09:40')], SPOTS, ZONE);
    expect(without).toEqual(['a.jpg']);
    expect(table.records).toHaveLength(1);
  });
  it('become trips by the way of every other file, each fish at its own hour', () => {
    const { table } = photoTable([photo('a.jpg', '2025-06-18 09:40'), photo('b.jpg', '2025-06-18 10:05')], SPOTS, ZONE);
    const guess = guessPastMapping(table, ZONE);
    const { rows, refused } = readPastTrips(table, guess);
    expect(refused).toEqual([]);
    const { trips, without } = tripsOf(rows, { usualHours: 3, rods: 2, dayStartMs: () => 0 });
    expect(without).toBe(0);
    expect(trips).toHaveLength(1);
    const [stop] = trips[0]?.stops ?? [];
    expect([stop?.fromMs, stop?.toMs]).toEqual([Date.UTC(2025, 5, 18, 9, 10), Date.UTC(2025, 5, 18, 12, 10)]);
    expect(stop?.sets[0]?.fish.map((f) => f.atMs)).toEqual([Date.UTC(2025, 5, 18, 9, 40), Date.UTC(2025, 5, 18, 10, 5)]);
    expect(tripsOf(rows, { usualHours: null, rods: 2, dayStartMs: () => 0 }).without).toBe(2);
  });
});
