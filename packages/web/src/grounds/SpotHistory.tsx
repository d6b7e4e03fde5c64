import type { SpotView } from '@bluffwind/contract/grounds';
import { useQuery } from '@tanstack/react-query';
import { amount } from '../data/units';
import { AmountChart } from '../ui/AmountChart';
import { clock, dayName, rate, wind } from '../ui/format';
import { Fault } from '../ui/parts';
import { historyQuery } from './queries';
import { QUARTERS } from './spotRows';

/** What was fished at a spot and what it gave, by the quarter of the tide and stop by stop. */
export function SpotHistory({ spot: s, zone }: { spot: SpotView; zone: string }) {
  const history = useQuery(historyQuery(s.id));
  return (
    <>
      <h3 className="mt-3 border-t border-line pt-2 font-semibold">In the log</h3>
      <p className="text-[0.9rem]">
        <span className="num">{s.fish}</span> fish in <span className="num">{s.rodHours.toFixed(0)}</span> rod-h
        {s.rodHours > 0 ? `, ${rate(s.fish / s.rodHours)} an hour` : ''}; {s.weekRodHours.toFixed(1)} rod-h in the last seven days.
      </p>
      {history.error && <Fault error={history.error} retry={() => void history.refetch()} />}
      {history.data && history.data.byTide.length > 0 && (
        <AmountChart
          said="By the quarter of the tide"
          categories={history.data.byTide.map((q) => QUARTERS[q.quarter] ?? '')}
          series={[
            { name: 'fish per rod-hour', look: 'bars', values: history.data.byTide.map((q) => (q.rodHours > 0 ? q.fish / q.rodHours : 0)) },
          ]}
          also={[
            { name: 'fish', values: history.data.byTide.map((q) => String(q.fish)) },
            { name: 'rod-hours', values: history.data.byTide.map((q) => q.rodHours.toFixed(0)) },
          ]}
          xTitle="tide"
          yTitle="fish per rod-hour"
          height={170}
          width={310}
          show={rate}
        />
      )}
      <ul className="mt-1 text-[0.87rem]">
        {history.data?.stops.slice(0, 12).map((h) => (
          <li key={`${h.id}${h.presentation}`} className="border-t border-line py-1">
            {dayName(h.at, zone)} {clock(h.at, zone)}: <span className="num">{h.fish}</span> in{' '}
            <span className="num">{h.rodHours.toFixed(1)}</span> rod-h, {h.presentation}
            {h.windMps !== null ? `; ${wind(h.windMps, h.windFromDeg)}` : ''}
            {h.waterTempC !== null ? `, ${amount(h.waterTempC, 'temp', 1)}` : ''}
          </li>
        ))}
      </ul>
    </>
  );
}
