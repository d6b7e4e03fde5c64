import type { Chart } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { WaterStateView } from '@bluffwind/contract/water';
import { type AgainstSpan, againstHours } from '@bluffwind/core/conditions/againstHours';
import { passageTimes } from '@bluffwind/core/conditions/passages';
import { plainSpot, type SpotConditions, type SpotGround, type WaterState } from '@bluffwind/core/conditions/spotConditions';
import { coldWaterBand } from '@bluffwind/core/exposure/feels';
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { DAY, HOUR, planningDay, startOfLocalDay } from '@bluffwind/core/units/time';
import { useMemo } from 'react';
import { clock, dayName } from '../ui/format';

interface Props {
  readonly chart: Chart;
  readonly bed: SeaBed;
  readonly water: WaterState;
  readonly state: WaterStateView;
  readonly boats: OutfitView['boats'];
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly cursorAt: number;
  readonly zone: string;
}

/** When each boat can cross the bars of the cursor's day, and what speaks against being out. */
export function PassageList({ chart, bed, water, state, boats, at, cursorAt, zone }: Props) {
  const from = startOfLocalDay(planningDay(cursorAt, zone), zone);
  const to = from + DAY;
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
  const open = useMemo(() => {
    const m = measureSpot(bed, 'point', [[water.lon, water.lat]]);
    return plainSpot(water, m.depthMaxM ?? 5, m.fetchM);
  }, [bed, water]);
  const thunder = useMemo(() => state.thunderAt.map((t) => Date.parse(t)), [state.thunderAt]);
  const against = useMemo(
    () =>
      boats.map((boat) => ({
        boat,
        spans: againstHours(
          water,
          at,
          open,
          { windMps: boat.windLimitMps, waveM: boat.waveLimitM, speedMps: boat.speedMps },
          from + 4 * HOUR,
          from + 22 * HOUR,
          thunder,
        ).filter((s) => s.kind !== 'dark'),
      })),
    [boats, water, at, open, from, thunder],
  );
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
            <span className="num">{p.chartedDepthM.toFixed(1)} m</span> at datum; draught, half a metre and half the wave taken off.
          </p>
          <dl>
            {list.map(({ boat, windows: w }) => (
              <div key={boat.id} className="border-t border-line py-1.5" data-passage={`${p.name} ${boat.name}`}>
                <dt>{boat.name}</dt>
                <dd className="num text-[0.93rem]">
                  {w.length === 0
                    ? 'shut all day'
                    : w.length === 1 && w[0]?.fromMs === from && w[0].toMs === to
                      ? `open all day, least ${(w[0].leastM).toFixed(1)} m under the keel`
                      : w.map((x) => `${time(x.fromMs)}–${time(x.toMs)}`).join(', ')}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <section>
        <h3 className="font-semibold">What speaks against it, {dayName(from, zone)}</h3>
        {against.map(({ boat, spans }) => (
          <div key={boat.id} className="border-t border-line py-1.5" data-against={boat.name}>
            <p>{boat.name}</p>
            {spans.length === 0 ? (
              <p className="text-[0.87rem] text-ink-2">Nothing of what is looked at here.</p>
            ) : (
              <ul className="text-[0.9rem]">
                {spans.map((s) => (
                  <li key={`${s.kind}${s.fromMs}`} className="text-rust">
                    {againstWords(s)},{' '}
                    {s.toMs - s.fromMs >= 18 * HOUR ? 'all day' : `${clock(s.fromMs, zone)}–${clock(s.toMs + HOUR / 2, zone)}`}
                  </li>
                ))}
              </ul>
            )}
          </div>
        ))}
        <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
          Looked at: wind, gusts, waves, visibility, wind against current, thunder, cold and heat, in open water. Usual practice, never
          permission: local rules, the licensed captain’s judgement and the maker’s instructions come first.
        </p>
      </section>
    </div>
  );
}

function againstWords(s: AgainstSpan): string {
  switch (s.kind) {
    case 'wind':
      return `Wind ${s.worst.toFixed(0)} m/s, the boat’s limit is ${s.limit.toFixed(0)}`;
    case 'gust':
      return `Gusts ${s.worst.toFixed(0)} m/s`;
    case 'wave':
      return `Waves ${s.worst.toFixed(1)} m, the boat’s limit is ${s.limit.toFixed(1)}`;
    case 'visibility':
      return `Visibility ${s.worst < 1000 ? `${s.worst.toFixed(0)} m` : `${(s.worst / 1000).toFixed(1)} km`}`;
    case 'wind against current':
      return `Wind against ${s.worst.toFixed(1)} m/s of current: steep, short waves`;
    case 'thunder':
      return 'Thunder reported: rods down, leave';
    case 'cold air':
      return `Feels like ${s.worst.toFixed(0)} °C on the run: layers`;
    case 'heat':
      return `Heat index ${s.worst.toFixed(0)} °C: water, shade, breaks`;
    case 'cold water':
      return `Water ${s.worst.toFixed(0)} °C: cold shock in the first minute, exhausted in ${coldWaterBand(s.worst)?.exhaustion ?? 'hours'}`;
    case 'dark':
      return 'Dark';
  }
}
