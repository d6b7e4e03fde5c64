import type { PlanDesk } from '@bluffwind/contract/plan';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { clock } from '../ui/format';
import { Button } from '../ui/parts';

type Break = PlanDesk['breaks'][number];

const MOST = 6;
const USUAL = [
  { name: 'Lunch', minutes: 30 },
  { name: 'A rest from the sea', minutes: 20 },
] as const;
/** Breaks are put in to five minutes, one after the other. */
const STEP = 5 * MINUTE;
const APART = 45 * MINUTE;

/** When the lines are up for a while. */
export function Breaks({ desk, mayEdit, onKeep }: { desk: PlanDesk; mayEdit: boolean; onKeep: (breaks: Break[]) => void }) {
  const noon = Math.min(Math.max(desk.startsAt + HOUR, (desk.startsAt + desk.endsAt) / 2), desk.endsAt - HOUR);
  const add = (name: string, minutes: number) => {
    const fromMs = Math.round(noon / STEP) * STEP + desk.breaks.length * APART;
    onKeep([...desk.breaks, { name, fromMs, toMs: fromMs + minutes * MINUTE }]);
  };
  return (
    <>
      <ul className="mt-1">
        {desk.breaks.map((b) => (
          <li key={`${b.name} ${b.fromMs}`} className="flex items-center justify-between border-t border-line py-1 text-[0.93rem]">
            <span>
              {b.name}, lines up {clock(b.fromMs, desk.zone)} to {clock(b.toMs, desk.zone)}
            </span>
            {mayEdit && (
              <button
                type="button"
                className="cursor-pointer underline underline-offset-2"
                aria-label={`Take ${b.name} out`}
                onClick={() => onKeep(desk.breaks.filter((x) => x !== b))}
              >
                take out
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayEdit && (
        <p className="mt-1 flex gap-2">
          {USUAL.map(({ name, minutes }) => (
            <Button key={name} className="py-0.5 text-[0.87rem]" disabled={desk.breaks.length >= MOST} onClick={() => add(name, minutes)}>
              {name} {minutes} min
            </Button>
          ))}
        </p>
      )}
    </>
  );
}
