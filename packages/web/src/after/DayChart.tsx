// A trip's day on the chart: where it fished, in order, and the ways that the boat went meanwhile.
import type { DebriefView } from '@bluffwind/contract/debrief';
import type { FeatureView } from '@bluffwind/contract/grounds';
import { wayGone } from '@bluffwind/core/ground/wayGone';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { failedOf } from '../data/failedOf';
import { chartQuery, outfitQuery } from '../data/queries';
import { amount } from '../data/units';
import { clock } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';

const NO_FEATURES: readonly FeatureView[] = [];

export default function DayChart({ view, zone }: { view: DebriefView; zone: string }) {
  const chart = useQuery(chartQuery(view.waterId));
  const { data: outfit } = useQuery(outfitQuery);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  const water = outfit?.waters.find((w) => w.id === view.waterId);
  const dock = useMemo(() => water && { lat: water.dockLat, lon: water.dockLon }, [water]);
  const spots = useMemo(
    () => view.places.map((p, i) => ({ id: `${i}`, name: p.name, lat: p.lat, lon: p.lon, faint: false, order: i + 1 })),
    [view.places],
  );
  const tracks = useMemo(
    (): FeatureView[] =>
      view.places.flatMap((p, i) =>
        p.track.length < 2
          ? []
          : [
              {
                id: `${i}`,
                kind: 'track' as const,
                name: `${i + 1}`,
                points: p.track.map((t): [number, number] => [t.lon, t.lat]),
                detail: {},
                madeAt: p.from,
              } as FeatureView,
            ],
      ),
    [view.places],
  );
  const features = useMemo(() => [...(chart.data?.features ?? NO_FEATURES), ...tracks], [chart.data, tracks]);
  if (failedOf(chart)) return <Fault error={chart.error} retry={() => void chart.refetch()} />;
  if (!bed || !chart.data || !dock) return <Waiting what="Opening the chart" />;
  return (
    <>
      <div className="mt-2 h-72 border border-line">
        <Chart
          ground={{ bed, marks: chart.data.marks, features, dock }}
          hour={{ tideM: null, wind: null, time: view.places[0] ? clock(view.places[0].from, zone) : '' }}
          spots={spots}
        />
      </div>
      <ul className="mt-1 text-[0.9rem] text-ink-2">
        {view.places.map((p, i) => {
          const way = wayGone(p.track);
          return way.lengthM > 0 ? (
            <li key={p.from} data-way-gone={p.name}>
              {i + 1} {p.name}: went {amount(way.lengthM, 'near', 0)} in {way.minutes.toFixed(0)} min
              {way.madeGoodMps === null ? '' : `, ${amount(way.madeGoodMps, 'current', 2)} made good`}
            </li>
          ) : null;
        })}
      </ul>
    </>
  );
}
