// What must hold for a trip before it is stored, new or changed.
import type { NewTrip } from '@bluffwind/contract/trips';
import { closedBy, limitWords } from '@bluffwind/core/rules/verdict';
import { saidDate } from '@bluffwind/core/units/measure';
import { DAY, localDate, MINUTE } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull } from 'typeorm';
import { awayOn } from '../crew/papers';
import { RuleEntity, SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { PersonEntity } from '../db/entities/people';
import { PartyEntity, TripMateEntity, TripSpeciesEntity } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { found } from '../http/context';
import { crewRules } from '../rules/crewRules';
import { zoneOf } from './tripsOn';

/** A trip lasts half an hour at least and is not planned years away. */
const SHORTEST_MS = 30 * MINUTE;
const LONGEST_BACK_MS = 400 * DAY;
const FURTHEST_MS = 1100 * DAY;

type Wanted = Omit<NewTrip, 'id' | 'booking'>;

/** Throws Problem that names the field. */
export async function requireTrip(entities: EntityManager, body: Wanted, nowMs: number): Promise<void> {
  const [from, to] = [Date.parse(body.startsAt), Date.parse(body.endsAt)];
  requireTimes(body, from, to, nowMs);
  const boat = found(await entities.findOneBy(BoatEntity, { id: body.boatId, retiredAt: IsNull() }), 'boat');
  const captain = found(await entities.findOneBy(PersonEntity, { id: body.captainId, active: true }), 'captain');
  if (captain.role === 'mate')
    throw new Problem('invalid', `captainId: ${captain.name} is a mate; name a captain`, [{ field: 'captainId', message: 'a mate' }]);
  const water = found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
  for (const [i, s] of body.speciesIds.entries()) {
    const species = found(await entities.findOneBy(SpeciesEntity, { id: s }), 'species');
    if (species.habitat !== water.kind)
      throw new Problem('invalid', `speciesIds: ${species.name} lives in ${species.habitat} water, ${water.name} is ${water.kind}`, [
        { field: `speciesIds.${i}`, message: `not in ${water.kind} water` },
      ]);
  }
  const guests = [...new Set(body.clientIds)];
  if ((await entities.countBy(ClientEntity, { id: In(guests) })) < guests.length) throw new Problem('not_found', 'No such client.');
  if (guests.length > boat.seats) {
    throw new Problem('too_many_guests', `${guests.length} guests, ${boat.name} has ${boat.seats} seats`, [
      { field: 'clientIds', message: `at most ${boat.seats}` },
    ]);
  }
  const mates = [...new Set(body.mateIds ?? [])];
  if ((await entities.countBy(PersonEntity, { id: In(mates), role: 'mate', active: true })) < mates.length)
    throw new Problem('not_found', 'mateIds: somebody named is no mate of this outfit.', [
      { field: 'mateIds', message: 'mates of this outfit only' },
    ]);
  await refuseAway(entities, body, mates, from, to);
  await refuseClosed(entities, body, from, to);
}

/** Whoever is away goes on no trip of those days. */
async function refuseAway(entities: EntityManager, body: Wanted, mates: readonly string[], from: number, to: number): Promise<void> {
  const zone = await zoneOf(entities, found(await entities.findOneBy(BoatEntity, { id: body.boatId }), 'boat').outfitId);
  const [one] = await awayOn(entities, [body.captainId, ...mates], localDate(from, zone), localDate(to, zone));
  if (!one) return;
  const days = one.fromOn === one.toOn ? `on ${saidDate(one.fromOn)}` : `from ${saidDate(one.fromOn)} to ${saidDate(one.toOn)}`;
  const field = one.personId === body.captainId ? 'captainId' : 'mateIds';
  throw new Problem('person_away', `${one.person} is away ${days}.`, [{ field, message: `away ${days}` }]);
}

function requireTimes(body: Wanted, from: number, to: number, nowMs: number): void {
  if (to <= from)
    throw new Problem('ends_before_start', '', [{ field: 'endsAt', message: `expected after ${body.startsAt}, got ${body.endsAt}` }]);
  if (to - from > DAY)
    throw new Problem('invalid', 'endsAt: a trip lasts at most 24 h', [{ field: 'endsAt', message: 'at most 24 h after the start' }]);
  if (to - from < SHORTEST_MS)
    throw new Problem('invalid', 'endsAt: a trip lasts at least 30 min', [{ field: 'endsAt', message: 'at least 30 min after the start' }]);
  if (from < nowMs - LONGEST_BACK_MS || from > nowMs + FURTHEST_MS)
    throw new Problem('invalid', 'startsAt: expected within the last year or the next three', [
      { field: 'startsAt', message: 'within the last year or the next three' },
    ]);
}

/** A species that is closed on the day of a trip is no goal of it. */
async function refuseClosed(
  entities: EntityManager,
  body: Pick<Wanted, 'waterId' | 'speciesIds'>,
  fromMs: number,
  toMs: number,
): Promise<void> {
  const water = found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
  const zone = await zoneOf(entities, water.outfitId);
  const rules = await crewRules(entities);
  for (const speciesId of body.speciesIds) {
    const rule = [fromMs, toMs]
      .map((at) => closedBy(rules, speciesId, water.ruleZone || null, localDate(at, zone)))
      .find((r) => r !== null);
    if (!rule) continue;
    const species = await entities.findOneBy(SpeciesEntity, { id: speciesId });
    const row = await entities.findOneBy(RuleEntity, { id: rule.id });
    throw new Problem('closed_season', `${species?.name} is ${limitWords(rule)} (${row?.source}, checked on ${row?.checkedOn}).`, [
      { field: 'speciesIds', message: `${species?.name} is ${limitWords(rule)}` },
    ]);
  }
}

/** Stores who comes on a trip and what it is for; mates stay as they are where nobody is named. */
export async function keepParty(entities: EntityManager, outfitId: string, tripId: string, body: Wanted): Promise<void> {
  const kept = await entities.findBy(TripSpeciesEntity, { tripId });
  const weight = (speciesId: string) => body.speciesWeights[speciesId] ?? kept.find((k) => k.speciesId === speciesId)?.weight ?? 1;
  await entities.delete(TripSpeciesEntity, { tripId });
  await entities.insert(
    TripSpeciesEntity,
    [...new Set(body.speciesIds)].map((speciesId) => ({ tripId, speciesId, outfitId, weight: weight(speciesId) })),
  );
  await entities.delete(PartyEntity, { tripId });
  const guests = [...new Set(body.clientIds)].map((clientId) => ({ tripId, clientId, outfitId }));
  if (guests.length > 0) await entities.insert(PartyEntity, guests);
  if (body.mateIds) {
    await entities.delete(TripMateEntity, { tripId });
    const mates = [...new Set(body.mateIds)].map((personId) => ({ tripId, personId, outfitId }));
    if (mates.length > 0) await entities.insert(TripMateEntity, mates);
  }
  // The guests' check is deferred to the commit; asking now names the field.
  await entities.query('set constraints all immediate');
}
