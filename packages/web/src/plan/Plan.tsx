import type { SavedPlan } from '@bluffwind/contract/plan';
import { quickestWay, runField } from '@bluffwind/core/ground/navigate';
import { toLocal, toPosition } from '@bluffwind/core/ground/seaBed';
import { conditionsOver, plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { DayPlan } from '@bluffwind/core/plan/layDay';
import { HOUR } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { ApiProblem, post } from '../app/api';
import { chartQuery, deskQuery, outfitQuery, stateQuery, tripQuery } from '../app/queries';
import { serverNow } from '../app/clock';
import { isTyping, useCursor } from '../app/time';
import { bedOfChart } from '../chart/bedOfChart';
import { Chart } from '../chart/Chart';
import { Ribbon } from '../ribbon/Ribbon';
import { clock, dayName, fish, GOALS } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { CallList } from './CallList';
import { Legs, type ShownLeg } from './Legs';
import { usePlanWorker } from './usePlanWorker';

interface Shown {
  readonly legs: readonly ShownLeg[];
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  readonly bound: number;
  readonly proved: boolean;
  readonly ms: number | null;
  readonly saved: number | null;
}

const fromSaved = (p: SavedPlan): Shown => ({
  ...p,
  ms: null,
  saved: p.version,
  legs: p.legs.map((l) => ({ ...l, arriveMs: Date.parse(l.arriveAt), startMs: Date.parse(l.startAt), departMs: Date.parse(l.departAt) })),
});

const fromLaid = (p: DayPlan, ms: number): Shown => ({ ...p, ms, saved: null });

export default function Plan() {
  const { id = '' } = useParams();
  const queries = useQueryClient();
  const trip = useQuery(tripQuery(id));
  const desk = useQuery(deskQuery(id));
  const { data: outfit } = useQuery(outfitQuery);
  const waterId = trip.data?.water.id ?? '';
  const chart = useQuery({ ...chartQuery(waterId), enabled: waterId !== '' });
  const { worker, opened } = usePlanWorker(desk.data);
  const cursor = useCursor();
  const [shown, setShown] = useState<Shown | null>(null);
  const [before, setBefore] = useState<number | null>(null);
  const [bans, setBans] = useState<readonly string[]>([]);
  const [selected, setSelected] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const d = desk.data;

  useEffect(() => {
    if (!d?.saved) return;
    setShown(fromSaved(d.saved));
    setBans(d.saved.bans);
  }, [d]);

  // The ribbon shows the daylight round the trip.
  const [from, to] = useMemo(() => (d ? [d.startsAt - 2.5 * HOUR, d.endsAt + 4 * HOUR] : [0, 0]), [d]);
  const state = useQuery({ ...stateQuery(waterId, from, to), enabled: d !== undefined && waterId !== '' });
  const pins = useMemo(
    () => (shown?.legs ?? []).filter((l) => l.pinned).map((l) => ({ spotId: l.spotId, startMs: l.startMs, departMs: l.departMs })),
    [shown],
  );
  const nameOf = useCallback((spotId: string) => d?.spots.find((s) => s.id === spotId)?.name ?? '', [d]);

  const lay = useCallback(
    async (withBans: readonly string[]) => {
      if (!worker) return;
      setBusy(true);
      const laid = await worker.lay(pins, withBans);
      setBusy(false);
      if ('refused' in laid) {
        setRefused(laid.refused);
        return;
      }
      setRefused(null);
      setBefore(shown?.expected ?? null);
      setShown(fromLaid(laid.plan, laid.ms));
    },
    [worker, pins, shown],
  );

  const ban = useCallback(
    (spotId: string) => {
      const next = bans.includes(spotId) ? bans.filter((b) => b !== spotId) : [...bans, spotId];
      setBans(next);
      if (shown) void lay(next);
    },
    [bans, shown, lay],
  );

  const pin = useCallback((spotId: string) => {
    setShown((s) => s && { ...s, saved: null, legs: s.legs.map((l) => (l.spotId === spotId ? { ...l, pinned: !l.pinned } : l)) });
  }, []);

  const save = useCallback(async () => {
    if (!shown || !d) return;
    setBusy(true);
    try {
      const plan = await post<SavedPlan>(`/trips/${id}/plans`, {
        id: v7(),
        replaces: d.saved?.version ?? 0,
        bans,
        legs: shown.legs.map((l) => ({
          spotId: l.spotId,
          startAt: new Date(l.startMs).toISOString(),
          departAt: new Date(l.departMs).toISOString(),
          pinned: l.pinned,
        })),
      });
      queries.setQueryData(deskQuery(id).queryKey, { ...d, saved: plan });
      await queries.invalidateQueries({ queryKey: ['board'] });
      await queries.invalidateQueries({ queryKey: ['brief'] });
      toast(`Plan ${plan.version} saved: ${fish(plan.expected)} fish expected.`);
    } catch (error) {
      setRefused(error instanceof ApiProblem ? `${error.body.detail} ${error.body.remedy}` : (error as Error).message);
    } finally {
      setBusy(false);
    }
  }, [shown, d, bans, id, queries]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === 's') void lay(bans);
      if (e.key === 'x' && selected) ban(selected);
      if (e.key === 'p' && selected) pin(selected);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [lay, bans, selected, ban, pin]);

  const now = useMemo(() => {
    if (!d) return null;
    const at = conditionsOver(waterStateOf(d.water), from, to);
    return at(plainSpot(d.water, 5), cursor.at);
  }, [d, from, to, cursor.at]);
  const waterInfo = outfit?.waters.find((w) => w.id === waterId);
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  const route = useMemo(() => {
    if (!d || !chart.data || !bed || !waterInfo || !shown || shown.legs.length === 0) return undefined;
    const field = runField(bed, { ...d.boat, speedMps: 1 }, d.water.tide?.z0M ?? 0, {
      noGo: chart.data.features.filter((f) => f.kind === 'no-go').map((f) => f.points),
      noWake: [],
    });
    const stops = shown.legs.map((l) => d.spots.find((s) => s.id === l.spotId)).filter((s) => s !== undefined);
    const dock = { lat: waterInfo.dockLat, lon: waterInfo.dockLon };
    const places = [dock, ...stops, dock];
    return places.slice(1).flatMap((p, i) => {
      const a = places[i] as (typeof places)[number];
      const way = quickestWay(field, toLocal(bed, a.lat, a.lon), toLocal(bed, p.lat, p.lon))?.points ?? [
        toLocal(bed, a.lat, a.lon),
        toLocal(bed, p.lat, p.lon),
      ];
      return way.map((w) => {
        const at = toPosition(bed, w.xM, w.yM);
        return [at.lon, at.lat] as const;
      });
    });
  }, [d, chart.data, bed, waterInfo, shown]);
  const spots = useMemo(
    () =>
      (d?.spots ?? []).map((s) => {
        const i = shown?.legs.findIndex((l) => l.spotId === s.id) ?? -1;
        return { id: s.id, name: s.name, lat: s.lat, lon: s.lon, ...(i >= 0 ? { order: i + 1 } : {}), banned: bans.includes(s.id) };
      }),
    [d, shown, bans],
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
        {shown && shown.saved === null && (
          <Button onClick={save} disabled={busy}>
            Save plan
          </Button>
        )}
        <Button strong hint="S" onClick={() => lay(bans)} disabled={!opened || busy || t.status === 'done'}>
          Lay the day
        </Button>
      </Header>
      {refused && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1.5">
          {refused}
        </p>
      )}
      <div className="grid min-h-0 flex-1 grid-cols-[396px_1fr]">
        <div className="min-h-0 border-r border-line">
          {opened ? (
            <CallList
              desk={d}
              calls={opened.calls}
              shut={opened.shut}
              selected={selected}
              inPlan={shown?.legs.map((l) => l.spotId) ?? []}
              bans={bans}
              onSelect={(s) => setSelected((x) => (x === s ? null : s))}
              onBan={ban}
            />
          ) : (
            <Waiting what="Ranking the spots" />
          )}
        </div>
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
                {shown ? (
                  <>
                    <Legs lane={lane} legs={shown.legs} selected={selected} nameOf={nameOf} onSelect={setSelected} onPin={pin} />
                    <text x={lane.x(d.endsAt) + 12} y={20} fontSize={12} fill="var(--ink-2)" data-proof>
                      {shown.proved ? 'no better day exists' : `within ${fish(over)} of the bound`}
                      {shown.ms !== null ? `, ${shown.ms.toFixed(0)} ms` : ''}
                    </text>
                    <text x={lane.x(d.endsAt) + 12} y={37} fontSize={12} fill="var(--ink-2)">
                      {before !== null && shown.saved === null && Math.abs(shown.expected - before) > 0.05
                        ? `${shown.expected > before ? '+' : '−'}${fish(Math.abs(shown.expected - before))} fish against the last`
                        : ''}
                    </text>
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
    </>
  );
}
