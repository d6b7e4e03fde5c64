import type { Call } from '@bluffwind/core/plan/rankTrip';
import { useQuery } from '@tanstack/react-query';
import { stopsQuery } from '../app/queries';
import { clock, dayName, rate } from '../ui/format';

/** A call taken apart: every factor, whose product is the rate, and the stops behind it. */
export function CallEvidence({ call, zone, second }: { call: Call; zone: string; second: { name: string; rate: number } | null }) {
  const stops = useQuery(stopsQuery(call.likeStopIds.slice(0, 12)));
  const known = call.factors.filter((f) => f.level >= 0);
  const unknown = call.factors.filter((f) => f.level < 0).map((f) => f.name);
  const product = call.factors.reduce((p, f) => p * f.multiplier, 1);
  return (
    <div className="mt-2 text-[0.84rem]">
      <table className="w-full [&_td]:pl-2 [&_td:first-child]:pl-0">
        <caption className="py-1 text-left font-semibold">What makes the rate in the middle of the window</caption>
        <thead className="text-ink-2">
          <tr>
            <th scope="col" className="text-left font-normal">
              factor
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
                {f.rule ? ' (rule of the trade)' : ''}
              </td>
              <td className="text-right">{f.multiplier.toFixed(3)}</td>
              <td className="text-right">{f.fish.toFixed(0)}</td>
              <td className="text-right">{f.name === 'base' ? `${f.expected.toFixed(0)} h` : f.expected.toFixed(0)}</td>
            </tr>
          ))}
          <tr className="border-t-2 border-ink font-bold">
            <td className="font-sans">product</td>
            <td className="text-right" data-product>
              {product.toFixed(3)}
            </td>
            <td />
            <td />
          </tr>
        </tbody>
      </table>
      {unknown.length > 0 && <p className="mt-1 text-ink-2">Unknown: {unknown.join(', ')}.</p>}
      {second && (
        <p className="mt-1">
          Second: {second.name}, {rate(second.rate)} a rod-hour then.
        </p>
      )}
      <p className="mt-2 font-semibold">Stops in the most alike water</p>
      {stops.data?.map((s) => (
        <p key={s.id} className="border-t border-line py-0.5">
          {dayName(s.startedAt, zone)} {new Date(s.startedAt).getUTCFullYear()} {clock(s.startedAt, zone)}:{' '}
          {s.sets.map((x) => `${x.fish} in ${x.rodHours.toFixed(1)} h on ${x.presentation.split(',')[0]}`).join('; ')}
        </p>
      ))}
      {stops.data?.length === 0 && <p className="text-ink-2">None; the rate comes from elsewhere and from the rules.</p>}
    </div>
  );
}
