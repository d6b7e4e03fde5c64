import { randomUUID } from 'node:crypto';
import { HOUR } from '@bluffwind/core/units/time';
import type { NewTrip } from '@bluffwind/contract/trips';
import type { Harness } from './harness';

/** A trip to be posted: five hours of the outfit's small boat, with its owner, for numbers; other values as given. */
export function tripBody(h: Harness, startMs: number, more: Partial<NewTrip> = {}): NewTrip {
  const [iso, id] = [(ms: number) => new Date(ms).toISOString(), (x: { id: string } | undefined) => x?.id as string];
  return {
    id: randomUUID(),
    boatId: id(h.mine.boats[1]),
    captainId: id(h.mine.people[0]),
    waterId: id(h.mine.waters[0]),
    startsAt: iso(startMs),
    endsAt: iso(startMs + 5 * HOUR),
    goal: 'numbers',
    speciesIds: [id(h.mine.species[0])],
    speciesWeights: {},
    rods: 1,
    skill: 3,
    wish: '',
    clientIds: [],
    meeting: '',
    priceNote: '',
    booking: null,
    ...more,
  };
}
