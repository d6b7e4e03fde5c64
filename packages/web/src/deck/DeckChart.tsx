// The chart on deck, from what the phone has kept: own position, the stops that are left, and the next of them.
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { failedOf } from '../data/failedOf';
import { chartQuery, outfitQuery } from '../data/queries';
import { clock } from '../ui/format';
import { BIG } from './deckParts';
import { SignSheet } from './SignSheet';
import { Fault, Waiting } from '../ui/parts';
import type { DeckTrip } from './useDeckTrip';
import type { Positioning } from './useOwnPosition';

interface DeckChartProps {
  readonly trip: DeckTrip;
  readonly position: Positioning;
  /** Where the boat goes next. */
  readonly next: DeckTrip['pack']['spots'][number] | undefined;
  readonly c: SpotConditions | null;
  readonly now: number;
  readonly onClose: () => void;
}

export default function DeckChart({ trip, position, next, c, now, onClose }: DeckChartProps) {
  const { pack, visited } = trip;
  const chart = useQuery(chartQuery(pack.trip.water.id));
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  const { data: outfit } = useQuery(outfitQuery);
  const water = outfit?.waters.find((w) => w.id === pack.trip.water.id);
  const dock = water && { lat: water.dockLat, lon: water.dockLon };
  const spots = pack.spots.map((s) => {
    const order = pack.legs.findIndex((l) => l.spotId === s.id);
    return { id: s.id, name: s.name, lat: s.lat, lon: s.lon, faint: visited.has(s.id), ...(order >= 0 ? { order: order + 1 } : {}) };
  });
  const { own } = position;
  const [placing, setPlacing] = useState(false);
  const [at, setAt] = useState<{ lat: number; lon: number } | null>(null);
  const placedAt = ([point]: [number, number][]) => {
    setPlacing(false);
    if (point) setAt({ lon: point[0], lat: point[1] });
  };
  const placed = useMemo(() => trip.state.signs.map((s) => ({ key: s.id, lat: s.lat, lon: s.lon })), [trip.state.signs]);
  const route = own && next ? [[own.lon, own.lat] as const, [next.lon, next.lat] as const] : undefined;
  return (
    <Dialog.Root open onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Content className="fixed inset-0 z-50 flex flex-col bg-chalk text-[18px]">
          <div className="flex items-center justify-between gap-3 border-b border-line px-4">
            <Dialog.Title className="font-bold">{next ? `To ${next.name}` : pack.trip.water.name}</Dialog.Title>
            <Dialog.Close className="min-h-[56px] cursor-pointer px-2 underline underline-offset-4">Close</Dialog.Close>
          </div>
          <Dialog.Description className={position.why === '' ? 'sr-only' : 'bg-rust-pale px-4 py-1 text-[0.93rem]'}>
            {position.why === '' ? 'The chart as it was kept on this phone, with your own position' : position.why}
          </Dialog.Description>
          <div className="min-h-0 flex-1">
            {failedOf(chart) && !bed ? <Fault error={chart.error} retry={() => chart.refetch()} /> : null}
            {!bed && !failedOf(chart) && <Waiting what="Opening the chart" />}
            {bed && chart.data && dock && (
              <Chart
                ground={{ bed, marks: chart.data.marks, features: chart.data.features, dock }}
                hour={{
                  tideM: c?.tideHeightM ?? null,
                  wind: c?.windMps != null && c.windFromDeg !== null ? { mps: c.windMps, fromDeg: c.windFromDeg } : null,
                  time: clock(now, pack.zone),
                }}
                spots={spots}
                chosen={{ spot: next?.id ?? null }}
                {...(route ? { route } : {})}
                own={own}
                found={placed}
                draw={placing ? { shape: 'point', onDone: placedAt } : null}
              />
            )}
          </div>
          <div className="grid grid-cols-2 gap-2 px-4 py-2">
            <button
              type="button"
              disabled={!own}
              className={`${BIG} border-ink font-normal disabled:opacity-40`}
              onClick={() => own && setAt({ lat: own.lat, lon: own.lon })}
            >
              A sign where I am
            </button>
            <button
              type="button"
              aria-pressed={placing}
              className={`${BIG} font-normal ${placing ? 'border-kelp bg-kelp-pale' : 'border-ink'}`}
              onClick={() => setPlacing((p) => !p)}
            >
              {placing ? 'Tap where it was' : 'A sign on the chart'}
            </button>
          </div>
          {at && <SignSheet trip={trip} place={at} onClose={() => setAt(null)} />}
          <p className="border-t border-line px-4 py-1.5 text-[0.83rem] text-ink-2">
            The crew’s own chart, no chart for navigation: the official one and what you see come first. The line is straight and may cross
            land.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
