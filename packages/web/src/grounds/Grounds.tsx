import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { compassPoint } from '@bluffwind/core/units/angle';
import { HOUR, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { chartQuery, meQuery, outfitQuery, spotsQuery, stateQuery } from '../app/queries';
import { serverNow } from '../app/clock';
import { useCursor } from '../app/time';
import { Chart } from '../chart/Chart';
import { Ribbon } from '../ribbon/Ribbon';
import { clock, dayName, depth, rate } from '../ui/format';
import { Fault, Header, Waiting } from '../ui/parts';

/** -1 full lee to 1 square onto the bank, in a word. */
function exposureWord(onshore: number | null, windMps: number | null, fetchM: number | null): string {
  if (windMps === null) return 'wind unknown';
  if (windMps < 2) return 'calm';
  if (fetchM !== null && fetchM < 900) return 'sheltered';
  if (onshore === null) return 'open';
  return onshore > 0.4 ? 'windblown' : onshore < -0.4 ? 'lee' : 'wind across';
}

export default function Grounds() {
  const [params, setParams] = useSearchParams();
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const chart = useQuery({ ...chartQuery(water?.id ?? ''), enabled: water !== undefined });
  const spots = useQuery({ ...spotsQuery(water?.id ?? ''), enabled: water !== undefined });
  const cursor = useCursor();
  const [selected, setSelected] = useState<string | null>(null);
  const [search, setSearch] = useState('');
  const zone = me?.outfit.zone ?? 'UTC';
  const [from, to] = useMemo(() => {
    const start = startOfLocalDay(localDate(serverNow(), zone), zone);
    return [start + 4 * HOUR, start + 46 * HOUR];
  }, [zone]);
  const state = useQuery({ ...stateQuery(water?.id ?? '', from, to), enabled: water !== undefined });
  const at = useMemo(() => (state.data ? conditionsOver(waterStateOf(state.data.record), from, to) : null), [state.data, from, to]);
  const failed = chart.error ?? spots.error ?? state.error;
  if (failed) return <Fault error={failed} retry={() => void chart.refetch()} />;
  if (!water || !chart.data || !spots.data || !at || !state.data) return <Waiting what="Opening the chart" />;
  const list = spots.data.filter((s) => s.name.toLowerCase().includes(search.toLowerCase()));
  const first = list[0] ?? spots.data[0];
  const shared = first ? at(first, cursor.at) : null;
  return (
    <>
      <Header title={water.name} note={`${spots.data.length} spots · ${dayName(cursor.at, zone)} ${clock(cursor.at, zone)}`}>
        <div role="group" aria-label="Water" className="flex">
          {outfit?.waters.map((w) => (
            <button
              key={w.id}
              type="button"
              aria-pressed={w.id === water.id}
              onClick={() => setParams({ water: w.id })}
              className={`cursor-pointer border border-ink px-3 py-1 text-[0.9rem] first:rounded-l last:rounded-r ${w.id === water.id ? 'bg-ink text-chalk' : 'text-ink'}`}
            >
              {w.name}
            </button>
          ))}
        </div>
      </Header>
      <div className="grid min-h-0 flex-1 grid-cols-[320px_1fr]">
        <section aria-label="Spots" className="flex min-h-0 flex-col border-r border-line">
          <input
            data-search
            aria-label="Search spots"
            placeholder="/ search spots"
            value={search}
            onChange={(e) => setSearch(e.target.value)}
            className="m-2 rounded border border-line bg-paper px-2 py-1"
          />
          <ul className="min-h-0 flex-1 overflow-auto">
            {list.map((s) => {
              const c = at(s, cursor.at);
              const open = s.id === selected;
              const dry = c.depthM <= 0;
              return (
                <li key={s.id} className={`border-t border-line border-l-4 ${open ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`}>
                  <button
                    type="button"
                    aria-expanded={open}
                    className="block w-full cursor-pointer px-3 py-2 text-left"
                    onClick={() => setSelected(open ? null : s.id)}
                  >
                    <span className="flex justify-between gap-2">
                      <b className="truncate">{s.name}</b>
                      <span className={`num shrink-0 ${dry ? 'text-rust' : ''}`}>{dry ? 'dry' : `${depth(c.depthM)} m`}</span>
                    </span>
                    <span className="block text-[0.87rem] text-ink-2">
                      {s.structure} over {s.bottom} · {exposureWord(c.onshore, c.windMps, c.fetchM)}
                      {s.privacy === 'captain' ? ' · captains only' : ''}
                    </span>
                  </button>
                  {open && (
                    <dl className="grid grid-cols-[auto_1fr] gap-x-4 px-3 pb-3 text-[0.87rem]">
                      <dt className="text-ink-2">Depth, chart datum</dt>
                      <dd className="num">
                        {depth(s.depthMinM)} to {depth(s.depthMaxM)} m
                      </dd>
                      {s.accessDepthM !== null && (
                        <>
                          <dt className="text-ink-2">Way in</dt>
                          <dd className="num">
                            {s.accessDepthM.toFixed(1)} m at datum, {(s.accessDepthM + (c.tideHeightM ?? 0)).toFixed(1)} m now
                          </dd>
                        </>
                      )}
                      <dt className="text-ink-2">Fetch to the wind</dt>
                      <dd className="num">
                        {c.fetchM === null ? 'unknown' : c.fetchM > 20000 ? 'open sea' : `${(c.fetchM / 1000).toFixed(1)} km`}
                      </dd>
                      <dt className="text-ink-2">Wave</dt>
                      <dd className="num">{c.waveM === null ? 'unknown' : `${c.waveM.toFixed(1)} m`}</dd>
                      {s.shoreNormalDeg !== null && (
                        <>
                          <dt className="text-ink-2">Bank faces</dt>
                          <dd>{compassPoint(s.shoreNormalDeg)}</dd>
                        </>
                      )}
                      <dt className="text-ink-2">Light at fish depth</dt>
                      <dd className="num">{c.lightFraction === null ? 'unknown' : `${(c.lightFraction * 100).toFixed(0)} %`}</dd>
                      <dt className="text-ink-2">In the log</dt>
                      <dd className="num">
                        {s.fish} fish in {s.rodHours.toFixed(0)} rod-h{s.rodHours > 0 ? `, ${rate(s.fish / s.rodHours)} an hour` : ''}
                      </dd>
                    </dl>
                  )}
                </li>
              );
            })}
            {list.length === 0 && <li className="px-3 py-2 text-ink-2">No spot of that name.</li>}
          </ul>
        </section>
        <Chart
          data={chart.data}
          spots={spots.data}
          dock={{ lat: water.dockLat, lon: water.dockLon }}
          tideM={shared?.tideHeightM ?? null}
          wind={shared?.windMps != null && shared.windFromDeg !== null ? { mps: shared.windMps, fromDeg: shared.windFromDeg } : null}
          time={clock(cursor.at, zone)}
          selected={selected}
          onSelect={setSelected}
        />
      </div>
      <Ribbon
        from={from}
        to={to}
        now={serverNow()}
        zone={zone}
        state={state.data}
        lanes={[['light', 10], ...(water.tidal ? [['tide', 56] as const] : []), ['wind', 46], ['water', 44]]}
      />
    </>
  );
}
