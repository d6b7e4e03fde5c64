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
      {rates.data && show === 'sizes' && <Condition condition={rates.data.condition} />}
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

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** How fat the fish were for their length, month by month. */
function Condition({ condition: { months, left } }: { condition: LogRates['condition'] }) {
  const all = months.reduce((n, m) => n + m.fish, 0);
  if (all === 0)
    return (
      <p className="mt-4 max-w-prose text-ink-2" data-condition>
        {left === 0
          ? 'None of these fish was weighed. Weights told on deck show here how fat the fish are from month to month.'
          : `${left} weighed fish are too few of their kind to say what is usual for their length: five of a kind are enough.`}
      </p>
    );
  const told = months.filter((m) => !m.thin);
  const best = [...told].sort((a, b) => b.middle - a.middle)[0];
  const share = (v: number) => `${v.toFixed(0)} %`;
  const said = best
    ? `fattest in ${MONTHS[best.month - 1]}: the middle fish weighs ${share(best.middle)} of what is usual for its length.`
    : 'fewer than five in any month, too few to go by.';
  return (
    <section className="mt-5" data-condition aria-label="How fat the fish were">
      <AmountChart
        said={`${all} weighed fish, ${said}${left > 0 ? ` Not in it: ${left} of kinds of which too few were weighed.` : ''}`}
        categories={months.map((m) => `${MONTHS[m.month - 1]}${m.thin ? ', thin' : ''}`)}
        series={[{ name: 'weight for the length', values: months.map((m) => m.middle), look: 'points' }]}
        also={[
          { name: 'fish', values: months.map((m) => String(m.fish)) },
          { name: 'middle half of them', values: months.map((m) => `${share(m.lo)} to ${share(m.hi)}`) },
        ]}
        xTitle="month"
        yTitle="per cent of the usual weight"
        width={900}
        height={260}
        show={share}
      />
      <p className="mt-1 max-w-prose text-[0.9rem] text-ink-2">
        Usual is the published weight for the length where the species has one, else the middle of the crew’s own fish of that kind.
      </p>
    </section>
  );
}
