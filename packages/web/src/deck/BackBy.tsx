import { MINUTE } from '@bluffwind/core/units/time';
import { clock } from '../ui/format';

const BUTTON = 'min-h-[56px] cursor-pointer rounded border border-ink px-4';
const STEP_MS = 15 * MINUTE;

/** When the boat is back: later than that the crew is told that it is overdue. */
export function BackBy({ dueMs, zone, onChange }: { dueMs: number; zone: string; onChange: (ms: number) => void }) {
  return (
    <div className="flex items-center justify-between gap-2 border-t border-line py-2">
      <span>
        Back by <b className="num">{clock(dueMs, zone)}</b>
        <span className="block text-[0.83rem] text-ink-2">later than that, the crew’s screens sound the alarm</span>
      </span>
      <span className="flex gap-2">
        <button type="button" className={BUTTON} aria-label="−15 minutes" onClick={() => onChange(dueMs - STEP_MS)}>
          −15
        </button>
        <button type="button" className={BUTTON} aria-label="+15 minutes" onClick={() => onChange(dueMs + STEP_MS)}>
          +15
        </button>
      </span>
    </div>
  );
}
