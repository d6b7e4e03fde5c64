import type { ReactNode } from 'react';

interface AsTableProps {
  readonly heads: readonly string[];
  /** The first cell of a row is what it is of. */
  readonly rows: readonly { readonly key: string; readonly of: ReactNode; readonly cells: readonly ReactNode[] }[];
}

/** What a chart shows, as a table for who asks for it. */
export function AsTable({ heads, rows }: AsTableProps) {
  return (
    <details>
      <summary className="cursor-pointer text-[0.9rem] underline underline-offset-2">As a table</summary>
      <table className="[&_td]:pr-5 [&_th]:pr-5">
        <thead>
          <tr>
            {heads.map((h) => (
              <th key={h} scope="col" className="text-left font-normal text-ink-2">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="num">
          {rows.map((r) => (
            <tr key={r.key} data-row={r.key}>
              <td className="font-sans">{r.of}</td>
              {r.cells.map((c, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a cell is known by its column
                <td key={i}>{c}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
