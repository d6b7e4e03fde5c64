// Soundings as figures. At each scale the shoalest are drawn first and those that would touch them are left out, so that
// fifty thousand stay legible; the picture is made for half a screen more than is seen and only moved while the chart is
// panned.
import ImageLayer from 'ol/layer/Image';
import { fromLonLat } from 'ol/proj';
import ImageCanvasSource from 'ol/source/ImageCanvas';
import { FONT } from './styles';
import { figure } from '@bluffwind/core/units/measure';
import { myUnits } from '../data/units';

/** Soundings as columns. */
export interface SoundingColumns {
  readonly lat: readonly number[];
  readonly lon: readonly number[];
  readonly depthM: readonly number[];
}

const CELL_PX = 16;
/** Room that one figure takes, px. */
const FIGURE_PX = { width: 30, height: 15 };
const RATIO = 1.5;

/** A layer of soundings. */
export function soundingsLayer(s: SoundingColumns, zIndex: number): ImageLayer<ImageCanvasSource> {
  const n = s.lat.length;
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const p = project(s.lon[i] as number, s.lat[i] as number);
    x[i] = p[0];
    y[i] = p[1];
  }
  const canvas = document.createElement('canvas');
  const source = new ImageCanvasSource({
    ratio: RATIO,
    projection: 'EPSG:3857',
    canvasFunction: (extent, resolution, pixelRatio, size) => {
      const [width, height] = [Math.round(size[0] as number), Math.round(size[1] as number)];
      canvas.width = width;
      canvas.height = height;
      const g = canvas.getContext('2d');
      if (!g) return canvas;
      const [west = 0, south = 0, east = 0, north = 0] = extent;
      const shown = shoalest(x, y, s.depthM, { west, south, east, north }, resolution * CELL_PX);
      g.font = `${11 * pixelRatio}px ${FONT}`;
      g.textAlign = 'center';
      g.textBaseline = 'middle';
      g.fillStyle = '#1f4a59';
      shown.sort((a, b) => (s.depthM[a] as number) - (s.depthM[b] as number));
      const room = new Room(FIGURE_PX.width * pixelRatio, FIGURE_PX.height * pixelRatio);
      for (const i of shown) {
        const d = s.depthM[i] as number;
        const px = (((x[i] as number) - west) / (east - west)) * width;
        const py = ((north - (y[i] as number)) / (north - south)) * height;
        if (!room.take(px, py)) continue;
        g.fillText(figure(d, 'depth', myUnits(), d >= 20 ? 0 : 1).text, px, py);
      }
      return canvas;
    },
  });
  return new ImageLayer({ source, zIndex });
}

/** Positions are given in degrees; the picture is laid out in the map's own metres. */
function project(lon: number, lat: number): [number, number] {
  const [px, py] = fromLonLat([lon, lat], 'EPSG:3857');
  return [px as number, py as number];
}

/** The shoalest sounding of each cell within an extent: the one that a keel meets first. */
export function shoalest(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  depthM: ArrayLike<number>,
  e: { west: number; south: number; east: number; north: number },
  cell: number,
): number[] {
  const best = new Map<number, number>();
  const columns = Math.ceil((e.east - e.west) / cell) + 2;
  // Cells are fixed to the ground, not to the screen, so that figures stay where they are while the chart moves.
  const [i0, j0] = [Math.floor(e.west / cell), Math.floor(e.south / cell)];
  for (let k = 0; k < x.length; k++) {
    const [px, py] = [x[k] as number, y[k] as number];
    if (px < e.west || px > e.east || py < e.south || py > e.north) continue;
    const key = (Math.floor(py / cell) - j0) * columns + Math.floor(px / cell) - i0;
    const known = best.get(key);
    if (known === undefined || (depthM[k] as number) < (depthM[known] as number)) best.set(key, k);
  }
  return [...best.values()];
}

/** Keeps figures apart: what would touch one that is there already gets no room. */
export class Room {
  private readonly taken = new Map<string, [number, number][]>();

  constructor(
    private readonly width: number,
    private readonly height: number,
  ) {}

  /** Takes room for a figure round a point; false when another is in the way. */
  take(x: number, y: number): boolean {
    const [i, j] = [Math.floor(x / this.width), Math.floor(y / this.height)];
    for (let a = i - 1; a <= i + 1; a++) {
      for (let b = j - 1; b <= j + 1; b++) {
        for (const [px, py] of this.taken.get(`${a} ${b}`) ?? []) {
          if (Math.abs(px - x) < this.width && Math.abs(py - y) < this.height) return false;
        }
      }
    }
    const key = `${i} ${j}`;
    this.taken.set(key, [...(this.taken.get(key) ?? []), [x, y]]);
    return true;
  }
}
