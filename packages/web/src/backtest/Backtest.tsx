import type { BacktestSummary, Foretold } from '@bluffwind/core/catchrate/backtest';
import { useQuery } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { deskQuery, tripQuery } from '../data/queries';
import { askAgain, failedOf } from '../data/failedOf';
import { dayName, fish, rate } from '../ui/format';
import { Header, RangeBar, Waiting } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { usePlanWorker } from '../workers/usePlanWorker';
import { CalibrationChart } from './CalibrationChart';
import { DaysChart } from './DaysChart';
import { Term } from '../ui/Term';

const DAYS = 30;
interface SoFar {
  readonly summary: BacktestSummary | null;
  readonly rows: readonly Foretold[];
  readonly done: number;
  readonly of: number;
}

/** The last days foretold from what was known before each: how far the model may be believed. */
export default function Backtest() {
  const { id = '' } = useParams();
  return <BacktestOf key={id} id={id} />;
}

function BacktestOf({ id }: { id: string }) {
  const trip = useQuery(tripQuery(id));
  const desk = useQuery(deskQuery(id));
  const { worker, opened, failed: unranked, again } = usePlanWorker(desk.data);
  const [so, setSo] = useState<SoFar | null>(null);
  useEffect(() => {
    if (!worker || !opened) return;
    let current = true;
    void worker.backtest(
      DAYS,
      proxy((x: SoFar) => {
        if (current) setSo(x);
      }),
    );
    return () => {
      current = false;
    };
  }, [worker, opened]);
  const d = desk.data;
  if (unranked || !trip.data || !d) {
    const failed = failedOf(trip, desk);
    return <StandIn title="Foretold" what="Opening the log" error={failed ?? unranked} retry={failed ? askAgain(trip, desk) : again} />;
  }
  const done = so !== null && so.done === so.of;
  const s = done ? so.summary : null;
  const ways = [
    ['model', 'the model'],
    ['average', 'each spot’s average'],
    ['yesterday', 'the day before'],
  ] as const;
  const spot = (x: string) => d.spots.find((y) => y.id === x)?.name ?? '';
  const bait = (x: string) => d.presentations.find((y) => y.id === x)?.name ?? '';
  const most = Math.max(4, ...(so?.rows ?? []).map((r) => Math.max(r.hi80, r.fish)));
  return (
    <>
      <Header
        title={`Foretold, ${trip.data.water.name}`}
        note={
          so && so.done < so.of
            ? `${so.done} of ${so.of} days foretold ...`
            : `the last ${so?.of ?? DAYS} days with stops, each from what was known the evening before`
        }
      />
      <section aria-label="The past foretold" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-4">
        {!s &&
          (done ? (
            <p className="text-ink-2">Too little is logged here to foretell a day from the days before it.</p>
          ) : (
            <>
              <progress
                value={so?.done ?? 0}
                max={Math.max(1, so?.of ?? DAYS)}
                aria-label="Days foretold"
                className="w-[320px] max-w-full"
              />
              <Waiting what="Foretelling past days" />
            </>
          ))}
        {s && so && (
          <div data-backtest>
            <p className="max-w-prose">
              {s.sets} entries of the log gave <b className="num">{fish(s.fish)}</b> fish where <b className="num">{fish(s.expected)}</b>{' '}
              were expected. <b className="num">{(100 * s.inside).toFixed(0)} %</b> of the counts lay inside their 80 % range. Counts are
              whole numbers, so a range of few fish holds somewhat more than it says.
            </p>
            <table className="mt-3 [&_td]:pr-3 [&_th]:pr-3 md:[&_td]:pr-6 md:[&_th]:pr-6">
              <caption className="py-1 text-left font-semibold">Against two ways that guides go by</caption>
              <thead className="text-ink-2">
                <tr>
                  {[
                    'by',
                    'how far off, an entry (less is better)',
                    'fish per rod-hour in the third of the hours that it would have kept',
                  ].map((h) => (
                    <th key={h} scope="col" className="text-left font-normal">
                      {h} {h.startsWith('how far off') && <Term name="how far off" />}
                      {h.startsWith('fish per rod-hour') && <Term name="rod-hour" />}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {ways.map(([key, name]) => (
                  <tr key={key} className="border-t border-line">
                    <td className={key === 'model' ? 'font-bold text-kelp' : ''}>{name}</td>
                    <td className="num">{s.apart[key].toFixed(3)}</td>
                    <td className="num">{rate(s.bestThird[key])}</td>
                  </tr>
                ))}
                <tr className="border-t border-line">
                  <td>all hours that were fished</td>
                  <td />
                  <td className="num">{rate(s.bestThird.all)}</td>
                </tr>
              </tbody>
            </table>
            <DaysChart rows={so.rows} zone={d.zone} />
            <CalibrationChart calibration={s.calibration} />
            <h2 className="mt-4 font-bold">Entry by entry, newest first</h2>
            <ol>
              {[...so.rows]
                .reverse()
                .slice(0, 60)
                .map((r) => (
                  <li
                    key={`${r.at} ${r.spot} ${r.presentation} ${r.rodHours}`}
                    className="grid grid-cols-[1fr_auto] items-center gap-x-3 md:grid-cols-[110px_1fr_1fr_170px_120px] border-t border-line py-1 text-[0.9rem]"
                  >
                    <span>{dayName(r.at, d.zone)}</span>
                    <b>{spot(r.spot)}</b>
                    <span className="truncate text-ink-2">{bait(r.presentation)}</span>
                    <RangeBar
                      lo={r.lo80}
                      mid={r.model}
                      hi={r.hi80}
                      dot={r.fish}
                      max={most}
                      label={`${r.lo80} to ${r.hi80} expected, ${r.fish} came`}
                    />
                    <span className="num">
                      {r.fish} of {fish(r.model)}
                    </span>
                  </li>
                ))}
            </ol>
          </div>
        )}
      </section>
    </>
  );
}
