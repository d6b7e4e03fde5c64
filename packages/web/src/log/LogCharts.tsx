import type { LogRates } from '@bluffwind/contract/log';
import { LOG_AXES, type LogAxis } from '@bluffwind/core/log/rateBy';
import { useQuery } from '@tanstack/react-query';
import { failedOf } from '../data/failedOf';
import { amount, words } from '../data/units';
import { useAddress } from '../data/useAddress';
import { AmountChart } from '../ui/AmountChart';
import { rate } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';
import { Segments } from '../ui/Segments';
import { ratesQuery } from './queries';
import { RateChart } from './RateChart';

const NAMES: Record<LogAxis, string> = {
  tide: 'Tide',
  turn: 'Hours after the turn',
  wind: 'Wind',
  water: 'Water',
  light: 'Light',
  clarity: 'Clarity',
  hour: 'Hour',
  month: 'Month',
  bait: 'Bait',
  spot: 'Spot',
};
const TITLES: Record<LogAxis, string> = {
  tide: 'stage of the tide',
  turn: 'hours after the turn',
  wind: 'wind, Beaufort',
  water: 'water from',
  light: 'light',
  clarity: 'clarity',
  hour: 'hour of the day',
  month: 'month',
  bait: 'bait',
  spot: 'spot',
};

/** What the log gave by tide, wind, hour or bait, with the effort behind each figure; and how large the fish were. */
export default function LogCharts({ filter, show }: { filter: string; show: 'rates' | 'sizes' }) {
  const [by, setBy] = useAddress('by', 'tide');
  const axis = LOG_AXES.find((a) => a === by) ?? 'tide';
  const rates = useQuery(ratesQuery(filter, axis));
  if (failedOf(rates)) return <Fault error={rates.error} retry={() => rates.refetch()} />;
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-3 md:px-[18px]">
      {show === 'rates' && (
        <Segments label="By" value={axis} options={LOG_AXES.map((value) => ({ value, name: NAMES[value] }))} onPick={setBy} />
      )}
      {!rates.data && <Waiting what="Adding up the log" />}
      {rates.data && show === 'rates' && <Rates axis={axis} data={rates.data} />}
      {rates.data && show === 'sizes' && <Sizes sizes={rates.data.sizes} />}
    </div>
  );
}

function Rates({ axis, data: { groups, unknown } }: { axis: LogAxis; data: LogRates }) {
  const named = groups.map((g) => ({ ...g, name: words(g.name) }));
  const told = named.filter((g) => !g.thin);
  const best = [...told].sort((a, b) => b.rate - a.rate)[0];
  const worst = [...told].sort((a, b) => a.rate - b.rate)[0];
  if (named.length === 0)
    return (
      <p className="mt-3 text-ink-2">
        {unknown.sets === 0
          ? 'Nothing in the log matches. Take a filter away.'
          : `Of ${unknown.sets} entries nobody knows the ${TITLES[axis]}.`}
      </p>
    );
  const apart = best && worst && best !== worst && best.lo80 > worst.hi80;
  return (
    <>
      <RateChart
        title={TITLES[axis]}
        groups={named}
        said={
          best === undefined
            ? 'All of it is thin: too little effort to go by.'
            : apart
              ? `Best: ${best.name}, ${rate(best.rate)} fish a rod-hour (${rate(best.lo80)} to ${rate(best.hi80)}); least: ${worst.name}, ${rate(worst.rate)}. Their ranges do not meet.`
              : `Best: ${best.name}, ${rate(best.rate)} fish a rod-hour (${rate(best.lo80)} to ${rate(best.hi80)}); the ranges meet, so chance alone may explain it.`
        }
      />
      {unknown.sets > 0 && (
        <p className="mt-2 text-ink-2">
          Not in it: {unknown.sets} entries of {unknown.rodHours.toFixed(0)} rod-hours
          {axis === 'tide' || axis === 'turn' ? ' where there is no tide, or' : ' of which'} nobody knows it.
        </p>
      )}
      <p className="mt-1 text-[0.9rem] text-ink-2">
        Other things differ between these groups as well: a bait that is fished when it is calm looks good for the calm. The ranking parts
        them; this only counts.
      </p>
    </>
  );
}

function Sizes({ sizes }: { sizes: LogRates['sizes'] }) {
  const all = sizes.reduce((n, s) => n + s.fish, 0);
  if (all === 0) return <p className="mt-3 text-ink-2">No measured fish matches. Take a filter away.</p>;
  let seen = 0;
  const middle = sizes.find((s) => {
    seen += s.fish;
    return seen >= all / 2;
  });
  return (
    <AmountChart
      said={`${all} measured fish; half of them are under ${amount(middle?.toMm ?? 0, 'fish', 0)}. Choose a species to see its own.`}
      categories={sizes.map((s) => amount(s.fromMm, 'fish', 0))}
      series={[{ name: 'fish', values: sizes.map((s) => s.fish), look: 'bars' }]}
      xTitle="length from"
      yTitle="fish"
      width={900}
      height={320}
      show={(v) => v.toFixed(0)}
    />
  );
}
