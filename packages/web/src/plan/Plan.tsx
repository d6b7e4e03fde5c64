import { plainSpot, conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { NaiveDay } from '@bluffwind/core/plan/naiveDay';
import type { RodRole } from '@bluffwind/core/plan/partyFit';
import { HOUR } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { Tabs } from 'radix-ui';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { chartQuery, deskQuery, meQuery, outfitQuery, stateQuery, tripQuery } from '../app/queries';
import { serverNow } from '../app/clock';
import { isTyping, useCursor } from '../app/time';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { Ribbon } from '../ribbon/Ribbon';
import { clock, dayName, fish, GOALS } from '../ui/format';
import { Menu, MenuItem } from '../ui/Menu';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import type { ChangesSoFar } from '../workers/plan.worker';
import { AgainstLast, dragWorth } from './AgainstLast';
import { CallList } from './CallList';
import { Changes } from './Changes';
import { CompareSheet } from './CompareSheet';
import { Kept } from './Kept';
import { Legs } from './Legs';
import { Party } from './Party';
import { PlanPage } from './PlanPage';
import { usePlan } from './usePlan';
import { usePlanWorker } from './usePlanWorker';
import { useRoute } from './useRoute';
import { Yesterday } from './Yesterday';

const TABS = [
  ['calls', 'Calls'],
  ['yesterday', 'Yesterday'],
  ['changes', 'What if'],
  ['party', 'Party'],
  ['kept', 'Kept'],
] as const;

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
  const { worker, opened } = usePlanWorker(desk.data);
  // What takes its time has a worker of its own, so that a leg in hand never waits for it.
  const { worker: behind, opened: behindOpened } = usePlanWorker(opened ? desk.data : undefined);
  const plan = usePlan(id, desk.data, worker, opened !== null);
  const { shown } = plan;
  const cursor = useCursor();
  const [selected, setSelected] = useState<string | null>(null);
  const [whyNot, setWhyNot] = useState<string | null>(null);
  const [naive, setNaive] = useState<NaiveDay | null>(null);
  const [fit, setFit] = useState<{ sentence: string; roles: readonly RodRole[] } | null>(null);
  const [changes, setChanges] = useState<ChangesSoFar | null>(null);
  const [comparing, setComparing] = useState(false);
  const [previous, setPrevious] = useState<typeof shown>(null);
  const [worth] = useState(dragWorth);
  const dragging = useRef(0);
  const d = desk.data;
  const mayEdit = me !== undefined && me.role !== 'mate' && trip.data?.status !== 'done';

  // The ribbon shows the daylight round the trip.
  const [from, to] = useMemo(() => (d ? [d.startsAt - 2.5 * HOUR, d.endsAt + 4 * HOUR] : [0, 0]), [d]);
  const state = useQuery({ ...stateQuery(waterId, from, to), enabled: d !== undefined && waterId !== '' });
  const nameOf = useCallback((spotId: string) => d?.spots.find((s) => s.id === spotId)?.name ?? '', [d]);
  const baitOf = useCallback((presentationId: string) => d?.presentations.find((p) => p.id === presentationId)?.name ?? '', [d]);

  // What hangs on the plan is worked out behind it, and never holds it up.
  useEffect(() => {
    if (!behind || !behindOpened) return;
    let current = true;
    setChanges(null);
    void behind.naive(shown).then((n) => current && setNaive(n));
    if (shown) {
      void behind.fit(shown).then((f) => current && setFit(f));
      void behind.changes(
        shown,
        { bans: shown.bans, again: shown.again },
        proxy((so: ChangesSoFar) => {
          if (current) setChanges(so);
        }),
      );
    } else setFit(null);
    return () => {
      current = false;
    };
  }, [behind, behindOpened, shown]);
  useEffect(() => {
    if (!worker || !opened || !selected) return setWhyNot(null);
    let current = true;
    void worker.whyNot(selected, shown?.legs ?? []).then((w) => current && setWhyNot(w));
    return () => {
      current = false;
    };
  }, [worker, opened, selected, shown]);
  const { lay, ban, pin, undo, redo } = plan;
  const layNow = useCallback(() => {
    setPrevious(shown);
    lay();
  }, [lay, shown]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isTyping(e)) return;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        if (e.shiftKey) redo();
        else undo();
        return;
      }
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === 's') layNow();
      if (e.key === 'x' && selected) ban(selected);
      if (e.key === 'p' && selected) pin(selected);
      if (e.key === 'z') undo();
      if (e.key === 'Z') redo();
      if (e.key === 'c') setComparing(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [layNow, selected, ban, pin, undo, redo]);

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

  const failed = trip.error ?? desk.error ?? chart.error;
  if (failed) return <Fault error={failed} retry={() => void queries.invalidateQueries()} />;
  if (!d || !trip.data || !chart.data || !bed || !waterInfo) return <Waiting what="Opening the trip" />;
  const t = trip.data;
  const party =
    t.guests.length > 0
      ? `${t.guests[0]?.name.split(' ').at(-1)} party, ${t.guests.length}${t.guests.some((g) => g.child) ? ` (${t.guests.filter((g) => g.child).length} children)` : ''}`
      : 'no guests named';
  const over = shown ? shown.bound - shown.expected : 0;
  const drag = (index: number, byMs: number) => {
    const legs = (shown?.legs ?? []).map((l, i) => ({
      spotId: l.spotId,
      startMs: l.startMs + (i === index ? byMs : 0),
      departMs: l.departMs + (i === index ? byMs : 0),
    }));
    const mine = ++dragging.current;
    void worker?.score([...legs].sort((a, b) => a.startMs - b.startMs)).then((s) => {
      // An answer that comes after the leg was let go of is of no use any more.
      if (mine !== dragging.current) return;
      worth.set('refused' in s ? 'not reached like this: it is timed anew' : `${fish(s.plan.expected)} fish so`);
    });
  };
  return (
    <>
      <Header
        title={`${dayName(t.startsAt, d.zone)}, ${t.boat.name}`}
        note={
          <>
            {party} · wants <b className="text-ink">{GOALS[t.goal]}</b> · {clock(t.startsAt, d.zone)} to {clock(t.endsAt, d.zone)} ·{' '}
            {t.species.map((s) => s.name).join(', ')}
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
          <MenuItem onSelect={() => navigate(`/trips/${id}/foretold`)}>Past days foretold</MenuItem>
          {shown && (
            <>
              <MenuItem onSelect={() => setComparing(true)}>
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
        <Button strong hint="S" onClick={layNow} disabled={!opened || plan.busy || t.status === 'done'}>
          Lay the day
        </Button>
      </Header>
      {plan.refused && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1.5">
          {plan.refused}{' '}
          <button type="button" className="cursor-pointer underline underline-offset-2" onClick={plan.clear}>
            Close
          </button>
        </p>
      )}
      {plan.offer && (
        <p role="status" className="no-print border-b border-kelp bg-kelp-pale px-[18px] py-1.5" data-offer>
          On what is known now another day is worth <b className="num">{fish(plan.offer.expected)}</b> fish, this one{' '}
          <b className="num">{fish(shown?.expected ?? 0)}</b> when it was kept.{' '}
          <button type="button" className="cursor-pointer font-semibold underline underline-offset-2" onClick={plan.take}>
            Show it
          </button>{' '}
          <button type="button" className="cursor-pointer underline underline-offset-2" onClick={plan.decline}>
            Keep mine
          </button>
        </p>
      )}
      <div className="no-print grid min-h-0 flex-1 grid-cols-[396px_1fr]">
        <Tabs.Root defaultValue="calls" className="flex min-h-0 flex-col border-r border-line">
          <Tabs.List aria-label="What to look at" className="flex shrink-0 border-b border-line px-[10px]">
            {TABS.map(([value, name]) => (
              <Tabs.Trigger
                key={value}
                value={value}
                className="cursor-pointer border-b-2 border-transparent px-2.5 py-1.5 text-[0.93rem] text-ink-2 data-[state=active]:border-kelp data-[state=active]:font-bold data-[state=active]:text-ink"
              >
                {name}
                {value === 'changes' && changes && changes.triggers.length > 0 ? ` ${changes.triggers.length}` : ''}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value="calls" className="min-h-0 flex-1">
            {opened ? (
              <CallList
                desk={d}
                calls={opened.calls}
                shut={opened.shut}
                sets={opened.sets}
                selected={selected}
                inPlan={shown?.legs.map((l) => l.spotId) ?? []}
                bans={shown?.bans ?? []}
                onSelect={(s) => setSelected((x) => (x === s ? null : s))}
                onBan={ban}
                onPin={pin}
                pinned={shown?.legs.filter((l) => l.pinned).map((l) => l.spotId) ?? []}
                whyNot={whyNot}
              />
            ) : (
              <Waiting what="Ranking the spots" />
            )}
          </Tabs.Content>
          <Side value="yesterday">
            <Yesterday desk={d} naive={naive} shown={shown} />
          </Side>
          <Side value="changes">
            <Changes desk={d} so={changes} kept={d.saved?.triggers ?? []} onTake={plan.show} />
          </Side>
          <Side value="party">
            <Party desk={d} trip={t} mayEdit={mayEdit} fit={fit} />
          </Side>
          <Side value="kept">
            <Kept tripId={id} desk={d} />
          </Side>
        </Tabs.Root>
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
      </div>
      {shown && <PlanPage desk={d} trip={t} plan={shown} fit={fit?.sentence ?? ''} naive={naive} changes={changes} />}
      {state.data && (
        <Ribbon
          from={from}
          to={to}
          now={serverNow()}
          zone={d.zone}
          state={state.data}
          limit={{ mps: t.boat.windLimitMps, name: "boat's own limit" }}
          startAt={d.startsAt}
          lanes={[['light', 10], ...(waterInfo.tidal ? [['tide', 60] as const] : []), ['wind', 48], ['water', 44]]}
          extra={{
            height: 62,
            label: (
              <>
                <span className="block text-[13px] text-ink-2">
                  {shown?.saved ? `Legs, plan ${shown.saved}` : shown ? 'Legs, not saved' : 'Legs'}
                </span>
                <b className="num" data-expected>
                  {shown ? fish(shown.expected) : 'none'}
                </b>
                <span className="text-[11.5px] whitespace-nowrap text-ink-3"> {shown ? `fish, ${shown.lo80}–${shown.hi80}` : ''}</span>
              </>
            ),
            render: (lane) => (
              <g>
                <rect x={lane.x(d.startsAt)} width={lane.x(d.endsAt) - lane.x(d.startsAt)} y={0} height={lane.height} fill="var(--paper)" />
                {d.breaks.map((b) => (
                  <g key={`${b.name} ${b.fromMs}`}>
                    <rect x={lane.x(b.fromMs)} width={lane.x(b.toMs) - lane.x(b.fromMs)} y={0} height={lane.height} fill="var(--sand)" />
                    <title>{b.name}</title>
                  </g>
                ))}
                {shown ? (
                  <>
                    <Legs
                      lane={lane}
                      legs={shown.legs}
                      selected={selected}
                      nameOf={nameOf}
                      baitOf={baitOf}
                      onSelect={setSelected}
                      onPin={pin}
                      onDrag={drag}
                      onDrop={(i, by) => {
                        dragging.current++;
                        worth.set(null);
                        setPrevious(shown);
                        plan.drag(i, by);
                      }}
                    />
                    <text x={lane.x(d.endsAt) + 12} y={17} fontSize={12} fill="var(--ink-2)" data-proof>
                      {shown.proved ? 'no better day exists' : `within ${fish(over)} of the bound`}
                      {shown.ms !== null ? `, ${shown.ms.toFixed(0)} ms` : ''}
                    </text>
                    <AgainstLast x={lane.x(d.endsAt) + 12} y={33} worth={worth} rest={against(plan.before, shown.expected, shown.by)} />
                    {naive && (
                      <text x={lane.x(d.endsAt) + 12} y={49} fontSize={12} fill="var(--ink-2)">
                        {`yesterday’s best again: ${fish(naive.expected)}`}
                      </text>
                    )}
                  </>
                ) : (
                  <text x={lane.x(d.startsAt) + 12} y={lane.height / 2 + 4} fontSize={13} fill="var(--ink-2)">
                    No legs yet. S lays the day.
                  </text>
                )}
              </g>
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

function Side({ value, children }: { value: string; children: React.ReactNode }) {
  return (
    <Tabs.Content value={value} tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-3">
      {children}
    </Tabs.Content>
  );
}

function against(before: number | null, now: number, by: string): string {
  if (before === null || Math.abs(now - before) < 0.05) return by;
  return `${now > before ? '+' : '−'}${fish(Math.abs(now - before))} fish, ${by}`;
}
