import type { LeaderCounts } from '@bluffwind/contract/rigs';
import { hoursToTell, leaderChoice } from '@bluffwind/core/tackle/leaderChoice';
import { useQuery } from '@tanstack/react-query';
import { failedOf } from '../data/failedOf';
import { amount } from '../data/units';
import { useAddress } from '../data/useAddress';
import { AmountChart } from '../ui/AmountChart';
import { Choice } from '../ui/Choice';
import { Fault, Waiting } from '../ui/parts';
import { leadersQuery } from './queries';
import { SumFrame } from './SumFrame';

/** Leaders of a family compared by what the log counted on each: bites, hooked, landed. */
export default function Leader() {
  const all = useQuery(leadersQuery);
  const [family, setFamily] = useAddress('family', '');
  if (failedOf(all)) return <Fault error={all.error} retry={() => void all.refetch()} />;
  if (!all.data) return <Waiting what="Counting bites" />;
  const at = all.data.find((f) => f.familyId === family) ?? all.data[0];
  const frame = {
    name: 'Leader, how fine',
    what: 'Lighter gets more bites; too light loses more than it gains. Your log decides.',
    rules: ['P9'],
  };
  if (!at)
    return (
      <SumFrame
        {...frame}
        picture={
          <p className="p-[18px]">
            Nothing to compare yet: the log needs one family fished on two strengths of leader. Give two of your baits different leaders
            under Baits and fish both.
          </p>
        }
      >
        {null}
      </SumFrame>
    );
  return <Compared key={at.familyId} at={at} all={all.data} frame={frame} onPick={setFamily} />;
}

interface ComparedProps {
  readonly at: LeaderCounts;
  readonly all: readonly LeaderCounts[];
  readonly frame: { readonly name: string; readonly what: string; readonly rules: readonly string[] };
  readonly onPick: (familyId: string) => void;
}

function Compared({ at, all, frame, onPick }: ComparedProps) {
  const { strengths, choice } = leaderChoice(at.counts);
  const kg = (v: number) => amount(v, 'weight', 1);
  const best = strengths.find((s) => s.kg === choice);
  const other = strengths.filter((s) => s.kg !== choice).sort((a, b) => b.landedPerHour - a.landedPerHour)[0];
  const fished = Math.min(...at.counts.map((c) => c.rodHours));
  const more = best && other ? hoursToTell(best, other, fished) : null;
  const sure = best ? best.chanceToBeBest : 0;
  const says = best
    ? sure > 0.9
      ? `${kg(choice)} lands most, and there is little doubt.`
      : more === null
        ? `${kg(choice)} is ahead, but they are too close to tell; fish what is stronger.`
        : `${kg(choice)} is ahead, ${Math.round(sure * 10)} chances in ten. About ${Math.ceil(more)} more rod-hours on each would tell.`
    : '';
  return (
    <SumFrame
      {...frame}
      picture={
        <div className="px-[18px] pb-3">
          <AmountChart
            said={
              <>
                <b data-says>{says}</b> Bars are fish landed an hour on each leader, points are bites an hour, on waters where both were
                fished. Baits and days differ besides: two rods of each, side by side, tell it best.
              </>
            }
            categories={strengths.map((s) => kg(s.kg))}
            series={[
              { name: 'landed an hour', values: strengths.map((s) => s.landedPerHour), look: 'bars' },
              { name: 'bites an hour', values: strengths.map((s) => s.bitesPerHour), look: 'points' },
            ]}
            xTitle="Leader"
            yTitle="An hour of a rod"
            show={(v) => v.toFixed(2)}
            also={[
              { name: 'rod-hours', values: at.counts.map((c) => c.rodHours.toFixed(0)) },
              { name: 'landed of hooked', values: at.counts.map((c) => `${c.landed} of ${c.hooked}`) },
              { name: 'chance to be best', values: strengths.map((s) => amount(s.chanceToBeBest, 'share', 0)) },
            ]}
          />
        </div>
      }
    >
      <Choice label="Family" value={at.familyId} options={all.map((f) => ({ value: f.familyId, name: f.name }))} onPick={onPick} />
      <dl className="mt-3">
        {strengths.map((s, i) => (
          <div key={s.kg} className="border-b border-line py-2">
            <dt className="font-semibold">{kg(s.kg)}</dt>
            <dd className="text-[0.9rem] text-ink-2">
              {at.counts[i]?.rodHours.toFixed(0)} rod-hours, {at.counts[i]?.bites} bites; lands {amount(s.chanceToLand, 'share', 0)} of what
              it hooks;{' '}
              <b className="num text-ink" data-figure={`landed ${s.kg}`}>
                {s.landedPerHour.toFixed(2)}
              </b>{' '}
              landed an hour
            </dd>
          </div>
        ))}
      </dl>
    </SumFrame>
  );
}
