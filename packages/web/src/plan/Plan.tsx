import type { PlanDesk } from '@bluffwind/contract/plan';
import { plainSpot, conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { DayRisk } from '@bluffwind/core/plan/legRisk';
import { atRisk, type Quantity } from '@bluffwind/core/risk/judge';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { chartQuery, deskQuery, meQuery, outfitQuery, stateQuery, tripQuery } from '../data/queries';
import { failedOf } from '../data/failedOf';
import { serverNow } from '../data/clock';
import { tripSpan } from '../data/spans';
import { useCursor } from '../data/time';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { Ribbon } from '../ribbon/Ribbon';
import { clock, dayName, fish, GOALS } from '../ui/format';
import { Menu, MenuItem } from '../ui/Menu';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { SideTabs } from '../ui/SideTabs';
import { Workplace } from '../ui/Workplace';
import { CallList } from './CallList';
import { Changes } from './Changes';
import { CompareSheet } from './CompareSheet';
import { Kept } from './Kept';
import { LegsLane } from './LegsLane';
import { Party } from './Party';
import { PlanNotices } from './PlanNotices';
import { PlanPage } from './PlanPage';
import { Stops } from './Stops';
import { useDragWorth } from './useDragWorth';
import { useFindings } from './useFindings';
import { usePlan } from './usePlan';
import { usePlanKeys } from './usePlanKeys';
import { usePlanWorker } from '../workers/usePlanWorker';
import { useRoute } from './useRoute';
import { Yesterday } from './Yesterday';
import { useAddress } from '../data/useAddress';
import { Term } from '../ui/Term';

const NOTHING: readonly Quantity[] = [];

/** A kept plan was kept by somebody who had seen what is not known; if no more is unknown now, that holds. */
function mayPlanBySaved(desk: PlanDesk | undefined, notKnown: readonly Quantity[]): boolean {
  return desk?.saved != null && notKnown.every((q) => desk.saved?.notKnown.includes(q));
}

/** How many things are over and near in a plan. */
function countOf(risk: DayRisk): { over: number; near: number } {
  const all = [...risk.legs.flatMap((l) => [...l.here, ...l.way]), ...risk.home];
  const count = (level: 'over' | 'near') => new Set(all.filter((s) => s.level === level).map((s) => s.quantity)).size;
  return { over: count('over'), near: count('near') };
}

function Ranking({ failed, again }: { failed: Error | null; again: () => void }) {
  return failed ? <Fault error={failed} retry={again} /> : <Waiting what="Ranking the spots" />;
}

/** A trip's plan; another trip begins with nothing of this one. */
export default function Plan() {
  const { id = '' } = useParams();
  return <PlanOf key={id} id={id} />;
}

function PlanOf({ id }: { id: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: me } = useQuery(meQuery);
  const trip = useQuery(tripQuery(id));
  const desk = useQuery(deskQuery(id));
  const { data: outfit } = useQuery(outfitQuery);
  const waterId = trip.data?.water.id ?? '';
  const chart = useQuery({ ...chartQuery(waterId), enabled: waterId !== '' });
  const { worker, opened, failed: unranked, again } = usePlanWorker(desk.data);
  // What takes its time has a worker of its own, so that a leg in hand never waits for it.
  const { worker: behind, opened: behindOpened } = usePlanWorker(opened ? desk.data : undefined);
  // By what he saw to be unknown: what is unknown besides is asked anew.
  const [saw, setSaw] = useState<readonly Quantity[]>(NOTHING);
  const notKnown = opened?.notKnown ?? NOTHING;
  const sawUnknown = notKnown.every((q) => saw.includes(q));
  const plan = usePlan(id, desk.data, worker, opened !== null, sawUnknown || mayPlanBySaved(desk.data, notKnown) ? notKnown : NOTHING);
  const { shown } = plan;
  const cursor = useCursor();
  const [selected, setSelected] = useAddress('spot', null);
  const [comparing, setComparing] = useState(false);
  const [previous, setPrevious] = useState<typeof shown>(null);
  const { worth, drag, letGo } = useDragWorth(worker, shown?.legs ?? []);
  const d = desk.data;
  const mayEdit = me !== undefined && me.role !== 'mate' && trip.data?.status !== 'done' && d?.hiddenLegs === 0;

  // The ribbon shows the daylight round the trip.
  const [from, to] = useMemo(() => (d ? tripSpan(d.startsAt, d.endsAt) : [0, 0]), [d]);
  const state = useQuery({ ...stateQuery(waterId, from, to), enabled: d !== undefined && waterId !== '' });

  const seen = notKnown.length === 0 || sawUnknown || mayPlanBySaved(d, notKnown);
  const { naive, fit, told, changes, whyNot } = useFindings({
    worker,
    behind: behindOpened ? behind : null,
    opened: opened !== null,
    shown,
    selected,
  });
  const { lay, ban, pin, undo, redo } = plan;
  const layNow = useCallback(() => {
    if (!seen) return;
    setPrevious(shown);
    lay();
  }, [lay, shown, seen]);
  const compare = useCallback(() => setComparing(true), []);
  usePlanKeys({ lay: layNow, ban, pin, undo, redo, compare });

  const now = useMemo(() => {
    if (!d) return null;
    const at = conditionsOver(waterStateOf(d.water), from, to);
    return at(plainSpot(d.water, 5), cursor.at);
  }, [d, from, to, cursor.at]);
  const waterInfo = outfit?.waters.find((w) => w.id === waterId);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  const route = useRoute(d, chart.data, bed, waterInfo, shown?.legs);
  const spots = useMemo(
    () =>
      (d?.spots ?? []).map((s) => {
        const i = shown?.legs.findIndex((l) => l.spotId === s.id) ?? -1;
        return {
          id: s.id,
          name: s.name,
          lat: s.lat,
          lon: s.lon,
          ...(i >= 0 ? { order: i + 1 } : {}),
          banned: shown?.bans.includes(s.id) ?? false,
        };
      }),
    [d, shown],
  );

  const failed = failedOf(trip, desk, chart);
  if (failed) return <Fault error={failed} retry={() => void queries.invalidateQueries()} />;
  if (!d || !trip.data || !chart.data || !bed || !waterInfo) return <Waiting what="Opening the trip" />;
  const t = trip.data;
  const party =
    t.guests.length > 0
      ? `${t.guests[0]?.name.split(' ').at(-1)} party, ${t.guests.length}${t.guests.some((g) => g.child) ? ` (${t.guests.filter((g) => g.child).length} children)` : ''}`
      : 'no guests named';
  return (
    <>
      <Header
        title={`${dayName(t.startsAt, d.zone)}, ${t.boat.name}`}
        note={
          <>
            {party} · wants <b className="text-ink">{GOALS[t.goal]}</b>{' '}
            <span className="max-md:hidden">
              <Term name="goal" />
            </span>{' '}
            · {clock(t.startsAt, d.zone)} to {clock(t.endsAt, d.zone)} · {t.species.map((s) => s.name).join(', ')}
          </>
        }
      >
        <Menu name="More">
          <MenuItem onSelect={() => plan.canUndo && undo()}>
            Undo <kbd className="num">Z</kbd>
          </MenuItem>
          <MenuItem onSelect={() => plan.canRedo && redo()}>
            Redo <kbd className="num">Shift Z</kbd>
          </MenuItem>
          <MenuItem onSelect={() => navigate(`/trips/${id}/rigs`)}>Rigs and load</MenuItem>
          <MenuItem onSelect={() => navigate(`/trips/${id}/foretold`)}>Past days foretold</MenuItem>
          {shown && (
            <>
              <MenuItem onSelect={compare}>
                Compare two plans <kbd className="num">C</kbd>
              </MenuItem>
              <MenuItem onSelect={() => plan.setAgain(!shown.again)}>
                {shown.again ? 'One visit a spot' : 'Allow a second visit after a rest'}
              </MenuItem>
              <MenuItem onSelect={() => window.print()}>Print</MenuItem>
            </>
          )}
        </Menu>
        {shown && shown.saved === null && mayEdit && (
          <Button onClick={() => void plan.save(changes?.triggers ?? [])} disabled={plan.busy}>
            Save plan
          </Button>
        )}
        <Button strong hint="S" onClick={layNow} disabled={!opened || plan.busy || t.status === 'done' || !seen}>
          Lay the day
        </Button>
      </Header>
      <PlanNotices
        plan={plan}
        hiddenLegs={d.hiddenLegs}
        notKnown={notKnown}
        seen={seen}
        mayEdit={mayEdit}
        onSeen={() => setSaw(notKnown)}
        sentences={told?.sentences ?? []}
        worst={told?.risk ? countOf(told.risk) : null}
      />
      <Workplace
        label="Calls, stops and party"
        pulled={1}
        width={396}
        panel={
          <SideTabs
            label="What to look at"
            tabs={[
              {
                value: 'calls',
                name: 'Calls',
                full: true,
                content: opened ? (
                  <CallList
                    desk={d}
                    calls={opened.calls}
                    shut={opened.shut}
                    sets={opened.sets}
                    selected={selected}
                    inPlan={shown?.legs.map((l) => l.spotId) ?? []}
                    bans={shown?.bans ?? []}
                    onSelect={(s) => setSelected(s === selected ? null : s)}
                    onBan={ban}
                    onPin={pin}
                    pinned={shown?.legs.filter((l) => l.pinned).map((l) => l.spotId) ?? []}
                    whyNot={whyNot}
                  />
                ) : (
                  <Ranking failed={unranked} again={again} />
                ),
              },
              {
                value: 'stops',
                name: 'Stops',
                content: <Stops desk={d} shown={shown} told={told} selected={selected} onSelect={setSelected} />,
              },
              { value: 'yesterday', name: 'Yesterday', content: <Yesterday desk={d} naive={naive} shown={shown} /> },
              {
                value: 'changes',
                name: `What if${changes && changes.triggers.length > 0 ? ` ${changes.triggers.length}` : ''}`,
                content: <Changes desk={d} so={changes} kept={d.saved?.triggers ?? []} onTake={plan.show} />,
              },
              { value: 'party', name: 'Party', content: <Party desk={d} trip={t} mayEdit={mayEdit} fit={fit} /> },
              { value: 'kept', name: 'Kept', content: <Kept tripId={id} desk={d} /> },
            ]}
          />
        }
      >
        <Chart
          bed={bed}
          marks={chart.data.marks}
          features={chart.data.features}
          spots={spots}
          dock={{ lat: waterInfo.dockLat, lon: waterInfo.dockLon }}
          tideM={now?.tideHeightM ?? null}
          wind={now?.windMps != null && now.windFromDeg !== null ? { mps: now.windMps, fromDeg: now.windFromDeg } : null}
          time={clock(cursor.at, d.zone)}
          selected={selected}
          route={route}
          onSelect={setSelected}
        />
      </Workplace>
      {shown && <PlanPage desk={d} trip={t} plan={shown} told={told} fit={fit?.sentence ?? ''} naive={naive} changes={changes} />}
      {state.data && (
        <Ribbon
          from={from}
          to={to}
          now={serverNow()}
          zone={d.zone}
          state={state.data}
          limit={
            t.boat.windLimitMps === null
              ? undefined
              : {
                  mps: t.boat.windLimitMps * (atRisk(d.party) ? d.party.share : 1),
                  name: atRisk(d.party) ? 'limit for this party' : "boat's own limit",
                }
          }
          startAt={d.startsAt}
          lanes={[['light', 10], ...(waterInfo.tidal ? [['tide', 60] as const] : []), ['wind', 48], ['waterTempC', 44]]}
          extra={{
            height: 62,
            label: (
              <>
                <span className="block text-[13px] text-ink-2">
                  {shown?.saved ? `Stops, plan ${shown.saved}` : shown ? 'Stops, not saved' : 'Stops'}
                </span>
                <b className="num" data-expected={shown?.expected ?? 0}>
                  {shown ? fish(shown.expected) : 'none'}
                </b>
                <span className="text-[11.5px] whitespace-nowrap text-ink-3"> {shown ? `fish, ${shown.lo80}–${shown.hi80}` : ''}</span>
              </>
            ),
            render: (lane) => (
              <LegsLane
                lane={lane}
                desk={d}
                plan={plan}
                worth={worth}
                naive={naive}
                bigLures={told?.bigLures?.open ?? []}
                selected={selected}
                onSelect={setSelected}
                onDrag={drag}
                onDrop={(i, by) => {
                  letGo();
                  setPrevious(shown);
                  plan.drag(i, by);
                }}
              />
            ),
          }}
        />
      )}
      {shown && (
        <CompareSheet
          open={comparing}
          tripId={id}
          desk={d}
          shown={shown}
          previous={previous}
          naive={naive}
          onClose={() => setComparing(false)}
        />
      )}
    </>
  );
}
