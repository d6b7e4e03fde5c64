import type { ContourLines } from '@bluffwind/core/ground/contourLines';

/** What contours come to, before they are laid over the chart. */
export function ContourPicture({ contours }: { contours: readonly ContourLines[] }) {
  const size = 260;
  const points = contours.flatMap((c) => c.lines.flat());
  if (points.length === 0) return <p className="text-ink-2">No contour fits: the bottom is level.</p>;
  const [w, e] = points.reduce(([a, b], p) => [Math.min(a, p[0]), Math.max(b, p[0])] as [number, number], [180, -180] as [number, number]);
  const [s, n] = points.reduce(([a, b], p) => [Math.min(a, p[1]), Math.max(b, p[1])] as [number, number], [90, -90] as [number, number]);
  const k = Math.cos((((s + n) / 2) * Math.PI) / 180);
  const scale = (size - 8) / Math.max((e - w) * k, n - s, 1e-9);
  const path = (line: readonly (readonly [number, number])[]) =>
    `M${line.map(([x, y]) => `${(4 + (x - w) * k * scale).toFixed(1)} ${(4 + (n - y) * scale).toFixed(1)}`).join('L')}`;
  return (
    <svg width={size} height={size} role="img" aria-label="Contours of the soundings" className="border border-line bg-[#e6eeee]">
      {contours.map((c, i) => (
        <path key={c.depthM} d={c.lines.map(path).join('')} fill="none" stroke="#1f4a59" strokeWidth={i % 5 === 0 ? 1.3 : 0.7} />
      ))}
    </svg>
  );
}
