import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Call } from '@bluffwind/core/plan/rankTrip';
import { useQuery } from '@tanstack/react-query';
import { clock, dayName, rate } from '../ui/format';
import { stopsQuery } from './queries';
import { words } from '../data/units';
import { Term } from '../ui/Term';

const BAITS_SHOWN = 5;

/** A call taken apart: every factor, whose product is the rate, its rules, other baits, and the stops behind it. */
export function CallEvidence({ call, desk }: { call: Call; desk: PlanDesk }) {
  const { zone } = desk;
  const stops = useQuery(stopsQuery(call.likeStopIds.slice(0, 12)));
  const known = call.factors.filter((f) => f.level >= 0);
  const product = call.factors.reduce((p, f) => p * f.multiplier, 1);
  const rules = known.flatMap((f) => (f.rule ? [{ ...f.rule, multiplier: f.multiplier, fish: f.fish, factor: f.name }] : []));
  const bait = (id: string) => desk.presentations.find((p) => p.id === id);
  return (
    <div className="mt-2 text-[0.84rem]">
      <table className="w-full [&_td]:pl-2 [&_td:first-child]:pl-0">
        <caption className="py-1 text-left font-semibold">
          What makes the rate in the middle of the window <Term name="reckoning" />
        </caption>
        <thead className="text-ink-2">
          <tr>
            <th scope="col" className="text-left font-normal">
              what
            </th>
            <th scope="col" className="text-right font-normal">
              times
            </th>
            <th scope="col" className="text-right font-normal">
              fish
            </th>
            <th scope="col" className="text-right font-normal">
              expected
            </th>
          </tr>
        </thead>
        <tbody className="num">
          {known.map((f) => (
            <tr key={f.name} className="border-t border-line">
              <td className="font-sans">
                {f.name === 'base' ? 'all trips, fish per rod-hour' : f.name}
                {f.rule ? ` (rule ${f.rule.id})` : ''}
              </td>
              <td className="text-right">{f.multiplier.toFixed(3)}</td>
              <td className="text-right">{f.fish.toFixed(0)}</td>
              <td className="text-right">{f.name === 'base' ? `${f.expected.toFixed(0)} h` : f.expected.toFixed(0)}</td>
            </tr>
          ))}
          <tr className="border-t-2 border-ink font-bold">
            <td className="font-sans">all of it together</td>
            <td className="text-right" data-product>
              {product.toFixed(3)}
            </td>
            <td />
            <td />
          </tr>
        </tbody>
      </table>
      {rules.length > 0 && (
        <>
          <p className="mt-2 font-semibold">
            Rules of the trade in it <Term name="rule of the trade" />
          </p>
          {rules.map((r) => (
            <p key={r.factor} className="border-t border-line py-0.5">
              {r.id}: {words(r.text)}. It began at <span className="num">×{r.prior.toFixed(2)}</span>; with {r.fish.toFixed(0)} fish of
              evidence it stands at <span className="num">×{r.multiplier.toFixed(2)}</span>.
            </p>
          ))}
        </>
      )}
      {call.wayShut.length > 0 && (
        <p className="mt-1 text-rust" data-way-shut>
          The way there is shut:{' '}
          {call.wayShut.map((w) => `${words(w.why)} from ${clock(w.fromMs, zone)} to ${clock(w.toMs, zone)}`).join('; ')}.
        </p>
      )}
      {call.unknown.length > 0 && <p className="mt-1 text-rust">Not known for then: {call.unknown.join(', ')}.</p>}
      <p className="mt-2 font-semibold">Baits at the same hour</p>
      {call.others.slice(0, BAITS_SHOWN).map((o, i) => (
        <p key={o.presentationId} className="flex justify-between border-t border-line py-0.5">
          <span>
            {i + 1}. {bait(o.presentationId)?.name}
          </span>
          <span className="num">{rate(o.ratePerRodHour)}</span>
        </p>
      ))}
      {call.second && (
        <p className="border-t border-line py-0.5">
          To show them something else: {bait(call.second.presentationId)?.name}, {bait(call.second.presentationId)?.look}, fished at the{' '}
          {bait(call.second.presentationId)?.zone}, <span className="num">{rate(call.second.ratePerRodHour)}</span> a rod-hour.
        </p>
      )}
      {call.search && (
        <p className="border-t border-line py-0.5">
          To find them fast (P31): {bait(call.search.presentationId)?.name}, <span className="num">{rate(call.search.ratePerRodHour)}</span>
          .
        </p>
      )}
      <p className="mt-2 font-semibold">
        Stops in the most alike water <Term name="like water" />
      </p>
      {stops.data?.map((s) => (
        <p key={s.id} className="border-t border-line py-0.5">
          {dayName(s.startedAt, zone)} {new Date(s.startedAt).getUTCFullYear()} {clock(s.startedAt, zone)}:{' '}
          {s.sets.map((x) => `${x.fish} in ${x.rodHours.toFixed(1)} h on ${x.presentation.split(',')[0]}`).join('; ')}
        </p>
      ))}
      {call.likeStopIds.length === 0 && <p className="text-ink-2">None; the rate comes from elsewhere and from the rules.</p>}
    </div>
  );
}
