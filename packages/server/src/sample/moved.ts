// The sample as it lies in one outfit: ids of its own, its last day yesterday, and its sun where the outfit's clocks say it is.
import type { SampleFile } from '@bluffwind/contract/sample';
import { addDays, DAY, localDate, MINUTE, startOfLocalDay, zoneOffsetMin } from '@bluffwind/core/units/time';

type World = SampleFile['world'];

/** Degrees of longitude that an hour of the clock is worth. */
const DEG_PER_MIN = 360 / (24 * 60);

export interface Place {
  readonly nowMs: number;
  readonly zone: string;
  /** Whose trips they were. */
  readonly personId: string;
  readonly newId: () => string;
}

export interface Moved {
  readonly world: World;
  /** An instant of the sample, by the outfit's clock. */
  readonly at: (iso: string) => Date;
  /** The sample's id as it is called here. */
  readonly idOf: (id: string) => string;
}

/** Takes the sample to a day, a zone and a person. */
export function moved(sample: SampleFile, { nowMs, zone, personId, newId }: Place): Moved {
  const ids = new Map<string, string>();
  const idOf = (id: string): string => {
    const known = ids.get(id) ?? newId();
    ids.set(id, known);
    return known;
  };
  const its = (iso: string) => Date.parse(iso) + sample.offsetMin * MINUTE;
  const lastDay = Math.floor(its(sample.now) / DAY);
  const yesterday = addDays(localDate(nowMs, zone), -1);
  const at = (iso: string): Date => {
    const local = its(iso);
    const day = Math.floor(local / DAY);
    return new Date(startOfLocalDay(addDays(yesterday, day - lastDay), zone) + (local - day * DAY));
  };
  const iso = (s: string) => at(s).toISOString();
  const eastDeg = (zoneOffsetMin(nowMs, zone) - sample.offsetMin) * DEG_PER_MIN;
  const lon = (deg: number) => Math.round((((((deg + eastDeg + 180) % 360) + 360) % 360) - 180) * 1e7) / 1e7;
  const points = <P extends readonly number[]>(list: readonly P[]) => list.map(([x = 0, y = 0]) => [lon(x), y] as [number, number]);
  const { boats, waters, spots, trips } = sample.world;
  return {
    at,
    idOf,
    world: {
      boats: boats.map((b) => ({ ...b, id: idOf(b.id) })),
      waters: waters.map((w) => ({
        ...w,
        id: idOf(w.id),
        lon: lon(w.lon),
        dockLon: lon(w.dockLon),
        bed: { ...w.bed, lon0: lon(w.bed.lon0) },
        marks: w.marks.map((m) => ({ ...m, points: points(m.points) })),
        features: w.features.map((f) => ({ ...f, id: idOf(f.id), points: points(f.points) })),
        currents: w.currents.map((c) => ({ ...c, lon: lon(c.lon) })),
      })),
      spots: spots.map((s) => ({ ...s, id: idOf(s.id), waterId: idOf(s.waterId), lon: lon(s.lon), points: points(s.points) })),
      trips: trips.map((t) => ({
        ...t,
        id: idOf(t.id),
        boatId: idOf(t.boatId),
        waterId: idOf(t.waterId),
        captainId: personId,
        mateIds: [],
        clientIds: [],
        startsAt: iso(t.startsAt),
        endsAt: iso(t.endsAt),
        stops: t.stops.map((s) => ({
          ...s,
          id: idOf(s.id),
          spotId: idOf(s.spotId),
          startedAt: iso(s.startedAt),
          endedAt: iso(s.endedAt),
          sets: s.sets.map((x) => ({
            ...x,
            id: idOf(x.id),
            startedAt: iso(x.startedAt),
            endedAt: iso(x.endedAt),
            catches: x.catches.map((k) => ({ ...k, id: idOf(k.id), at: iso(k.at), clientId: null })),
          })),
        })),
      })),
    },
  };
}
