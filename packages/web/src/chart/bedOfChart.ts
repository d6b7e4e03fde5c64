import type { Chart } from '@bluffwind/contract/grounds';
import { bedOf, overlaySurveys } from '@bluffwind/core/ground/overlay';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';

/** The bed that a chart's data makes: the charted grid with the surveys laid over it. */
export function bedOfChart(chart: Pick<Chart, 'bed' | 'surveys'>): SeaBed {
  return overlaySurveys(
    bedOf(chart.bed),
    chart.surveys.flatMap((s) => (s.grid ? [bedOf(s.grid)] : [])),
  );
}
