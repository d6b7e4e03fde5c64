import type { importPlaces } from '@bluffwind/contract/imports';
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import { nearestDepth, type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';
import { type EntityManager, IsNull, type QueryDeepPartialEntity } from 'typeorm';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { FeatureEntity, type FeatureRow, SpotEntity, type SpotRow } from '../db/entities/grounds';
import { Problem } from '../errors';
import { found } from '../http/context';
import type { Who } from '../http/who';

/** Default fade of a stay at a spot of which nothing is known, 1/h. */
const FADE_PER_HOUR = 0.35;

/** Rows of one statement. */
const AT_ONCE = 200;

/** Longest note of a spot, characters. */
const LONGEST_NOTE = 4000;

/** What a line on a spot ends with, so that undoing an import finds the lines that came with it. */
export function noteMark(fileName: string, madeAt: Date): string {
  return `(${fileName}, ${madeAt.toISOString()})`;
}

/** Stores a file's places: new spots, tracks on the chart, or notes on spots that are the same. */
export async function storePlaces(
  entities: EntityManager,
  who: Who,
  waterId: string,
  body: z.infer<typeof importPlaces>,
  bed: SeaBed,
  nowMs: number,
): Promise<number> {
  const taken = new Set((await entities.findBy(SpotEntity, { waterId, retiredAt: IsNull() })).map((s) => s.name));
  const spots: QueryDeepPartialEntity<SpotRow>[] = [];
  const tracks: QueryDeepPartialEntity<FeatureRow>[] = [];
  let n = 0;
  for (const [i, place] of body.places.entries()) {
    const name = place.name || `Mark ${i + 1}`;
    if (place.as === 'merge') {
      if (place.into === null)
        throw new Problem('invalid', `${name} is to be merged, but into no spot`, [
          { field: `places.${i}.into`, message: 'choose the spot that it is, or take it as a new one' },
        ]);
      const into = found(await entities.findOneBy(SpotEntity, { id: place.into, waterId, retiredAt: IsNull() }), 'spot to merge into');
      const said = place.note ? `: ${place.note.replace(/\s+/g, ' ')}` : '';
      const note = [into.note, `Also "${name}"${said} ${noteMark(body.fileName, new Date(nowMs))}`].filter(Boolean).join('\n');
      if (note.length > LONGEST_NOTE)
        throw new Problem('invalid', `the notes of ${into.name} would be longer than ${LONGEST_NOTE} characters with ${name}`, [
          { field: `places.${i}.note`, message: 'shorten it in the file, or leave this place out' },
        ]);
      await entities.update(SpotEntity, { id: into.id }, { note });
    } else if (place.as === 'track') {
      tracks.push({
        id: v7(),
        outfitId: who.outfitId,
        waterId,
        kind: 'track',
        name,
        points: place.points as never,
        detail: {},
        madeAt: new Date(nowMs),
        madeBy: who.personId,
        importId: body.id,
      });
    } else {
      if (place.points.length > 500)
        throw new Problem('invalid', `${name} has ${place.points.length} points; a spot takes up to 500`, [
          { field: `places.${i}`, message: 'import it as a track' },
        ]);
      const m = measureSpot(bed, place.shape, place.points);
      const f = place.facts;
      // On land or off the chart it is left out; where nobody has sounded it is told.
      const onLand = (nearestDepth(bed, ...at(bed, m)) ?? -1) < 0;
      const depthMinM = f?.depthMinM ?? m.depthMinM ?? (onLand ? null : (body.unsounded?.depthMinM ?? null));
      const depthMaxM = f?.depthMaxM ?? m.depthMaxM ?? (onLand ? null : (body.unsounded?.depthMaxM ?? null));
      if (depthMinM === null || depthMaxM === null)
        throw new Problem(
          'invalid',
          onLand ? `${name} has no water under it by the chart` : `nobody has sounded at ${name}, and the file does not say how deep it is`,
          [
            {
              field: onLand ? `places.${i}` : 'unsounded',
              message: onLand ? 'leave it out, or import it as a track' : 'say how deep such places are, or import soundings first',
            },
          ],
        );

      const unique = freeName(name, taken);
      taken.add(unique);
      spots.push({
        id: v7(),
        outfitId: who.outfitId,
        waterId,
        name: unique,
        structure: f?.structure ?? 'mark',
        bottom: f?.bottom ?? 'unknown',
        depthMinM,
        depthMaxM: Math.max(depthMinM, depthMaxM),
        lat: m.lat,
        lon: m.lon,
        shape: place.shape,
        points: place.points as never,
        shoreNormalDeg: m.shoreNormalDeg,
        fetchM: m.fetchM,
        accessDepthM: f?.accessDepthM ?? null,
        fadePerHour: FADE_PER_HOUR,
        // A secret of the file is never told to more than it was.
        privacy: f?.privacy === 'captain' ? 'captain' : body.privacy,
        note: f ? f.note : place.note.slice(0, 2000),
        ...(f ? { footing: f.footing, restDays: f.restDays, pressure: f.pressure, legality: f.legality, hazards: f.hazards as never } : {}),
        importId: body.id,
      });
    }
    n++;
  }
  for (let k = 0; k < spots.length; k += AT_ONCE) await entities.insert(SpotEntity, spots.slice(k, k + AT_ONCE));
  for (let k = 0; k < tracks.length; k += AT_ONCE) await entities.insert(FeatureEntity, tracks.slice(k, k + AT_ONCE));
  return n;
}

function at(bed: SeaBed, { lat, lon }: { lat: number; lon: number }): [number, number] {
  const { xM, yM } = toLocal(bed, lat, lon);
  return [xM, yM];
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  if (!taken.has(name)) return name;
  let n = 2;
  while (taken.has(`${name} (${n})`)) n++;
  return `${name} (${n})`;
}
