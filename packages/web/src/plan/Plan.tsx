import type { DayRisk } from '@bluffwind/core/plan/legRisk';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { chartQuery, deskQuery, meQuery, outfitQuery, stateQuery, tripQuery } from '../data/queries';
import { askAgain, failedOf } from '../data/failedOf';
import { tripSpan } from '../data/spans';
import { bedOfChart } from '../chart/bedOfChart';
import { Fault, Waiting } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Workplace } from '../ui/Workplace';
import { CompareSheet } from './CompareSheet';
import { PlanChart } from './PlanChart';
import { PlanHeader } from './PlanHeader';
import { PlanNotices } from './PlanNotices';
import { PlanPage } from './PlanPage';
import { PlanRibbon } from './PlanRibbon';
import { PlanTabs } from './PlanTabs';
import { useDragWorth } from './useDragWorth';
import { useFindings } from './useFindings';
import { usePlan } from './usePlan';
import { usePlanKeys } from './usePlanKeys';
import { useSeen } from './useSeen';
import { usePlanWorker } from '../workers/usePlanWorker';
import { useAddress } from '../data/useAddress';

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
  const { data: me } = useQuery(meQuery);
  const trip = useQuery(tripQuery(id));
  const desk = useQuery(deskQuery(id));
  const asked = useQuery(outfitQuery);
  const outfit = asked.data;
  const waterId = trip.data?.water.id ?? '';
  const chart = useQuery({ ...chartQuery(waterId), enabled: waterId !== '' });
  const { worker, opened, failed: unranked, again } = usePlanWorker(desk.data);
  // What takes its time has a worker of its own, so that a leg in hand never waits for it.
  const { worker: behind, opened: behindOpened } = usePlanWorker(opened ? desk.data : undefined);
  const { notKnown, seen, seenOf, see } = useSeen(desk.data, opened?.notKnown);
  const plan = usePlan(id, desk.data, worker, opened !== null, seenOf);
  const { shown } = plan;
  const [selected, setSelected] = useAddress('spot', null);
  const [comparing, setComparing] = useState(false);
  const [previous, setPrevious] = useState<typeof shown>(null);
  const { worth, drag, letGo } = useDragWorth(worker, shown?.legs ?? []);
  const d = desk.data;
  const mayEdit = me !== undefined && me.role !== 'mate' && trip.data?.status !== 'done' && d?.hiddenLegs === 0;

  // The ribbon shows the daylight round the trip.
  const [from, to] = useMemo(() => (d ? tripSpan(d.startsAt, d.endsAt) : [0, 0]), [d]);
  const state = useQuery({ ...stateQuery(waterId, from, to), enabled: d !== undefined && waterId !== '' });

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

  const waterInfo = outfit?.waters.find((w) => w.id === waterId);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);

  if (!d || !trip.data || !chart.data || !bed || !waterInfo) {
    const parts = [asked, trip, desk, chart] as const;
    return <StandIn title="Plan" what="Opening the trip" error={failedOf(...parts)} retry={askAgain(...parts)} />;
  }
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
        onSeen={see}
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
        <PlanChart desk={d} chart={chart.data} bed={bed} water={waterInfo} {...{ shown, selected, from, to }} onSelect={setSelected} />
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
