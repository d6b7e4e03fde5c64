import type { FeedsView, NewFeeds } from '@bluffwind/contract/feeds';
import { campaign } from '@bluffwind/core/tackle/campaign';
import { addDays, HOUR, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { useSave } from '../data/useSave';
import { amount } from '../data/units';
import { DayField } from '../ui/form/choices';
import { Entry } from '../ui/form/Entry';
import { FigureField, TextField } from '../ui/form/fields';
import { dayName, rate } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { feedsQuery } from './queries';

interface Typed {
  readonly what: string;
  readonly kg: number | null;
  readonly cost: number | null;
  readonly day: string;
  readonly weeks: number | null;
  readonly aWeek: number | null;
}

const STANDS = {
  regularly: 'Fed regularly: it holds roaming fish.',
  'now and then': 'Fed, but not regularly: twice a week for one to two weeks holds them.',
  'not of late': 'Not fed of late.',
} as const;
/** Feeds go in towards the evening, local clock. */
const USUAL_H = 18;
const LISTED = 8;

/** Bait that goes in at a spot between trips: what went in, what is to go in, and what came of it. */
export function Feeds({ spotId, zone }: { spotId: string; zone: string }) {
  const list = useQuery(feedsQuery(spotId));
  const [sheet, setSheet] = useState<'fed' | 'plan' | null>(null);
  const touches = [['feeds', spotId], ['board'], ['desk']] as const;
  const today = localDate(serverNow(), zone);
  const saving = useSave<Typed>({
    send: (typed) => post(`/spots/${spotId}/feeds`, sheet === 'plan' ? planned(typed, zone) : fed(typed)),
    touches,
    told: sheet === 'plan' ? 'The feeds are planned; each is asked for on the Board on its day.' : 'Kept.',
    onStored: () => setSheet(null),
  });
  const settling = useSave<{ feed: FeedsView['feeds'][number]; as: 'done' | 'out' }>({
    send: ({ feed: { id, by: _, ...rest }, as }) =>
      as === 'out' ? post(`/feeds/${id}/remove`) : post(`/feeds/${id}`, { ...rest, at: new Date(serverNow()).toISOString(), done: true }),
    touches,
  });
  const close = () => {
    saving.clear();
    setSheet(null);
  };
  const d = list.data;
  const per = (x: FeedsView['before']) =>
    x.rodHours > 0 ? `${rate(x.fish / x.rodHours)} an hour (${x.fish} in ${x.rodHours.toFixed(0)} rod-h)` : 'nothing fished';
  return (
    <section aria-label="Feeds">
      <h3 className="mt-3 border-t border-line pt-2 font-semibold">Feeds</h3>
      {list.error && <Fault error={list.error} retry={() => void list.refetch()} />}
      {d && (
        <p className="text-[0.9rem]" data-fed={d.stands}>
          {STANDS[d.stands]}
          {d.kg > 0 ? ` ${amount(d.kg, 'weight', 1)} in ninety days${d.cost > 0 ? `, cost ${d.cost.toFixed(0)}` : ''}.` : ''}
          {d.kg > 0 ? ` Before it gave ${per(d.before)}, since then ${per(d.since)}.` : ''}
        </p>
      )}
      <ul className="text-[0.87rem]">
        {d?.feeds.slice(-LISTED).map((f) => (
          <li key={f.id} className="flex items-center justify-between gap-2 border-t border-line py-1">
            <span>
              {dayName(f.at, zone)}: {amount(f.kg, 'weight', 1)} {f.what}
              {f.done ? <span className="text-ink-2">, {f.by.split(' ')[0]}</span> : <span className="text-rust"> planned</span>}
            </span>
            <span className="flex gap-1">
              {!f.done && (
                <Button className="py-0.5" disabled={settling.busy} onClick={() => settling.save({ feed: f, as: 'done' })}>
                  It is in
                </Button>
              )}
              <Button
                className="py-0.5"
                disabled={settling.busy}
                aria-label={`Take out the feed of ${dayName(f.at, zone)}`}
                onClick={() => settling.save({ feed: f, as: 'out' })}
              >
                Take out
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {settling.error !== null && <Fault error={settling.error} />}
      <div className="mt-1 flex gap-2">
        <Button className="py-1" onClick={() => setSheet('fed')}>
          Fed it
        </Button>
        <Button className="py-1" onClick={() => setSheet('plan')}>
          Plan feeds
        </Button>
      </div>
      <Sheet
        open={sheet !== null}
        title={sheet === 'plan' ? 'Feeds before a day of fishing' : 'What went in'}
        note={
          sheet === 'plan'
            ? 'Spread evenly, the last on the day before. What is planned counts for nothing until it is in. Leave the fish two to four weeks after the spawn.'
            : 'Now, at this spot. Fed twice a week for one to two weeks it holds roaming fish.'
        }
        onClose={close}
      >
        <Entry<Typed>
          values={{ what: '', kg: 2, cost: null, day: addDays(today, 15), weeks: 2, aWeek: 2 }}
          saving={saving}
          onSave={saving.save}
          onLeave={close}
          store={sheet === 'plan' ? 'Plan them' : 'Keep it'}
        >
          <TextField name="what" label="What" maxLength={60} placeholder="corn and pellets" />
          <div className="grid grid-cols-2 gap-3">
            <FigureField name="kg" label="How much" measure="weight" min={0.05} max={200} required />
            <FigureField name="cost" label="Cost" min={0} max={100_000} money hint="In your own money." />
          </div>
          {sheet === 'plan' && (
            <div className="grid grid-cols-2 gap-3">
              <DayField name="day" label="Fish it on" className="col-span-2" />
              <FigureField name="weeks" label="Weeks ahead" min={1} max={6} required />
              <FigureField name="aWeek" label="Feeds a week" min={1} max={7} required />
            </div>
          )}
        </Entry>
      </Sheet>
    </section>
  );
}

const fed = ({ what, kg, cost }: Typed): NewFeeds => ({
  feeds: [{ id: v7(), at: new Date(serverNow()).toISOString(), what, kg: kg ?? 0, cost: cost ?? 0, done: true }],
});

/** The feeds of a campaign that still lie ahead. */
function planned({ what, kg, cost, day, weeks, aWeek }: Typed, zone: string): NewFeeds {
  const fishing = startOfLocalDay(day, zone) + USUAL_H * HOUR;
  const plan = campaign(fishing, { weeks: weeks ?? 2, feedsAWeek: aWeek ?? 2, kgAFeed: kg ?? 0, costPerKg: 0 });
  return {
    feeds: plan.feeds
      .filter((f) => f.atMs > serverNow())
      .map((f) => ({ id: v7(), at: new Date(f.atMs).toISOString(), what, kg: f.kg, cost: cost ?? 0, done: false })),
  };
}
