/** Closer than this two values would cover each other, px. */
const APART = 13;

/** Values at the left end of a lane, so that its line can be read as a figure. */
export function AxisValues({
  left,
  height,
  at,
}: {
  left: number;
  height: number;
  at: readonly { readonly y: number; readonly text: string }[];
}) {
  return (
    <g aria-hidden="true">
      {at
        .filter((v, i) => i === 0 || Math.abs(v.y - (at[0]?.y ?? 0)) >= APART)
        .map((v) => (
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
