import { campaign } from '@bluffwind/core/tackle/campaign';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { serverNow } from '../data/clock';
import { meQuery } from '../data/queries';
import { amount } from '../data/units';
import { useAddress } from '../data/useAddress';
import { DayPick } from '../ui/DayPick';
import { dateName } from '../ui/format';
import type { SumField } from './sum';
import { SumFields } from './SumFields';
import { SumFrame } from './SumFrame';
import { useNumbers } from './useNumbers';

const FIELDS: readonly SumField[] = [
  { name: 'weeks', label: 'Weeks ahead', least: 1, most: 6, step: 1, usual: 2 },
  { name: 'feedsAWeek', label: 'Feeds a week', least: 1, most: 7, step: 1, usual: 2 },
  { name: 'kgAFeed', label: 'A feed', measure: 'weight', least: 0.2, most: 20, step: 0.1, usual: 2 },
  { name: 'costPerKg', label: 'Cost of a kilogram', least: 0, most: 30, step: 0.1, usual: 3 },
];

/** Feeds before a day of fishing: when, how much, what it costs, and whether it holds the fish. */
export default function Campaign() {
  const { data: me } = useQuery(meQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  const [values, set] = useNumbers(FIELDS);
  const usual = addDays(localDate(serverNow(), zone), 15);
  const [asked, setDay] = useAddress('day', usual);
  const day = /^\d{4}-\d{2}-\d{2}$/.test(asked) && !Number.isNaN(Date.parse(asked)) ? asked : usual;
  const { weeks = 2, feedsAWeek = 2, kgAFeed = 2, costPerKg = 3 } = values;
  const plan = campaign(Date.parse(`${day}T12:00:00Z`), { weeks, feedsAWeek, kgAFeed, costPerKg });
  return (
    <SumFrame
      name="Feeding ahead"
      what="Roaming fish are held only by feeding that is regular; after the spawn leave them two to four weeks."
      rules={['T7', 'T8', 'P18']}
      picture={
        <div className="px-[18px] py-3">
          <p data-says>
            <b>
              {plan.feeds.length} feeds, {amount(plan.kg, 'weight', 0)}, about {Math.round(plan.cost)} in all.
            </b>{' '}
            {plan.holds
              ? 'Twice a week or more: regular enough to hold them.'
              : 'Once a week does not hold roaming fish: at least two feeds a week.'}
          </p>
          <ol className="mt-3 max-w-[420px]">
            {plan.feeds.map((f) => (
              <li key={f.atMs} className="flex items-center gap-3 border-t border-line py-1.5">
                <span className="w-40">{dateName(new Date(f.atMs).toISOString().slice(0, 10))}</span>
                <span aria-hidden="true" className="h-3 rounded bg-sand-2" style={{ width: `${Math.min(200, f.kg * 20)}px` }} />
                <span className="num">{amount(f.kg, 'weight', 1)}</span>
              </li>
            ))}
            <li className="border-t border-line py-1.5 font-semibold">{dateName(day)}: fish it</li>
          </ol>
        </div>
      }
    >
      <p className="mb-1">
        Day of fishing <DayPick label="Day of fishing" value={day} onPick={setDay} />
      </p>
      <SumFields fields={FIELDS} values={values} onChange={set} />
    </SumFrame>
  );
}
