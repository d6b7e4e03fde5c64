import type { Chart } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { openWater } from '@bluffwind/core/conditions/openWater';
import { passageTimes } from '@bluffwind/core/conditions/passages';
import { plainSpot, type SpotConditions, type SpotGround, type WaterState } from '@bluffwind/core/conditions/spotConditions';
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { riskLines } from '@bluffwind/core/plan/legRisk';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { findingWords, LEVEL_WORDS, quantityList } from '@bluffwind/core/risk/findingWords';
import { byGravity, type PartyAtRisk, type Quantity } from '@bluffwind/core/risk/judge';
import { every, riskSpans } from '@bluffwind/core/risk/judgeSpans';
import { DAY, HOUR, planningDay, startOfLocalDay } from '@bluffwind/core/units/time';
import { useMemo, useState } from 'react';
import { RiskLines } from '../risk/RiskLines';
import { clock, dayName } from '../ui/format';
import { BoatLimits } from './BoatLimits';
import { amount, words } from '../data/units';

interface Props {
  readonly chart: Chart;
  readonly bed: SeaBed;
  readonly water: WaterState;
  readonly waterId: string;
  readonly boats: OutfitView['boats'];
  /** Trips of today and tomorrow: while a boat is out, its party's limits hold. */
  readonly trips: readonly TripView[];
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly cursorAt: number;
  readonly zone: string;
  readonly mayEdit: boolean;
}

const NOBODY: PartyAtRisk = { children: 0, firstTimers: 0, nonSwimmers: 0 };
const LOOK_MS = 15 * 60_000;

/** When each boat can cross the bars of the cursor's day, and what speaks against being out, at the cursor and through the day. */
export function PassageList({ chart, bed, water, waterId, boats, trips, at, cursorAt, zone, mayEdit }: Props) {
  const from = startOfLocalDay(planningDay(cursorAt, zone), zone);
  const to = from + DAY;
  const [editing, setEditing] = useState<OutfitView['boats'][number] | null>(null);
  const passages = useMemo(
    () =>
      chart.features
        .filter((f) => f.kind === 'passage')
        .map((f) => {
          const m = measureSpot(bed, 'line', f.points);
          const depthM = f.detail.chartedDepthM ?? 0;
          return { id: f.id, name: f.name, chartedDepthM: depthM, ground: plainSpot({ lat: m.lat, lon: m.lon }, depthM, m.fetchM) };
        }),
    [chart.features, bed],
  );
  const windows = useMemo(
    () => passages.map((p) => ({ p, boats: boats.map((boat) => ({ boat, windows: passageTimes(at, p, boat.draughtM, from, to) })) })),
    [passages, boats, at, from, to],
  );
  // Judged in open water: what the middle of the chart has to offer.
  const open = useMemo(() => openWater(bed, water), [bed, water]);
  const against = useMemo(() => {
    const out = (boatId: string, ms: number) =>
      trips.find((t) => t.boat.id === boatId && t.water.id === waterId && Date.parse(t.startsAt) <= ms && ms <= Date.parse(t.endsAt));
    return boats
      .map((boat) => {
        const trip = out(boat.id, cursorAt);
        const judgeAt = (ms: number) => judgeSpot(boat, out(boat.id, ms)?.party ?? NOBODY, open, at(open, ms));
        const now = judgeAt(cursorAt);
        const spans = riskSpans(every(from + 4 * HOUR, from + 22 * HOUR, LOOK_MS), from + 22 * HOUR, judgeAt);
        return {
          boat,
          trip,
          now,
          lines: riskLines(
            spans.filter((s) => s.quantity !== 'darkness'),
            zone,
          ),
        };
      })
      .sort((a, b) => Number(b.trip !== undefined) - Number(a.trip !== undefined));
  }, [boats, trips, waterId, at, open, from, cursorAt, zone]);
  const time = (t: number) => (t <= from ? '00:00' : t >= to ? '24:00' : clock(t, zone));
  return (
    <div>
      {windows.length === 0 && (
        <p className="mb-3 text-ink-2">No passage is drawn on this water’s chart. Draw one in Grounds to see when it opens.</p>
      )}
      {windows.map(({ p, boats: list }) => (
        <section key={p.id} className="mb-4">
          <h3 className="font-semibold">
            {p.name}, {dayName(from, zone)}
          </h3>
          <p className="text-[0.87rem] text-ink-2">
            <span className="num">{amount(p.chartedDepthM, 'depth', 1)}</span> at datum; draught, half a metre and half the wave taken off.
          </p>
          <dl>
            {list.map(({ boat, windows: w }) => (
              <div key={boat.id} className="border-t border-line py-1.5" data-passage={`${p.name} ${boat.name}`}>
                <dt>{boat.name}</dt>
                <dd className="num text-[0.93rem]">
                  {w.length === 0
                    ? 'shut all day'
                    : w.length === 1 && w[0]?.fromMs === from && w[0].toMs === to
                      ? `open all day, least ${amount(w[0].leastM, 'height', 1)} under the keel`
                      : w.map((x) => `${time(x.fromMs)}–${time(x.toMs)}`).join(', ')}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <section>
        <h3 className="font-semibold">What speaks against it, {dayName(from, zone)}</h3>
        {against.map(({ boat, trip, now, lines }) => (
          <div key={boat.id} className="border-t border-line py-1.5" data-against={boat.name}>
            <p className="flex items-baseline justify-between gap-2">
              <span>
                {boat.name}
                {trip ? <span className="text-ink-2"> with {trip.guests[0]?.name.split(' ').at(-1) ?? 'its'} party</span> : ''}
              </span>
              {mayEdit && (
                <button
                  type="button"
                  className="cursor-pointer text-[0.87rem] underline underline-offset-2"
                  aria-label={`Limits of ${boat.name}`}
                  onClick={() => setEditing(boat)}
                >
                  limits
                </button>
              )}
            </p>
            <p className="text-[0.9rem]" data-at-cursor={now.worst}>
              <span className="num">{clock(cursorAt, zone)}</span>{' '}
              {now.worst === 'within'
                ? 'all that is looked at is within the limits.'
                : `${LEVEL_WORDS[now.worst]}: ${[...now.findings]
                    .filter((f) => f.level === 'over' || f.level === 'near')
                    .sort(byGravity)
                    .map((f) => words(findingWords(f)))
                    .join('; ')}`}
              {now.findings.some((f) => f.level === 'unknown') && now.worst !== 'within'
                ? `${now.worst === 'unknown' ? '' : '. Not known: '}${quantityList(
                    now.findings.filter((f) => f.level === 'unknown' && f.quantity !== 'hazard').map((f) => f.quantity as Quantity),
                  )}.`
                : ''}
            </p>
            <RiskLines lines={lines} className="text-[0.87rem]" />
          </div>
        ))}
        <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
          Looked at in open water: wind, gusts, waves, water under the keel, visibility, wind against current, thunder, cold and heat. With
          children, first-timers or people who do not swim a share of the boat’s limits holds. Usual practice, never permission: local
          rules, the licensed captain’s judgement and the maker’s instructions come first.
        </p>
      </section>
      <BoatLimits boat={editing} onClose={() => setEditing(null)} />
    </div>
  );
}
