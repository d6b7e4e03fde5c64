import { failedOf } from '../data/failedOf';
import type { PlanDesk, SavedPlan } from '@bluffwind/contract/plan';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { clock, dayName, fish, rate, wind } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';
import { keptPlanQuery } from './queries';
import { amount } from '../data/units';

/** Plans that were kept, each with what it was made from: why did we go there? */
export function Kept({ tripId, desk }: { tripId: string; desk: PlanDesk }) {
  const [open, setOpen] = useState<number | null>(desk.earlier[0]?.version ?? null);
  if (desk.earlier.length === 0) return <p className="py-3 text-ink-2">No plan has been kept yet.</p>;
  return (
    <>
      <h2 className="font-bold">Why did we go there?</h2>
      <ul>
        {desk.earlier.map((p) => (
          <li key={p.version} className="border-t border-line py-1.5" data-kept={p.version}>
            <button
              type="button"
              aria-expanded={open === p.version}
              onClick={() => setOpen(open === p.version ? null : p.version)}
              className="flex w-full cursor-pointer items-baseline justify-between text-left"
            >
              <b>Plan {p.version}</b>
              <span className="text-[0.87rem] text-ink-2">
                {p.madeBy}, {dayName(p.madeAt, desk.zone)} {clock(p.madeAt, desk.zone)} · <span className="num">{fish(p.expected)}</span>{' '}
                fish
              </span>
            </button>
            {open === p.version && <Basis tripId={tripId} version={p.version} zone={desk.zone} />}
          </li>
        ))}
      </ul>
    </>
  );
}

/** "2698 sets, 2713 fish, to Thu 18 June 13:48". */
function evidenceWords(version: string, zone: string): string {
  return version
    .replace(' sets,', ' entries,')
    .replace(/ to (\d{4}-\S+)$/, (_, at: string) => ` to ${dayName(at, zone)} ${clock(at, zone)}`);
}

function Basis({ tripId, version, zone }: { tripId: string; version: number; zone: string }) {
  const plan = useQuery(keptPlanQuery(tripId, version));
  if (failedOf(plan)) return <Fault error={plan.error} retry={() => void plan.refetch()} />;
  if (!plan.data) return <Waiting what="Opening the plan" />;
  const p: SavedPlan = plan.data;
  return (
    <div className="mt-1 text-[0.9rem]">
      <p className="text-ink-2">
        Made from {evidenceWords(p.evidenceVersion, zone)}
        {p.forecastRunAt ? `, the forecast of ${dayName(p.forecastRunAt, zone)} ${clock(p.forecastRunAt, zone)}` : ', no forecast'}, model{' '}
        {p.modelVersion}.
      </p>
      <ol>
        {p.legs.map((l, i) => {
          const b = p.basis[i];
          return (
            <li key={l.startAt} className="border-t border-line py-1.5">
              <b>{b?.spotName ?? 'spot'}</b>{' '}
              <span className="num text-ink-2">
                {clock(l.startAt, zone)} to {clock(l.departAt, zone)}
              </span>
              {b && (
                <p>
                  {b.presentation}: <span className="num">{rate(b.ratePerRodHour)}</span> a rod-hour, {rate(b.lo80)} to {rate(b.hi80)};{' '}
                  {b.likeFish.toFixed(0)} fish in {b.likeRodHours.toFixed(1)} h in like water. Wind{' '}
                  {wind(b.conditions.windMps, b.conditions.windFromDeg)}
                  {b.conditions.waterTempC === null ? '' : `, water ${amount(b.conditions.waterTempC, 'temp', 1)}`}
                  {b.conditions.tideHeightM === null ? '' : `, tide ${amount(b.conditions.tideHeightM, 'height', 1)}`} were expected.
                </p>
              )}
              {b?.reasons.slice(0, 4).map((r) => (
                <p key={r.text} className={r.sign === '+' ? 'text-kelp' : 'text-rust'}>
                  {r.sign === '+' ? 'for' : 'against'}: {r.text} <span className="num">×{r.multiplier.toFixed(2)}</span>
                </p>
              ))}
            </li>
          );
        })}
      </ol>
      {p.triggers.length > 0 && (
        <>
          <p className="mt-1 font-semibold">What would have changed it</p>
          {p.triggers.map((t) => (
            <p key={t.sentence} className="border-t border-line py-1">
              {t.sentence} Worth {fish(t.worth)} fish.
            </p>
          ))}
        </>
      )}
    </div>
  );
}
