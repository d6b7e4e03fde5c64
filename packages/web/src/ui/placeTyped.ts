// A place as people write it down: decimal degrees, or degrees and minutes with letters of the compass.

/** Degrees of a place, or null where the text is none. Latitude first; 47.61, -35.20 or 47 36.6 N 35 12.0 W. */
export function placeTyped(text: string): { lat: number; lon: number } | null {
  const parts = /^\s*(.+?[NSns]|[^,;]+?)\s*[,;]?\s+([^,;]+|.+[EWew])\s*$/.exec(text) ?? /^\s*([^,;]+)[,;]\s*([^,;]+)\s*$/.exec(text);
  if (!parts) return null;
  const [lat, lon] = [degrees(parts[1] ?? '', 'NS'), degrees(parts[2] ?? '', 'EW')];
  return lat === null || lon === null || Math.abs(lat) > 90 || Math.abs(lon) > 180 ? null : { lat, lon };
}

function degrees(text: string, letters: 'NS' | 'EW'): number | null {
  const m = /^\s*([NSEW])?\s*([-+]?\d+(?:\.\d+)?)\s*°?(?:\s*(\d+(?:\.\d+)?)\s*['′]?(?:\s*(\d+(?:\.\d+)?)\s*["″]?)?)?\s*([NSEW])?\s*$/i.exec(
    text,
  );
  if (!m) return null;
  const letter = (m[1] ?? m[5] ?? '').toUpperCase();
  const [whole, minutes, seconds] = [Number(m[2]), Number(m[3] ?? 0), Number(m[4] ?? 0)];
  if (minutes >= 60 || seconds >= 60 || (letter !== '' && !letters.includes(letter))) return null;
  const size = Math.abs(whole) + minutes / 60 + seconds / 3600;
  return (whole < 0 || Object.is(whole, -0) || letter === 'S' || letter === 'W' ? -1 : 1) * size;
}

/** A place as it is shown to be typed over. */
export const placeWords = ({ lat, lon }: { lat: number; lon: number }): string => `${lat.toFixed(5)}, ${lon.toFixed(5)}`;
