// Heavy work on the sea bed: grids and contours from soundings, the finder, runs between places by the state of the tide.
import { type ContourLines, contourDepths, contourLines } from '@bluffwind/core/ground/contourLines';
import { type FoundFeature, findFeatures } from '@bluffwind/core/ground/finder';
import { gridSoundings, type Soundings } from '@bluffwind/core/ground/gridSoundings';
import { quickestWay, type RunAreas, type RunningBoat, runField, runMatrix } from '@bluffwind/core/ground/navigate';
import { depthAt, type SeaBed, toLocal, toPosition } from '@bluffwind/core/ground/seaBed';
import { expose } from 'comlink';

/** Height of tide is taken in steps of this, m: runs are worked out once a step. */
const TIDE_STEP_M = 0.25;
const KEPT = 24;
/** Against the most marked of its kind; what is fainter would only crowd the chart. */
const FAINT = 0.35;

interface RunQuery {
  readonly key: string;
  readonly bed: SeaBed;
  readonly boat: RunningBoat;
  readonly areas: RunAreas;
  readonly tideM: number;
  readonly waveM: number;
  readonly places: readonly { readonly lat: number; readonly lon: number }[];
}

const matrices = new Map<string, number[][]>();

const stepped = (tideM: number) => Math.floor(tideM / TIDE_STEP_M) * TIDE_STEP_M;

const work = {
  /** Grid and contours of soundings; progress is told as a share. */
  survey(soundings: Soundings, progress: (share: number) => void): { bed: SeaBed; contours: ContourLines[] } {
    const bed = gridSoundings(soundings, {
      progress: (share) => {
        progress(share * 0.8);
        return true;
      },
    });
    const contours = contoursOf(bed);
    progress(1);
    return { bed, contours };
  },
  contours: contoursOf,
  /** What the chart's bed shows, and what surveys show more finely: there their figures count. */
  find(bed: SeaBed, surveys: readonly SeaBed[]): FoundFeature[] {
    const fine = surveys.flatMap((s) => findFeatures(s));
    const coarse = findFeatures(bed).filter((f) => !surveys.some((s) => covers(s, f)));
    return [...fine, ...coarse].filter((f) => f.strength >= FAINT).sort((a, b) => b.strength - a.strength);
  },
  /** Seconds between all places; the tide is rounded down to its step. */
  runs(q: RunQuery): number[][] {
    const key = `${q.key} ${stepped(q.tideM)} ${q.waveM.toFixed(1)}`;
    const known = matrices.get(key);
    if (known) return known;
    const field = runField(q.bed, q.boat, stepped(q.tideM), q.areas, () => q.waveM);
    const matrix = runMatrix(
      field,
      q.places.map((p) => toLocal(q.bed, p.lat, p.lon)),
    );
    if (matrices.size >= KEPT) matrices.delete(matrices.keys().next().value as string);
    matrices.set(key, matrix);
    return matrix;
  },
  /** The quickest way from one place to another, as [lon, lat]. */
  way(q: RunQuery): { points: [number, number][]; lengthM: number; seconds: number } | null {
    const field = runField(q.bed, q.boat, stepped(q.tideM), q.areas, () => q.waveM);
    const [a, b] = q.places.map((p) => toLocal(q.bed, p.lat, p.lon));
    const way = a && b ? quickestWay(field, a, b) : null;
    return (
      way && {
        ...way,
        points: way.points.map((p) => {
          const at = toPosition(q.bed, p.xM, p.yM);
          return [at.lon, at.lat];
        }),
      }
    );
  },
};

function covers(survey: SeaBed, place: { lat: number; lon: number }): boolean {
  const p = toLocal(survey, place.lat, place.lon);
  return depthAt(survey, p.xM, p.yM) !== null;
}

function contoursOf(bed: SeaBed): ContourLines[] {
  let [min, max] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let k = 0; k < bed.depthM.length; k++) {
    const d = bed.depthM[k] as number;
    if (Number.isNaN(d)) continue;
    min = Math.min(min, d);
    max = Math.max(max, d);
  }
  return min > max ? [] : contourLines(bed, contourDepths(min, max));
}

export type GroundWork = typeof work;
expose(work);
