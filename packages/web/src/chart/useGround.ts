// What of a chart does not move with the cursor, and what the tide, the wind and the sun of an hour make of it.
import type { FeatureView, Mark, SoundingsView } from '@bluffwind/contract/grounds';
import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { Feature, type Map as OlMap } from 'ol';
import { Fill, Style } from 'ol/style';
import { useEffect, useRef } from 'react';
import { fillFeatures, fillGround, fillMarks, fillShade, fillShore, type Sun } from './chartSources';
import { shelteredArea } from './layers';
import { type ChartPicture, pictureLayer } from './pictureLayer';
import { soundingsLayer } from './soundingsLayer';
import { hatch } from './styles';
import { type ChartSources, fitWhole } from './useChartMap';

/** A water as it is drawn, whatever the hour. */
export interface ChartGround {
  readonly bed: SeaBed;
  readonly marks: readonly Mark[];
  readonly features?: readonly FeatureView[];
  readonly surveys?: readonly (readonly ContourLines[])[];
  readonly soundings?: SoundingsView | null;
  /** A picture from the air that lies under it; the chart is drawn thinly then. */
  readonly picture?: ChartPicture | null;
  readonly dock: { readonly lat: number; readonly lon: number };
}

/** What an hour makes of it; null is not known. */
export interface ChartHour {
  readonly tideM: number | null;
  readonly wind: { readonly mps: number; readonly fromDeg: number } | null;
  readonly sun?: Sun | null;
  /** How deep the fish lie for which shade is sought, m. */
  readonly fishDepthM?: number;
  /** As it is said: "11:30". */
  readonly time: string;
}

/** Winds below it shelter nothing, m/s. */
const CALM_MPS = 2;
/** Land and depth bands over a picture. */
const UNDER_PICTURE = 0.35;

const NO_FEATURES: readonly FeatureView[] = [];
const NO_SURVEYS: readonly (readonly ContourLines[])[] = [];

/** Whether a wind blows hard enough to shelter from. */
export const blowsIn = (hour: ChartHour) => hour.wind !== null && hour.wind.mps >= CALM_MPS;

/** Draws them into the sources of a map. @param pile - Number of the piling that is chosen. */
export function useGround(map: OlMap | null, sources: ChartSources, ground: ChartGround, hour: ChartHour, pile: number | null): void {
  const { bed, marks, dock, features = NO_FEATURES, surveys = NO_SURVEYS, soundings = null, picture = null } = ground;
  const { tideM, wind, sun = null, fishDepthM = 2 } = hour;
  useEffect(() => fillGround(sources.ground, bed, surveys), [bed, surveys, sources]);
  // The same water keeps its view when a survey changes its bed.
  const frame = `${bed.lat0} ${bed.lon0} ${bed.columns} ${bed.rows}`;
  const framed = useRef('');
  useEffect(() => {
    if (!map || framed.current === frame) return;
    framed.current = frame;
    fitWhole(map, bed);
  }, [map, bed, frame]);

  // Five centimetres for the water's edge, half a metre for the lee: finer steps cannot be seen.
  const edgeM = Math.round((tideM ?? 0) * 20) / 20;
  const leeTideM = Math.round((tideM ?? 0) * 2) / 2;
  useEffect(() => fillShore(sources.shore, bed, edgeM), [bed, edgeM, sources]);

  const windSector = wind ? Math.round(wind.fromDeg / 5) * 5 : null;
  const blows = blowsIn(hour);
  useEffect(() => {
    sources.lee.clear();
    if (windSector === null || !blows) return;
    const lee = new Feature(shelteredArea(bed, windSector, leeTideM));
    lee.setStyle(new Style({ fill: new Fill({ color: hatch('rgba(47,107,60,0.55)') }) }));
    sources.lee.addFeature(lee);
  }, [bed, windSector, blows, leeTideM, sources]);

  useEffect(() => fillFeatures(sources.features, features), [features, sources]);
  useEffect(() => fillMarks(sources.marks, marks, { lat: dock.lat, lon: dock.lon }, pile), [marks, dock.lat, dock.lon, pile, sources]);
  useEffect(() => fillShade(sources.shade, marks, sun, tideM ?? 0, fishDepthM), [marks, sun, tideM, fishDepthM, sources]);

  useEffect(() => {
    if (!map || !soundings || soundings.lat.length === 0) return;
    const layer = soundingsLayer(soundings, 4);
    map.addLayer(layer);
    return () => {
      map.removeLayer(layer);
    };
  }, [map, soundings]);

  useEffect(() => {
    if (!map || !picture) return;
    const layer = pictureLayer(picture, 0);
    const bands = map
      .getLayers()
      .getArray()
      .filter((l) => [1, 2].includes(l.getZIndex() ?? 0));
    for (const l of bands) l.setOpacity(UNDER_PICTURE);
    map.addLayer(layer);
    return () => {
      map.removeLayer(layer);
      for (const l of bands) l.setOpacity(1);
    };
  }, [map, picture]);
}
