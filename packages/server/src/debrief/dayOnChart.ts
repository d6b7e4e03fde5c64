import type { DebriefView } from '@bluffwind/contract/debrief';
import { type EntityManager, In, IsNull } from 'typeorm';
import { TrackPartEntity } from '../db/entities/day';
import { SpeciesEntity } from '../db/entities/fish';
import { SpotEntity, type SpotRow } from '../db/entities/grounds';
import { CatchEntity, SetEntity, StopEntity } from '../db/entities/log';

/** Where a trip fished, in order, where it went meanwhile, and its fish; places that a person may not see are left out with theirs. */
export async function dayOnChart(
  entities: EntityManager,
  tripId: string,
  mayShow: (spot: SpotRow) => boolean,
): Promise<Pick<DebriefView, 'places' | 'fish'>> {
  const stops = await entities.find(StopEntity, { where: { tripId, deletedAt: IsNull() }, order: { startedAt: 'ASC' } });
  const spots = new Map(
    (await entities.findBy(SpotEntity, { id: In(stops.map((s) => s.spotId)) })).filter(mayShow).map((s): [string, SpotRow] => [s.id, s]),
  );
  const shown = stops.flatMap((stop) => {
    const spot = spots.get(stop.spotId);
    return spot ? [{ stop, spot }] : [];
  });
  const stopIds = shown.map((s) => s.stop.id);
  const parts = await entities.find(TrackPartEntity, { where: { stopId: In(stopIds) }, order: { at: 'ASC', entryId: 'ASC' } });
  const sets = await entities.findBy(SetEntity, { stopId: In(stopIds) });
  const fish = await entities.find(CatchEntity, { where: { setId: In(sets.map((s) => s.id)), deletedAt: IsNull() }, order: { at: 'ASC' } });
  const names = new Map((await entities.find(SpeciesEntity)).map((s) => [s.id, s.name]));
  const spotOfSet = new Map(sets.map((s) => [s.id, shown.find((x) => x.stop.id === s.stopId)?.spot.name ?? '']));
  return {
    places: shown.map(({ stop, spot }) => ({
      name: spot.name,
      lat: spot.lat,
      lon: spot.lon,
      from: stop.startedAt.toISOString(),
      to: stop.endedAt?.toISOString() ?? null,
      track: parts
        .filter((p) => p.stopId === stop.id)
        .flatMap((p) => p.points)
        .sort((a, b) => a.atMs - b.atMs),
    })),
    fish: fish.map((k) => ({
      at: k.at.toISOString(),
      spot: spotOfSet.get(k.setId) ?? '',
      species: (k.speciesId && names.get(k.speciesId)) ?? '',
      lengthMm: k.lengthMm,
      outcome: k.outcome,
      kept: k.kept,
    })),
  };
}
