import type { TripRisk } from '@bluffwind/contract/risk';
import type { Board as BoardView, TripView } from '@bluffwind/contract/trips';
import { localDate, addDays } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { askAgain } from '../data/failedOf';
import { boardQuery, meQuery, outfitQuery, stateQuery } from '../data/queries';
import { serverNow } from '../data/clock';
import { boardSpan } from '../data/spans';
import { useCursor } from '../data/time';
import { quantityList } from '@bluffwind/core/risk/findingWords';
import { clock, dateName, dayName, fish, GOALS } from '../ui/format';
import { RiskLines } from '../risk/RiskLines';
import { Header, RangeBar, Waiting } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { FirstEvening } from './FirstEvening';
import { Sample } from './Sample';
import { beginningsQuery, risksQuery } from './queries';

const Ribbon = lazy(() => import('../ribbon/Ribbon').then((m) => ({ default: m.Ribbon })));

/** How long the Board waits for what speaks against its trips. */
const PATIENCE_MS = 2500;

export default function Board() {
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const board = useQuery(boardQuery);
  const cursor = useCursor();
  const zone = me?.outfit.zone ?? 'UTC';
  const now = serverNow();
  const today = localDate(now, zone);
  const tomorrow = addDays(today, 1);
  const water =
    outfit?.waters.find((w) => w.id === (board.data?.tomorrow[0]?.water.id ?? board.data?.today[0]?.water.id)) ?? outfit?.waters[0];
  const day = board.data && board.data.tomorrow.length > 0 ? tomorrow : today;
  const [from, to] = useMemo(() => boardSpan(day, zone), [day, zone]);
  const weighed = [useQuery(risksQuery(today)), useQuery(risksQuery(tomorrow))];
  const risks = weighed.flatMap((r) => r.data ?? []);
  // Rows that grow under a finger are worse than a moment more; what takes longer comes later.
  const late = useLate(PATIENCE_MS);
  const beginnings = useQuery(beginningsQuery);
  const state = useQuery({ ...stateQuery(water?.id ?? '', from, to), enabled: water !== undefined });
  const title = `Tonight and ${dateName(tomorrow)}`;
  if (board.isPending || (board.data && !late && weighed.some((r) => r.isPending)))
    return <StandIn title={title} what="Opening the Board" />;
  if (!board.data) return <StandIn title={title} what="Opening the Board" error={board.error} retry={askAgain(board)} />;
  const { today: done, tomorrow: next, open } = board.data;
  return (
    <>
      <Header title={title} note={`${me?.outfit.name} · now ${dayName(now, zone)} ${clock(now, zone)}`} />
      <div className="min-h-0 flex-1 overflow-auto md:grid md:grid-cols-[1fr_300px] md:overflow-hidden">
        <section aria-label="Trips" tabIndex={0} className="px-[18px] py-4 md:overflow-auto">
          <OutNow out={board.data.out} zone={zone} />
          <Trips title="Tomorrow" trips={next} zone={zone} risks={risks} />
          <Trips title="Today" trips={done} zone={zone} risks={risks} />
          {beginnings.data && beginnings.data.plans === 0 && <FirstEvening b={beginnings.data} />}
          {beginnings.data && (beginnings.data.plans === 0 || beginnings.data.sample !== 'none') && (
            <Sample sample={beginnings.data.sample} mayEdit={me?.role !== 'mate'} />
          )}
          {next.length + done.length === 0 && beginnings.data?.plans !== 0 && (
            <p className="text-ink-2">
              No trips today or tomorrow.{' '}
              <Link to="/calendar?new=yes" className="text-ink underline underline-offset-2">
                Make one
              </Link>
            </p>
          )}
        </section>
        <aside className="border-line px-[18px] py-4 max-md:border-t md:overflow-auto md:border-l md:px-4">
          <h2 className="font-bold">{open.length === 0 ? 'Nothing is open' : 'Still open'}</h2>
          <ul>
            {open.map((o) => (
              <li key={o.text} className="border-t border-line py-2">
                {o.tripId ? (
                  <Link to={`/trips/${o.tripId}`} className="text-rust underline underline-offset-2">
                    {o.text}
                  </Link>
                ) : (
                  o.text
                )}
              </li>
            ))}
          </ul>
          <p className="mt-6 text-[0.87rem] text-ink-2">
            <Link to={`/brief/${tomorrow}`} className="underline underline-offset-2">
              Brief for {dateName(tomorrow)}
            </Link>
          </p>
        </aside>
      </div>
      {water && state.data && (
        <section aria-label={`${water.name}, ${dateName(day)}`}>
          <p className="border-line px-[18px] py-1 text-[0.87rem] text-ink-2 max-md:border-t md:pt-0">
            {water.name}, {dateName(day)}. Cursor {clock(cursor.at, zone)}.
          </p>
          <Suspense fallback={<Waiting what="Drawing" />}>
            <Ribbon
              from={from}
              to={to}
              now={now}
              zone={zone}
              state={state.data}
              startAt={Date.parse(day === tomorrow ? (next[0]?.startsAt ?? '') : (done[0]?.startsAt ?? '')) || undefined}
              lanes={[['light', 10], ...(water.tidal ? [['tide', 66] as const] : []), ['wind', 50], ['waterTempC', 46]]}
            />
          </Suspense>
        </section>
      )}
    </>
  );
}

