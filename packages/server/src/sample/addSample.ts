// The sample water put into an outfit, as if its season had been fished there.
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { type SampleFile, sampleFile } from '@bluffwind/contract/sample';
import { HOUR, addDays, localDate, MINUTE, startOfLocalDay } from '@bluffwind/core/units/time';
import { isVariable } from '@bluffwind/core/weather/variables';
import { type EntityManager, In, IsNull, Not } from 'typeorm';
import { bulkInsert } from '../db/bulk';
import { PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { SampleEntity } from '../db/entities/outfit';
import { TripEntity, TripSpeciesEntity } from '../db/entities/trip';
import { ForecastEntity, ForecastMemberEntity, StationEntity } from '../db/entities/water';
import type { Who } from '../http/who';
import { loadBoatsAndWaters, loadSpots, loadTrips } from '../scenario/loadScenario';
import { zoneOf } from '../trips/tripsOn';
import { FILES } from '../water/filedForecasts';
import { moved } from './moved';

/** Hours of the trip that waits to be planned, after midnight. */
const [FROM_H, TO_H] = [6.5, 12.5];

export async function readSample(path: string): Promise<SampleFile> {
  return sampleFile.parse(JSON.parse(await readFile(path, 'utf8')));
}

/** Stores the sample with a trip for his next free day that has no plan yet, in the transaction of who asks. */
export async function addSample(entities: EntityManager, sample: SampleFile, who: Who, nowMs: number): Promise<void> {
  const { outfitId, personId } = who;
  const zone = await zoneOf(entities, outfitId);
  const { world, at, idOf } = moved(sample, { nowMs, zone, personId, newId: randomUUID });
  const [water] = world.waters;
  const [boat] = world.boats;
  if (!water || !boat) throw new Error('the sample has no water or no boat');
  const baits = await entities.find(PresentationEntity, {
    where: { habitat: In(['both', water.kind]) },
    order: { active: 'DESC', name: 'ASC' },
  });
  const species = await entities.find(SpeciesEntity, { where: { habitat: water.kind, retiredAt: IsNull() } });
  const speciesId = (id: string) => species.find((s) => s.name === sample.speciesOf[id])?.id;
  const baitId = (id: string) => (baits.find((b) => b.familyId === sample.familyOf[id]) ?? baits[0])?.id;
  await loadBoatsAndWaters(entities, outfitId, world, nowMs);
  await loadSpots(entities, outfitId, world);
  const busy = await entities.find(TripEntity, { where: { captainId: personId, status: Not('cancelled') } });
  // One captain is on one trip at a time: days that he was out himself are not in the sample.
  const free = (from: Date, to: Date) => !busy.some((t) => t.startsAt < to && t.endsAt > from);
  const trips = world.trips
    .filter((t) => free(new Date(t.startsAt), new Date(t.endsAt)))
    .map((t) => ({
      ...t,
      speciesIds: t.speciesIds.flatMap((s) => speciesId(s) ?? []),
      stops: t.stops.map((s) => ({
        ...s,
        // A bait or a fish that the crew's own lists have no more is not fished and not caught here.
        sets: s.sets.flatMap((x) => {
          const presentationId = baitId(x.presentationId);
          const catches = x.catches.flatMap((k) => {
            const own = speciesId(k.speciesId);
            return own ? [{ ...k, speciesId: own }] : [];
          });
          return presentationId ? [{ ...x, presentationId, catches }] : [];
        }),
      })),
    }));
  await loadTrips(entities, outfitId, trips, new Map(species.map((s) => [s.id, s.lengthKind])));
  await loadWeather(entities, sample, { outfitId, waterId: water.id, lat: water.lat, lon: water.lon, at, nowMs });
  const next = [1, 2, 3, 4, 5, 6, 7]
    .map((days) => startOfLocalDay(addDays(localDate(nowMs, zone), days), zone))
    .map((midnight) => ({ startsAt: new Date(midnight + FROM_H * HOUR), endsAt: new Date(midnight + TO_H * HOUR) }))
    .find((t) => free(t.startsAt, t.endsAt));
  const tripId = idOf('tomorrow');
  if (next)
    await entities.insert(TripEntity, {
      id: tripId,
      outfitId,
      boatId: boat.id,
      captainId: personId,
      waterId: water.id,
      ...next,
      goal: 'numbers',
      rods: 2,
      skill: 2,
      wish: '',
      status: 'planned',
    });
  const wanted = [...new Set(trips.flatMap((t) => t.speciesIds))];
  if (next && wanted.length > 0)
    await entities.insert(
      TripSpeciesEntity,
      wanted.map((s) => ({ tripId, speciesId: s, outfitId })),
    );
  await entities.insert(SampleEntity, { outfitId, waterId: water.id, boatId: boat.id, madeAt: new Date(nowMs), madeBy: personId });
}

interface Where {
  readonly outfitId: string;
  readonly waterId: string;
  readonly lat: number;
  readonly lon: number;
  readonly at: (iso: string) => Date;
  readonly nowMs: number;
}

/** What was measured there, and a forecast made lately, under a source that nobody asks. */
async function loadWeather(
  entities: EntityManager,
  { readings, forecast }: SampleFile,
  { outfitId, waterId, lat, lon, at, nowMs }: Where,
): Promise<void> {
  const stationId = randomUUID();
  await entities.insert(StationEntity, { id: stationId, outfitId, waterId, name: 'Sample weather', path: FILES, lat, lon });
  const rows = Object.entries(readings)
    .filter(([variable]) => isVariable(variable))
    .flatMap(([variable, s]) => s.at.map((t, i) => ({ variable, at: at(t), value: s.value[i] ?? 0 })))
    .filter((r) => r.at.getTime() <= nowMs);
  await bulkInsert(entities, 'reading', {
    outfit_id: ['uuid', rows.map(() => outfitId)],
    water_id: ['uuid', rows.map(() => waterId)],
    station_id: ['uuid', rows.map(() => stationId)],
    source: ['text', rows.map(() => 'station')],
    variable: ['text', rows.map((r) => r.variable)],
    at: ['timestamptz', rows.map((r) => r.at)],
    value: ['double precision', rows.map((r) => r.value)],
    flag: ['smallint', rows.map(() => 1)],
  });
  const forecastId = randomUUID();
  const runAt = new Date(Math.min(at(forecast.run).getTime(), nowMs - MINUTE));
  await entities.insert(ForecastEntity, { id: forecastId, outfitId, stationId, runAt, fetchedAt: runAt });
  const times = forecast.times.map(at);
  await entities.insert(
    ForecastMemberEntity,
    forecast.members.flatMap(({ member, variables }) =>
      Object.entries(variables)
        .filter(([variable]) => isVariable(variable))
        .map(([variable, value]) => ({ forecastId, outfitId, member, variable, at: times, value })),
    ),
  );
}
