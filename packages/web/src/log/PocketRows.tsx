import type { LogRow } from '@bluffwind/contract/log';
import { largestOf, stageOf, warmthOf, whenOf, windOf } from './columns';

/** A row of the log in its place down the table, pixels; its entry is still on its way where it is missing. */
export interface InSight {
  readonly index: number;
  readonly start: number;
  readonly row: LogRow | null;
}

interface RowsProps {
  readonly rows: readonly InSight[];
  /** Height of a row. */
  readonly px: number;
  /** Height of all rows of the log. */
  readonly tall: number;
  readonly zone: string;
  readonly onOpen: (setId: string) => void;
}

/** The log in the pocket: rows of lines with the fish at the right. */
export function PocketRows({ rows, px, tall, zone, onOpen }: RowsProps) {
  return (
    <ul style={{ height: tall }} className="relative">
      {rows.map(({ index, start, row }) => (
        <li
          key={row?.setId ?? index}
          style={{ transform: `translateY(${start}px)`, height: px }}
          className="absolute inset-x-0 top-0 grid grid-cols-[1fr_auto] content-center gap-x-3 overflow-hidden border-b border-line px-3"
        >
          {row ? <PocketRow row={row} zone={zone} onOpen={onOpen} /> : <span className="text-ink-2">Reading …</span>}
        </li>
      ))}
    </ul>
  );
}

function PocketRow({ row: r, zone, onOpen }: { row: LogRow; zone: string; onOpen: (setId: string) => void }) {
  return (
    <>
      <span className="min-w-0 truncate">
        <button
          type="button"
          className="min-h-8 cursor-pointer font-bold underline decoration-line underline-offset-4"
          data-opens={r.setId}
          onClick={() => onOpen(r.setId)}
        >
          {r.spot}
        </button>{' '}
        <span className="text-ink-2">{r.presentation}</span>
      </span>
      <span className={`num text-right ${r.fish > 0 ? 'font-bold' : 'text-ink-2'}`}>{r.fish} fish</span>
      <span className="line-clamp-2 text-[0.87rem] text-ink-2">
        {[whenOf(r, zone), r.boat, stageOf(r), windOf(r), warmthOf(r)].filter(Boolean).join(' · ')}
      </span>
      <span className="num text-right text-[0.87rem] text-ink-2">
        {r.rodHours.toFixed(1)} rod-h
        {largestOf(r) && (
          <>
            <br />
            {largestOf(r)}
          </>
        )}
      </span>
    </>
  );
}
