// The outfit's own chart: land, depth bands, contours, soundings, marks and spots, following the ribbon's cursor.
import type { Point } from 'ol/geom';
import { useEffect, useRef } from 'react';
import { ChartButtons } from './ChartButtons';
import { ChartLegend } from './ChartLegend';
import { type ChartSpot, fillFound, fillOwn, fillRoute, fillSpots, type OwnPlace } from './chartSources';
import { TypedPoint } from './TypedPoint';
import { fitWhole, nearMiddle, type Taps, useChartMap } from './useChartMap';
import { type Drawn, type Edited, type Points, useDrawing } from './useDrawing';
import { type ChartGround, type ChartHour, useGround } from './useGround';
import 'ol/ol.css';

interface ChartProps {
  readonly ground: ChartGround;
  readonly hour: ChartHour;
  readonly spots: readonly ChartSpot[];
  readonly found?: readonly { readonly key: string; readonly lat: number; readonly lon: number }[];
  /** What of it is chosen. */
  readonly chosen?: { readonly spot?: string | null; readonly pile?: number | null; readonly found?: string | null };
  readonly route?: Points;
  /** Where the phone is. */
  readonly own?: OwnPlace | null;
  /** Where bearings and distances are read from. */
  readonly reference?: { readonly name: string; readonly lat: number; readonly lon: number };
  /** A shape that is being drawn, or one whose corners are being moved. */
  readonly draw?: Drawn | null;
  readonly edit?: Edited | null;
  readonly taps?: Taps;
}

/** How far from the middle Enter looks for a spot. */
const MIDDLE_PX = 60;
/** A scale at which a pile can be told from its neighbour. */
const PILE_ZOOM = 17.5;

const NONE: readonly never[] = [];
const NOTHING: NonNullable<ChartProps['chosen']> = {};
const NO_TAPS: Taps = {};

export function Chart({ ground, hour, spots, route, reference, found = NONE, own = null, draw = null, edit = null, ...more }: ChartProps) {
  const { chosen = NOTHING, taps = NO_TAPS } = more;
  const [pile, spot, key] = [chosen.pile ?? null, chosen.spot ?? null, chosen.found ?? null];
  const box = useRef<HTMLDivElement>(null);
  const { map, sources, pointer } = useChartMap(box, draw || edit ? null : taps);
  useGround(map, sources, ground, hour, pile);
  useEffect(() => fillRoute(sources.route, route), [route, sources]);
  useEffect(() => fillSpots(sources.spots, spots, spot), [spots, spot, sources]);
  useEffect(() => fillOwn(sources.own, own), [own, sources]);
  useEffect(() => fillFound(sources.found, found, key), [found, key, sources]);
  const byHand = useDrawing(map, sources.sketch, draw, edit);

  // The chosen one is brought into view.
  useEffect(() => {
    if (!map || pile === null) return;
    const f = sources.marks.getFeatures().find((x) => x.get('pile') === pile);
    const at = (f?.getGeometry() as Point | undefined)?.getCoordinates();
    if (at) map.getView().animate({ center: at, zoom: Math.max(PILE_ZOOM, map.getView().getZoom() ?? 0), duration: 0 });
  }, [map, pile, sources]);

  return (
    <div className="relative h-full w-full overflow-hidden bg-[#e4dac0]" data-chart-box>
      <div
        ref={box}
        className="peer h-full w-full focus-visible:outline-offset-[-3px]"
        data-chart
        role="application"
        tabIndex={0}
        aria-label="Chart. Arrows move it, plus and minus zoom, Enter takes the spot in the middle; the spots are also in the list beside it"
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || !map) return;
          e.preventDefault();
          const [lon, lat] = map.getView().getCenter() as [number, number];
          if (draw) byHand.add(lon, lat);
          else {
            const near = nearMiddle(map, spots, MIDDLE_PX);
            if (near) taps.onSelect?.(near.id);
          }
        }}
      />
      <svg
        className="pointer-events-none absolute top-1/2 left-1/2 hidden -translate-x-1/2 -translate-y-1/2 peer-focus-visible:block"
        width={34}
        height={34}
        aria-hidden="true"
      >
        <path d="M17 2V32M2 17H32" stroke="#10292e" strokeWidth={1.5} />
        <circle cx={17} cy={17} r={8} fill="none" stroke="#10292e" strokeWidth={1.5} />
      </svg>
      <ChartButtons
        onZoom={(by) => map?.getView().animate({ zoom: (map.getView().getZoom() ?? 13) + by, duration: 0 })}
        onWhole={() => map && fitWhole(map, ground.bed)}
      />
      {draw && <TypedPoint shape={draw.shape} by={byHand} />}
      <ChartLegend hour={hour} pointer={pointer && { lat: pointer[1], lon: pointer[0] }} from={reference} />
    </div>
  );
}
