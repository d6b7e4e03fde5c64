// A survey laid over the chart's grid: where it has soundings it replaces the charted depth, elsewhere the chart stays.
import { depthAt, type SeaBed, toLocal, toPosition } from './seaBed';

/** Grid as it is stored and sent: null where nothing was surveyed. */
export interface GridRecord extends Omit<SeaBed, 'depthM'> {
  readonly depthM: readonly (number | null)[];
}

/** A stored grid with NaN for what is not known. */
export function bedOf(record: GridRecord): SeaBed {
  return { ...record, depthM: Float64Array.from(record.depthM, (d) => d ?? Number.NaN) };
}

/** The chart with surveys laid over it, in order; the chart's own grid is kept. */
export function overlaySurveys(chart: SeaBed, surveys: readonly SeaBed[]): SeaBed {
  if (surveys.length === 0) return chart;
  const depthM = Float64Array.from(chart.depthM);
  for (const survey of surveys) {
    const corner = toLocal(chart, survey.lat0, survey.lon0);
    const i0 = Math.max(0, Math.floor(corner.xM / chart.cellM));
    const j0 = Math.max(0, Math.floor(corner.yM / chart.cellM));
    const i1 = Math.min(chart.columns - 1, Math.ceil((corner.xM + survey.columns * survey.cellM) / chart.cellM));
    const j1 = Math.min(chart.rows - 1, Math.ceil((corner.yM + survey.rows * survey.cellM) / chart.cellM));
    for (let j = j0; j <= j1; j++) {
      for (let i = i0; i <= i1; i++) {
        const p = toPosition(chart, i * chart.cellM, j * chart.cellM);
        const there = toLocal(survey, p.lat, p.lon);
        const d = depthAt(survey, there.xM, there.yM);
        if (d !== null) depthM[j * chart.columns + i] = d;
      }
    }
  }
  return { ...chart, depthM };
}
