/** Closer than this two values would cover each other, px. */
const APART = 14;

interface Value {
  readonly y: number;
  readonly text: string;
}

/** The first, and those that stand clear of the ones before them. */
function apart(all: readonly Value[]): Value[] {
  const kept: Value[] = [];
  for (const v of all) if (kept.every((k) => Math.abs(v.y - k.y) >= APART)) kept.push(v);
  return kept;
}

/** Values at the left end of a lane, so that its line can be read as a figure. */
export function AxisValues({ left, height, at }: { left: number; height: number; at: readonly Value[] }) {
  return (
    <g aria-hidden="true">
      {apart(at).map((v) => (
        <text
          key={v.text}
          x={left + 4}
          y={Math.min(height - 3, Math.max(11, v.y + 4))}
          className="num"
          fontSize={11}
          fill="var(--ink-2)"
          stroke="var(--chalk)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {v.text}
        </text>
      ))}
    </g>
  );
}
