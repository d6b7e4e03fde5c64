// A GeoTIFF of pictures to a JPEG of a size that a chart needs, with its place.
import { UnreadableFile } from '@bluffwind/core/formats/refused';
import { fitPicture, type PicturePlace } from '@bluffwind/core/ground/fitPicture';
import { DEGREES, toDegrees } from './projections';

const MOST_BYTES = 100 * 1024 * 1024;

export interface PlacedPicture extends PicturePlace {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly jpeg: Blob;
}

/** @param sidePx - Longest side of the picture that comes of it. @throws UnreadableFile that says what is wrong and what to do. */
export async function pictureOfTiff(file: File, sidePx: number): Promise<PlacedPicture> {
  const unreadable = (why: string) =>
    new UnreadableFile(
      `It is no GeoTIFF of a picture: ${why}.`,
      'Save it as a GeoTIFF with three colours, or as PNG and fit it by three points.',
    );
  if (file.size > MOST_BYTES) throw unreadable(`it has ${Math.round(file.size / 1024 / 1024)} MB; cut it to the water`);
  try {
    const { fromBlob } = await import('geotiff');
    const image = await (await fromBlob(file)).getImage();
    const [columns, rows] = [image.getWidth(), image.getHeight()];
    const [west, north] = image.getOrigin();
    const [dx, dy] = image.getResolution();
    if (![west, north, dx, dy].every((v) => Number.isFinite(v))) throw unreadable('it does not say where it lies');
    const keys = (image.getGeoKeys() ?? {}) as Record<string, number>;
    const code = keys.ProjectedCSTypeGeoKey ?? keys.GeographicTypeGeoKey ?? 4326;
    const turn = toDegrees(code === 4326 ? DEGREES : `EPSG:${code}`);
    const share = Math.min(1, sidePx / Math.max(columns, rows));
    const [widthPx, heightPx] = [Math.max(8, Math.round(columns * share)), Math.max(8, Math.round(rows * share))];
    const rgb = (await image.readRGB({ width: widthPx, height: heightPx, interleave: true })) as unknown as ArrayLike<number>;
    const pixels = new Uint8ClampedArray(widthPx * heightPx * 4).fill(255);
    for (let i = 0; i < widthPx * heightPx; i++) for (let k = 0; k < 3; k++) pixels[4 * i + k] = rgb[3 * i + k] as number;
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    canvas.getContext('2d')?.putImageData(new ImageData(pixels, widthPx, heightPx), 0, 0);
    const at = (x: number, y: number) => {
      const [lon, lat] = turn(
        (west as number) + ((dx as number) * x * columns) / widthPx,
        (north as number) + ((dy as number) * y * rows) / heightPx,
      );
      return { xPx: x, yPx: y, lat, lon };
    };
    const corners = [at(0, 0), at(widthPx, 0), at(0, heightPx), at(widthPx, heightPx)];
    if (!corners.every((p) => Math.abs(p.lat) <= 90 && Math.abs(p.lon) <= 180)) throw unreadable('its corners lie nowhere on the earth');
    return { ...fitPicture(corners).place, widthPx, heightPx, jpeg: await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 }) };
  } catch (error) {
    if (error instanceof UnreadableFile) throw error;
    throw unreadable((error as Error).message);
  }
}
