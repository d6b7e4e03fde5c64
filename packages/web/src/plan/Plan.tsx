import type { PlanDesk } from '@bluffwind/contract/plan';
import { plainSpot, conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { DayRisk } from '@bluffwind/core/plan/legRisk';
import type { Quantity } from '@bluffwind/core/risk/judge';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { chartQuery, deskQuery, meQuery, outfitQuery, stateQuery, tripQuery } from '../data/queries';
import { failedOf } from '../data/failedOf';
import { tripSpan } from '../data/spans';
import { useCursor } from '../data/time';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { clock } from '../ui/format';
import { Fault, Waiting } from '../ui/parts';
import { Workplace } from '../ui/Workplace';
import { CompareSheet } from './CompareSheet';
import { PlanHeader } from './PlanHeader';
import { PlanNotices } from './PlanNotices';
import { PlanPage } from './PlanPage';
import { PlanRibbon } from './PlanRibbon';
import { PlanTabs } from './PlanTabs';
import { useDragWorth } from './useDragWorth';
import { useFindings } from './useFindings';
import { usePlan } from './usePlan';
import { usePlanKeys } from './usePlanKeys';
import { usePlanWorker } from '../workers/usePlanWorker';
import { useRoute } from './useRoute';
import { useAddress } from '../data/useAddress';

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
  const findings = useFindings({
    worker,
    behind: behindOpened ? behind : null,
    opened: opened !== null,
    shown,
    selected,
  });
  const { naive, fit, told, changes } = findings;
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
  return (
    <>
      <PlanHeader
        trip={t}
        zone={d.zone}
        plan={plan}
        mayEdit={mayEdit}
        mayLay={opened !== null && seen}
        onLay={layNow}
        onSave={() => void plan.save(changes?.triggers ?? [])}
        onCompare={compare}
      />
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
          <PlanTabs
            {...{ plan, opened, findings, selected, mayEdit }}
            desk={d}
            trip={t}
            unranked={<Ranking failed={unranked} again={again} />}
            onSelect={setSelected}
          />
        }
      >
        <Chart
          ground={{
            bed,
            marks: chart.data.marks,
            features: chart.data.features,
            dock: { lat: waterInfo.dockLat, lon: waterInfo.dockLon },
          }}
          hour={{
            tideM: now?.tideHeightM ?? null,
            wind: now?.windMps != null && now.windFromDeg !== null ? { mps: now.windMps, fromDeg: now.windFromDeg } : null,
            time: clock(cursor.at, d.zone),
          }}
          spots={spots}
          chosen={{ spot: selected }}
          route={route}
          taps={{ onSelect: setSelected }}
        />
      </Workplace>
      {shown && <PlanPage desk={d} trip={t} plan={shown} told={told} fit={fit?.sentence ?? ''} naive={naive} changes={changes} />}
      {state.data && (
        <PlanRibbon
          {...{ from, to, plan, findings, worth, selected }}
          desk={d}
          state={state.data}
          boat={t.boat}
          tidal={waterInfo.tidal}
          onSelect={setSelected}
          onDrag={drag}
          onDrop={(i, by) => {
            letGo();
            setPrevious(shown);
            plan.drag(i, by);
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
