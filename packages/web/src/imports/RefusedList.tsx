import type { Refused } from '@bluffwind/core/formats/refused';

/** Lines of a file that were not taken, each with what to do. */
export function RefusedList({ refused }: { refused: readonly Refused[] }) {
  if (refused.length === 0) return null;
  return (
    <details className="border-l-4 border-rust bg-rust-pale px-3 py-2 text-[0.9rem]" open={refused.length < 6}>
      <summary className="cursor-pointer font-semibold">
        {refused.length} {refused.length === 1 ? 'line is' : 'lines are'} refused and not taken
      </summary>
      <ul className="mt-1 max-h-40 overflow-auto" tabIndex={0} aria-label="Refused lines">
        {refused.slice(0, 200).map((r) => (
          <li key={`${r.line} ${r.reason} ${r.text}`} className="border-t border-line py-1">
            <span className="num">Line {r.line}</span>: {r.reason}. <span className="text-ink-2">{r.remedy}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Why a whole file cannot be read. */
export function FileFault({ fault, remedy }: { fault: string; remedy: string }) {
  return (
    <div role="alert" className="border-l-4 border-rust bg-rust-pale px-3 py-2">
      <p className="font-semibold">{fault}</p>
      <p className="text-ink-2">{remedy}</p>
    </div>
  );
}
