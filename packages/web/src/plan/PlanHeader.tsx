import type { TripView } from '@bluffwind/contract/trips';
import { useNavigate } from 'react-router';
import { clock, dayName, GOALS } from '../ui/format';
import { Menu, MenuItem } from '../ui/Menu';
import { Button, Header } from '../ui/parts';
import { Term } from '../ui/Term';
import type { PlanDoing } from './usePlan';

interface Props {
  readonly trip: TripView;
  readonly zone: string;
  readonly plan: PlanDoing;
  readonly mayEdit: boolean;
  /** The spots are ranked, and what is not known was seen. */
  readonly mayLay: boolean;
  readonly onLay: () => void;
  readonly onSave: () => void;
  readonly onCompare: () => void;
}

/** Whose day it is and what is wanted of it, and what can be done to its plan. */
export function PlanHeader({ trip: t, zone, plan, mayEdit, mayLay, onLay, onSave, onCompare }: Props) {
  const navigate = useNavigate();
  const { shown } = plan;
  return (
    <Header
      title={`${dayName(t.startsAt, zone)}, ${t.boat.name}`}
      note={
        <>
          {partyWords(t)} · wants <b className="text-ink">{GOALS[t.goal]}</b>{' '}
          <span className="max-md:hidden">
            <Term name="goal" />
          </span>{' '}
          · {clock(t.startsAt, zone)} to {clock(t.endsAt, zone)} · {t.species.map((s) => s.name).join(', ')}
        </>
      }
    >
      <Menu name="More">
        <MenuItem onSelect={() => plan.canUndo && plan.undo()}>
          Undo <kbd className="num">Z</kbd>
        </MenuItem>
        <MenuItem onSelect={() => plan.canRedo && plan.redo()}>
          Redo <kbd className="num">Shift Z</kbd>
        </MenuItem>
        <MenuItem onSelect={() => navigate(`/trips/${t.id}/rigs`)}>Rigs and load</MenuItem>
        <MenuItem onSelect={() => navigate(`/trips/${t.id}/foretold`)}>Past days foretold</MenuItem>
        {shown && (
          <>
            <MenuItem onSelect={onCompare}>
              Compare two plans <kbd className="num">C</kbd>
            </MenuItem>
            <MenuItem onSelect={() => plan.setAgain(!shown.again)}>
              {shown.again ? 'One visit a spot' : 'Allow a second visit after a rest'}
            </MenuItem>
            <MenuItem onSelect={() => window.print()}>Print</MenuItem>
          </>
        )}
      </Menu>
      {shown && shown.saved === null && mayEdit && (
        <Button onClick={() => onSave()} disabled={plan.busy}>
          Save plan
        </Button>
      )}
      <Button strong hint="S" onClick={onLay} disabled={!mayLay || plan.busy || t.status === 'done'}>
        Lay the day
      </Button>
    </Header>
  );
}

function partyWords({ guests }: TripView): string {
  const [first] = guests;
  if (!first) return 'no guests named';
  const children = guests.filter((g) => g.child).length;
  return `${first.name.split(' ').at(-1)} party, ${guests.length}${children > 0 ? ` (${children} children)` : ''}`;
}
