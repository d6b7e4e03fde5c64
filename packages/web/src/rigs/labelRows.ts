/** A word beside a drawing, with the point that it is of. */
export interface Label {
  readonly part: string;
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly strong: boolean;
}

/**
 * Rows for words so that no two touch, each as near to its point as that allows.
 * @param gap - Height of a row. @param least - First row. @param most - Last row, kept as long as the words fit above it.
 */
export function labelRows(labels: readonly Label[], gap: number, least: number, most: number): (Label & { readonly row: number })[] {
  const sorted = [...labels].sort((a, b) => a.y - b.y);
  const rows = sorted.map((l) => Math.max(least, Math.min(most, l.y)));
  for (let i = 1; i < rows.length; i++) rows[i] = Math.max(rows[i] ?? 0, (rows[i - 1] ?? 0) + gap);
  // What was pushed below the last row pushes the others up again.
  for (let i = rows.length - 1, floor = most; i >= 0; i--, floor -= gap) rows[i] = Math.min(rows[i] ?? 0, Math.max(floor, least + i * gap));
  return sorted.map((l, i) => ({ ...l, row: rows[i] ?? l.y }));
}
