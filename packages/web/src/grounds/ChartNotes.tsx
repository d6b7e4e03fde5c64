import type { Drawing } from './GroundsMenus';

interface Props {
  /** How many soundings there are; null while they are on their way. */
  readonly soundings: number | null;
  readonly showSoundings: boolean;
  readonly drawing: Drawing | null;
  readonly moving: boolean;
  readonly onSoundings: (shown: boolean) => void;
  readonly onMoved: () => void;
}

const NOTE = 'rounded border border-[#10292e] bg-[#fbf9f3] px-3 py-1.5 text-[0.9rem] text-[#10292e]';

/** Over the chart's corner: soundings on or off, and what to do while something is drawn or moved. */
export function ChartNotes({ soundings, showSoundings, drawing, moving, onSoundings, onMoved }: Props) {
  return (
    <div className="chart-note no-print absolute top-3 left-4 flex flex-col items-start gap-2">
      <label className="flex items-center gap-2 rounded bg-[#fbf9f3]/95 px-3 py-1 text-[0.87rem] text-[#10292e]">
        <input type="checkbox" checked={showSoundings} onChange={(e) => onSoundings(e.target.checked)} />
        Soundings{soundings === null ? '' : ` (${soundings})`}
      </label>
      {drawing && (
        <p role="status" className={NOTE}>
          {drawing.shape === 'point' ? 'Click where it lies.' : 'Click its points, double-click the last. Backspace takes one back.'} Esc
          stops.
        </p>
      )}
      {moving && (
        <div role="status" className={`flex items-center gap-2 ${NOTE}`}>
          Drag it to its place.
          <button type="button" className="cursor-pointer font-semibold underline" onClick={onMoved}>
            Done
          </button>
        </div>
      )}
    </div>
  );
}
