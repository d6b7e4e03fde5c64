import type { PlanDesk, PlanTrigger } from '@bluffwind/contract/plan';
import type { DayPlan } from '@bluffwind/core/plan/plannedDay';
import { clock, fish } from '../ui/format';
import { Button } from '../ui/parts';
import type { ChangesSoFar } from '../workers/plan.worker';
import { spotName } from './spotName';
import { words } from '../data/units';
import { Term } from '../ui/Term';

interface ChangesProps {
  readonly desk: PlanDesk;
  readonly so: ChangesSoFar | null;
  /** Triggers kept with the plan, shown until they are worked out anew. */
  readonly kept: readonly PlanTrigger[];
  readonly onTake: (plan: DayPlan, by: string) => void;
}

/** What would change the plan, what it is worth, and the plan to go over to. */
export function Changes({ desk, so, kept, onTake }: ChangesProps) {
  const name = (id: string) => spotName(desk, id);
  if (!so) {
    return (
      <>
        <h2 className="font-bold">
          What would change it <Term name="what if" />
        </h2>
        {kept.length === 0 ? (
          <p className="py-2 text-ink-2">Lay the day first.</p>
        ) : (
          <ul>
            {kept.map((t) => (
              <li key={t.sentence} className="border-t border-line py-2">
                {words(t.sentence)} Worth <b className="num">{fish(t.worth)}</b> fish.
              </li>
            ))}
          </ul>
        )}
      </>
    );
  }
  return (
    <>
      <h2 className="font-bold">
        What would change it <Term name="what if" />
      </h2>
      <p className="text-[0.87rem] text-ink-2" role={so.done < so.of ? 'status' : undefined} data-changes-done={so.done === so.of}>
        {so.done < so.of
          ? `Tried ${so.done} of ${so.of} ways that the day may go ...`
          : `${so.of} ways that the day may go were tried: other runs of the forecast, wind, tide, a spot that is taken.`}
      </p>
      <ol className="mt-1">
        {so.triggers.map((t, i) => (
          <li key={t.id} className="border-t border-line py-2" data-trigger={t.id}>
            <p>{words(t.sentence)}</p>
            <p className="text-[0.9rem] text-ink-2">
              Worth <b className="num text-ink">{fish(t.worth)}</b> fish
              {t.chance === null ? '' : `; ${chanceWords(t.chance)}`}.{i === 0 ? ' This is plan B.' : ''}
            </p>
            <p className="text-[0.87rem] text-ink-2">
              {t.planB.legs.map((l) => `${clock(l.startMs, desk.zone)} ${name(l.spotId)}`).join(', ')}: {fish(t.planB.expected)} then.
            </p>
            <Button className="mt-1 py-0.5 text-[0.87rem]" onClick={() => onTake(t.planB, 'another plan taken over')}>
              Show this plan
            </Button>
          </li>
        ))}
      </ol>
      {so.done === so.of && so.triggers.length === 0 && (
        <p className="border-t border-line py-2">Nothing that was tried would change it.</p>
      )}
    </>
  );
}

/** How many of the forecast's runs have it so. */
function chanceWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  if (tenths === 0) return 'hardly any run of the forecast has it so';
  return tenths === 10 ? 'nearly every run of the forecast has it so' : `${tenths} of 10 runs of the forecast have it so`;
}
