// A picture from the air under the chart, turned and stretched as it was fitted.
import { type PicturePlace, placeOfPixel } from '@bluffwind/core/ground/fitPicture';
import ImageLayer from 'ol/layer/Image';
import { fromLonLat } from 'ol/proj';
import ImageCanvasSource from 'ol/source/ImageCanvas';

/** A picture that is there to be drawn. */
export interface ChartPicture extends PicturePlace {
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly image: CanvasImageSource;
}

/** @param zIndex - Under what it lies. */
export function pictureLayer(p: ChartPicture, zIndex: number): ImageLayer<ImageCanvasSource> {
  const at = (xPx: number, yPx: number): [number, number] => {
    const { lat, lon } = placeOfPixel(p, xPx, yPx);
    return fromLonLat([lon, lat], 'EPSG:3857') as [number, number];
  };
  // Over the few kilometres of a picture the map's own metres are as straight as degrees are.
  const [corner, right, down] = [at(0, 0), at(p.widthPx, 0), at(0, p.heightPx)];
  const canvas = document.createElement('canvas');
  const source = new ImageCanvasSource({
    ratio: 1.3,
    projection: 'EPSG:3857',
    canvasFunction: (extent, _resolution, _pixelRatio, size) => {
      canvas.width = Math.round(size[0] as number);
      canvas.height = Math.round(size[1] as number);
      const g = canvas.getContext('2d');
      if (!g) return canvas;
      const [west = 0, south = 0, east = 0, north = 0] = extent;
      const toCanvas = ([x, y]: readonly [number, number]) =>
        [((x - west) / (east - west)) * canvas.width, ((north - y) / (north - south)) * canvas.height] as const;
      const [c, r, d] = [toCanvas(corner), toCanvas(right), toCanvas(down)];
      g.setTransform(
        (r[0] - c[0]) / p.widthPx,
        (r[1] - c[1]) / p.widthPx,
        (d[0] - c[0]) / p.heightPx,
        (d[1] - c[1]) / p.heightPx,
        c[0],
        c[1],
      );
      g.drawImage(p.image, 0, 0, p.widthPx, p.heightPx);
      g.setTransform(1, 0, 0, 1, 0, 0);
      return canvas;
    },
  });
  return new ImageLayer({ source, zIndex });
}
