import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { seriesOf, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { ALL_VARIABLES, type VariableName } from '@bluffwind/core/weather/variables';
import { localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { NoWater } from '../ui/NoWater';
import { boardQuery, chartQuery, meQuery, outfitQuery, spotsQuery, stateQuery } from '../data/queries';
import { serverNow } from '../data/clock';
import { waterSpan } from '../data/spans';
import { useCursor } from '../data/time';
import { bedOfChart } from '../chart/bedOfChart';
import { Ribbon } from '../ribbon/Ribbon';
import type { LaneSpec } from '../ribbon/laneProps';
import { clock, dayName } from '../ui/format';
import { Pick } from '../ui/Choice';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { SideTabs } from '../ui/SideTabs';
import { usePocket } from '../ui/usePocket';
import { Workplace } from '../ui/Workplace';
import { CrewReadings } from './CrewReadings';
import { PassageList } from './PassageList';
import { ReadingDialog } from './ReadingDialog';
import { sinceYesterday } from './sinceYesterday';
import { StationList } from './StationList';
import { WarmthList } from './WarmthList';
import { useKeys } from '../data/useKeys';
import { Term } from '../ui/Term';

const ImportReadings = lazy(() => import('../imports/ImportReadings').then((m) => ({ default: m.ImportReadings })));

/** Lanes that stand there with or without readings; others come with theirs. */
const ALWAYS: readonly VariableName[] = ['waterTempC', 'airTempC', 'clarityM', 'pressureHpa'];

export default function Water() {
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const [params, setParams] = useSearchParams();
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const waterId = water?.id ?? '';
  const zone = me?.outfit.zone ?? 'UTC';
  const now = serverNow();
  const today = localDate(now, zone);
  const pocket = usePocket();
  const [from, to] = useMemo(() => waterSpan(today, zone, pocket), [today, zone, pocket]);
  const state = useQuery({ ...stateQuery(waterId, from, to), enabled: water !== undefined, refetchInterval: 20_000 });
  const spots = useQuery({ ...spotsQuery(waterId), enabled: water !== undefined });
  const chart = useQuery({ ...chartQuery(waterId), enabled: water !== undefined });
  const board = useQuery(boardQuery);
  const [adding, setAdding] = useState(false);
  const [importing, setImporting] = useState(false);
  const cursor = useCursor();
  useKeys({ n: () => setAdding(true), i: () => setImporting(true) });
  const minute = Math.floor(now / 60_000);
  const changes = useMemo(() => (state.data ? sinceYesterday(state.data, minute * 60_000, zone) : []), [state.data, minute, zone]);
  const live = useMemo(() => (state.data ? waterStateOf(state.data.record) : null), [state.data]);
  const at = useMemo(() => (live ? conditionsOver(live, from, to) : null), [live, from, to]);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  if (state.error && !state.data) return <Fault error={state.error} retry={() => state.refetch()} />;
  if (outfit && !water) return <NoWater screen="Water" />;
  if (!water || !state.data || !live || !at) return <Waiting what="Reading the water" />;
  const s = state.data;
  const boats = outfit?.boats ?? [];
  const boat = water.kind === 'fresh' ? boats.at(-1) : boats[0];
  const lanes: LaneSpec[] = [
    ['light', 12],
    ...(water.tidal ? [['tide', 118] as const] : []),
    ...(live.currents.length > 0 ? [['current', 64] as const] : []),
    ['wind', 130],
    ['waterTempC', 104],
    ['airTempC', 84],
    ...ALL_VARIABLES.flatMap(([name, v]): LaneSpec[] => (v.lane && !ALWAYS.includes(name) && seriesOf(live, name) ? [[name, 80]] : [])),
    ['clarityM', 80],
    ['pressureHpa', 80],
  ];
  return (
    <>
      <Header
        title={`${water.name}, ${dayName(now, zone)} ${clock(now, zone)}`}
        note={`${s.stations.length} ${s.stations.length === 1 ? 'station' : 'stations'}, ${s.crewReadings.length} crew readings here${s.forecastRunAt ? `, forecast of ${clock(s.forecastRunAt, zone)}` : ', no forecast'}`}
      >
        <Pick label="Water" value={water.id} options={outfit?.waters ?? []} onPick={(id) => setParams({ water: id })} />
        <Button hint="I" onClick={() => setImporting(true)}>
          Import
        </Button>
        <Button hint="N" onClick={() => setAdding(true)}>
          Add a reading
        </Button>
      </Header>
      {state.error && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1">
          No answer from the server; this is what was last read. {state.error.message}
        </p>
      )}
      <Workplace
        label="What the water does"
        width={350}
        pulled={1}
        panel={
          <SideTabs
            label="What to look at"
            tabs={[
              {
                value: 'changed',
                name: 'Changed',
                content: (
                  <>
                    <h2 className="mb-1 font-bold">Since this time yesterday</h2>
                    {changes.map((c) => (
                      <div key={c.head} className="border-t border-line py-2">
                        <p>
                          <b className={c.caution ? 'text-rust' : ''}>{c.head}</b> {c.text}
                        </p>
                        {c.meaning && <p className="text-[0.9rem] text-ink-2">{c.meaning}</p>}
                      </div>
                    ))}
                    <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
                      Solid is measured, dashed is forecast with its spread, dotted is carried forward. Usual practice, never permission:
                      local rules and the captain’s judgement come first.
                    </p>
                  </>
                ),
              },
              {
                value: 'warmth',
                name: 'Warmth',
                content: (
                  <>
                    <h2 className="mb-1 font-bold">
                      Where it warms first <Term name="warmth" />
                    </h2>
                    <WarmthList waterId={water.id} spots={spots.data ?? []} at={at} cursorAt={cursor.at} zone={zone} />
                  </>
                ),
              },
              {
                value: 'passage',
                name: 'Bars, limits',
                content: (
                  <>
                    <h2 className="mb-1 font-bold">
                      Bars and limits <Term name="bars, limits" />
                    </h2>
                    {chart.data && bed ? (
                      <PassageList
                        chart={chart.data}
                        bed={bed}
                        water={live}
                        waterId={water.id}
                        boats={boats.filter((b) => b.craft === 'boat')}
                        trips={[...(board.data?.today ?? []), ...(board.data?.tomorrow ?? [])]}
                        at={at}
                        cursorAt={cursor.at}
                        zone={zone}
                        mayEdit={me !== undefined && me.role !== 'mate'}
                      />
                    ) : chart.error ? (
                      <Fault error={chart.error} retry={() => void chart.refetch()} />
                    ) : (
                      <Waiting what="Opening the chart" />
                    )}
                  </>
                ),
              },
              {
                value: 'sources',
                name: 'Sources',
                content: (
                  <>
                    <h2 className="mb-1 font-bold">Who speaks</h2>
                    <StationList state={s} now={now} zone={zone} />
                    <CrewReadings state={s} waterId={water.id} zone={zone} />
                  </>
                ),
              },
            ]}
          />
        }
      >
        <div className="h-full overflow-x-hidden overflow-y-auto">
          <Ribbon
            all
            from={from}
            to={to}
            now={now}
            zone={zone}
            state={s}
            limit={boat && boat.windLimitMps !== null ? { mps: boat.windLimitMps, name: `${boat.name} stays in above` } : undefined}
            lanes={lanes}
          />
        </div>
      </Workplace>
      <ReadingDialog open={adding} waterId={water.id} waterName={water.name} spots={spots.data ?? []} onClose={() => setAdding(false)} />
      <Suspense fallback={null}>
        {importing && <ImportReadings waterId={water.id} waterName={water.name} zone={zone} onClose={() => setImporting(false)} />}
      </Suspense>
    </>
  );
}