/** Who is out and where, in words, as far as the reader may know it. */
function OutNow({ out, zone }: { out: BoardView['out'] | undefined; zone: string }) {
  // An answer that was kept on the phone before this was told has none.
  if (!out || out.length === 0) return null;
  return (
    <section className="mb-5">
      <h2 className="mb-1 font-bold">Out now</h2>
      <ul>
        {out.map((o) => (
          <li key={o.tripId} data-out={o.boat} className="border-t border-line py-2.5">
            <Link to={`/deck/${o.tripId}`} className="text-ink underline-offset-2 hover:underline">
              <b>{o.boat}</b>
            </Link>{' '}
            {o.fishing ? `lines in${o.spot ? ` at ${o.spot}` : ''}` : 'under way'} since{' '}
            <span className="num">{clock(o.sinceAt, zone)}</span>, {o.fish} fish, back by{' '}
            <span className="num">{clock(o.dueAt, zone)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** True once so long has passed on this screen. */
function useLate(ms: number): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = window.setTimeout(() => setLate(true), ms);
    return () => window.clearTimeout(timer);
  }, [ms]);
  return late;
}

function Trips({ title, trips, zone, risks }: { title: string; trips: readonly TripView[]; zone: string; risks: readonly TripRisk[] }) {
  if (trips.length === 0) return null;
  const max = Math.max(10, ...trips.map((t) => t.plan?.hi80 ?? 0));
  return (
    <section className="mb-5">
      <h2 className="mb-1 font-bold">{title}</h2>
      <ul>
        {trips.map((t) => (
          <li key={t.id} className="border-t border-line">
            <Link
              to={`/trips/${t.id}`}
              className="grid items-center gap-x-4 gap-y-1 py-2.5 text-ink no-underline hover:bg-paper md:grid-cols-[118px_1fr_auto_190px]"
            >
              <span className="num text-[0.93rem]">
                {clock(t.startsAt, zone)}–{clock(t.endsAt, zone)}
              </span>
              <span className="min-w-0">
                <b>{t.boat.name}</b>{' '}
                <span className="text-ink-2">
                  · {t.captain.name.split(' ')[0]} · {t.water.name}
                </span>
                <br />
                <span className="text-[0.9rem] text-ink-2">
                  {t.guests.length > 0 ? `${t.guests[0]?.name.split(' ').at(-1)} party, ${t.guests.length}` : 'no guests named'}
                  {t.guests.some((g) => g.child) ? `, ${t.guests.filter((g) => g.child).length} children` : ''} · wants {GOALS[t.goal]}
                  {t.wish ? ` · ${t.wish}` : ''}
                </span>
              </span>
              <span className={`text-[0.87rem] ${t.status === 'under way' ? 'font-bold text-kelp' : 'text-ink-2'}`}>
                {t.status === 'planned' ? '' : t.status}
              </span>
              {t.plan ? (
                <span className="flex items-center gap-3 md:justify-end">
                  <RangeBar
                    lo={t.plan.lo80}
                    mid={t.plan.expected}
                    hi={t.plan.hi80}
                    max={max}
                    width={90}
                    label={`80 % range ${t.plan.lo80} to ${t.plan.hi80} fish`}
                  />
                  <span className="text-right">
                    <b className="num">{fish(t.plan.expected)}</b> <span className="text-[0.8rem] text-ink-2">fish</span>
                  </span>
                </span>
              ) : (
                <span className={`text-[0.9rem] md:text-right ${t.status === 'done' ? 'text-ink-2' : 'text-rust'}`}>
                  {t.status === 'done' ? 'no plan was kept' : 'no plan yet'}
                </span>
              )}
            </Link>
            <Risk risk={risks.find((r) => r.tripId === t.id)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What speaks against a trip on what is known now, the gravest first. */
function Risk({ risk }: { risk: TripRisk | undefined }) {
  if (!risk || risk.worst === 'within') return null;
  const lines = [
    ...risk.lines,
    ...(risk.notKnown.length > 0 ? [{ level: 'unknown' as const, text: `Not known: ${quantityList(risk.notKnown)}` }] : []),
  ];
  return (
    <div className="pb-2 md:pl-[134px]" data-trip-risk={risk.worst}>
      <RiskLines lines={lines} className="text-[0.87rem]" />
    </div>
  );
}
