import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotView } from '@bluffwind/contract/grounds';
import { passageTimes } from '@bluffwind/core/conditions/passages';
import { deepWater, longestStretchM } from '@bluffwind/core/heat/thermocline';
import { shelterOf } from '@bluffwind/core/conditions/shelter';
import type { SpotConditions, SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { waveSpread } from '@bluffwind/core/exposure/waves';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { findingWords } from '@bluffwind/core/risk/findingWords';
import { hazardWords } from '@bluffwind/core/risk/hazardWords';
import { byGravity } from '@bluffwind/core/risk/judge';
import { fuelFor } from '@bluffwind/core/ground/fuel';
import { compassPoint } from '@bluffwind/core/units/angle';
import { DAY, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo } from 'react';
import { clock, dayName, depth, rate, wind } from '../ui/format';
import { RiskLines } from '../risk/RiskLines';
import { Button, Fault } from '../ui/parts';
import { historyQuery } from './queries';
import { figure } from '@bluffwind/core/units/measure';
import { amount, myUnits, words } from '../data/units';
import { Term } from '../ui/Term';
import { AmountChart } from '../ui/AmountChart';

// The forms that it needs are fetched with it.
const Feeds = lazy(() => import('./Feeds').then((m) => ({ default: m.Feeds })));

interface Props {
  readonly spot: SpotView;
  readonly c: SpotConditions;
  readonly at: (spot: SpotGround, atMs: number) => SpotConditions;
  readonly zone: string;
  readonly tidal: boolean;
  readonly boat: OutfitView['boats'][number] | undefined;
  readonly runSeconds: number | undefined;
  readonly mayEdit: boolean;
  readonly duplicates: readonly SpotView[];
  readonly onEdit: () => void;
  readonly onMerge: (into: SpotView) => void;
  readonly onRetire: () => void;
  readonly onClose: () => void;
}

const QUARTERS = ['early flood', 'late flood', 'early ebb', 'late ebb'] as const;
const NOBODY = { children: 0, firstTimers: 0, nonSwimmers: 0 };
const PRESSURE = ['', 'few boats', 'some boats', 'many boats'] as const;
const TRUST = { measured: 'measured', forecast: 'forecast', carried: 'carried forward' } as const;

/** One spot at the cursor's time, its access over the day, and its history. */
export function SpotPanel(props: Props) {
  const { spot: s, c, at, zone, tidal, boat, runSeconds, mayEdit, duplicates } = props;
  const history = useQuery(historyQuery(s.id));
  const day = startOfLocalDay(localDate(c.at, zone), zone);
  const access = useMemo(
    () =>
      s.accessDepthM === null || !boat || !tidal
        ? null
        : passageTimes(at, { chartedDepthM: s.accessDepthM, ground: s }, boat.draughtM, day, day + DAY),
    [s, boat, tidal, at, day],
  );
  // What lifts or lowers the one method's wave, how long the wind has blown and the current, does the same to the other's.
  const spread = c.windMps === null || c.fetchM === null ? null : waveSpread(c.windMps, c.fetchM, Math.max(0.3, c.depthM));
  const mostM = c.waveM === null || !spread || spread.lowM < 0.05 ? null : (c.waveM * spread.highM) / spread.lowM;
  const judged = boat ? judgeSpot(boat, NOBODY, s, c) : null;
  const deep = tidal || c.waterTempC === null ? null : deepWater(c.waterTempC, c.depthM, longestStretchM(s.fetchM));
  const rest = s.restDays > 0 && s.lastFishedAt ? Date.parse(s.lastFishedAt) + s.restDays * DAY : null;
  const fuel = boat && runSeconds !== undefined && Number.isFinite(runSeconds) ? fuelFor(boat, runSeconds) : null;
  const rows: [string, string, string?][] = [
    ['Depth', `${depth(c.depthM)} now, ${depth(s.depthMinM)} to ${depth(s.depthMaxM)} at datum`],
    ...(tidal && c.tideStage !== null
      ? [
          [
            'Tide',
            `${QUARTERS[Math.floor(c.tideStage * 4) % 4]}, ${c.sinceTurnH?.toFixed(1)} h after the turn`,
            c.fields.level ? TRUST[c.fields.level.trust] : undefined,
          ] as [string, string, string?],
        ]
      : []),
    ...(c.currentMps !== null
      ? [['Current', `${amount(c.currentMps, 'current', 1)} to ${compassPoint(c.currentToDeg ?? 0)}`] as [string, string]]
      : []),
    ...(c.flowM3s !== null ? [['Stream', amount(c.flowM3s, 'flow', 1)] as [string, string]] : []),
    [
      'Wind',
      `${wind(c.windMps, c.windFromDeg)}, ${shelterOf(c)}${s.shoreNormalDeg === null ? '' : `; bank faces ${compassPoint(s.shoreNormalDeg)}`}`,
      c.fields.wind ? TRUST[c.fields.wind.trust] : undefined,
    ],
    ['Fetch', c.fetchM === null ? 'not known' : c.fetchM > 20_000 ? 'open sea' : amount(c.fetchM, 'way', 1)],
    [
      'Wave',
      c.waveM === null
        ? 'not known'
        : `${amount(c.waveM, 'height', 1)}${mostM !== null && mostM - c.waveM >= 0.1 ? `, by another method up to ${amount(mostM, 'height', 1)}` : ''}`,
    ],
    [
      'Water',
      c.waterTempC === null
        ? 'not known'
        : `${figure(c.waterTempC, 'temp', myUnits(), 1).text} ±${amount(c.waterTempSdC ?? 0, 'warmer', 1)}${Math.abs(c.warmerC ?? 0) >= 0.1 ? `, ${amount(Math.abs(c.warmerC ?? 0), 'warmer', 1)} ${(c.warmerC ?? 0) > 0 ? 'warmer' : 'cooler'} than the station’s` : ''}${deep ? ` on top; below a break at about ${amount(deep.breakM, 'depth', 0)}, ${figure(deep.lowC, 'temp', myUnits(), 0).text} to ${amount(deep.highC, 'temp', 0)} at the bottom` : ''}`,
      `${s.heatReadings} ${s.heatReadings === 1 ? 'reading' : 'readings'} here`,
    ],
    [
      'Light',
      c.lightFraction === null
        ? 'clarity not known'
        : `${(c.lightFraction * 100).toFixed(0)} % at fish depth, clarity ${amount(c.clarityM ?? 0, 'depth', 1)}`,
    ],
    [
      'Shade',
      c.shadeToDeg === null ? 'no sun to speak of' : `falls to ${compassPoint(c.shadeToDeg)}, sun ${c.sunHeightDeg.toFixed(0)}° high`,
    ],
    ...(access
      ? [
          [
            'Way in',
            access.length === 0
              ? `shut all day for ${boat?.name}`
              : `${access.map((w) => `${clock(w.fromMs, zone)}–${w.toMs >= day + DAY ? '24:00' : clock(w.toMs, zone)}`).join(', ')} for ${boat?.name}`,
          ] as [string, string],
        ]
      : []),
    ...(boat && runSeconds !== undefined
      ? [
          [
            'Run',
            Number.isFinite(runSeconds)
              ? `${(runSeconds / 60).toFixed(0)} min from the dock; there and back ${amount(fuel?.litres ?? 0, 'fuel', 0)} of ${amount(fuel?.usableL ?? 0, 'fuel', 0)} usable`
              : 'no way at this tide',
          ] as [string, string],
        ]
      : []),
  ];
  return (
    <section aria-label={s.name} className="min-h-0 flex-1 overflow-auto px-3 py-2" tabIndex={0} data-spot-panel>
      <div className="flex items-start justify-between gap-2">
        <h2 className="font-bold">
          {s.name} {s.keeperId !== null && <Term name="kept" />}
        </h2>
        <Button className="py-0.5" onClick={props.onClose}>
          All spots
        </Button>
      </div>
      <p className="text-[0.9rem] text-ink-2">
        {s.structure} over {s.bottom}
        {s.keeperId !== null ? ' · kept by one captain' : s.privacy === 'captain' ? ' · captains only' : ''} · {PRESSURE[s.pressure]}
      </p>
      {s.writtenOff && (
        <p className="text-[0.9rem] text-rust">
          Written off. {s.writtenOff} <Term name="written off" />
        </p>
      )}
      {s.note && <p className="text-[0.9rem] whitespace-pre-line text-ink-2">{s.note}</p>}
      {s.hazards.map((h) => (
        <p key={h.note} className="text-[0.9rem] text-rust">
          {h.note} <span className="text-ink-2">{words(hazardWords(h))}</span>
        </p>
      ))}
      {judged && boat && (
        <div className="mt-1" data-judged={judged.worst}>
          <p className="text-[0.83rem] text-ink-2">
            {boat.name} here at {clock(c.at, zone)}
            {judged.worst === 'within' ? ': all that is looked at is within its limits.' : ':'}
          </p>
          <RiskLines
            className="text-[0.9rem]"
            lines={[...judged.findings]
              .filter((f) => f.level !== 'within')
              .sort(byGravity)
              .map((f) => ({ level: f.level, text: findingWords(f) }))}
          />
        </div>
      )}
      {s.legality && <p className="text-[0.9rem] text-rust">{s.legality}</p>}
      {rest !== null && rest > c.at && (
        <p className="text-[0.9rem] text-rust">
          Rests until {dayName(rest, zone)} {clock(rest, zone)}.
        </p>
      )}
      {duplicates.map((d) => (
        <p
          key={d.id}
          className="mt-1 flex items-baseline justify-between gap-2 border-l-4 border-rust bg-rust-pale px-2 py-1 text-[0.9rem]"
        >
          Within {amount(30, 'near', 0)} of {d.name}: the same?
          {mayEdit && (
            <Button className="py-0.5" onClick={() => props.onMerge(d)}>
              Merge into it
            </Button>
          )}
        </p>
      ))}
      <dl className="mt-2">
        {rows.map(([name, value, note]) => (
          <div key={name} className="grid grid-cols-[64px_1fr] gap-x-2 border-t border-line py-1 text-[0.9rem]" data-row={name}>
            <dt className="text-ink-2">{name}</dt>
            <dd>
              {value}
              {note ? <span className="text-ink-3"> · {note}</span> : ''}
            </dd>
          </div>
        ))}
      </dl>
      {mayEdit && (
        <div className="mt-2 flex gap-2">
          <Button hint="E" className="py-1" onClick={props.onEdit}>
            Edit
          </Button>
          <Button className="py-1" onClick={props.onRetire}>
            Retire
          </Button>
        </div>
      )}
      <Suspense fallback={null}>
        <Feeds spotId={s.id} zone={zone} />
      </Suspense>
      <h3 className="mt-3 border-t border-line pt-2 font-semibold">In the log</h3>
      <p className="text-[0.9rem]">
        <span className="num">{s.fish}</span> fish in <span className="num">{s.rodHours.toFixed(0)}</span> rod-h
        {s.rodHours > 0 ? `, ${rate(s.fish / s.rodHours)} an hour` : ''}; {s.weekRodHours.toFixed(1)} rod-h in the last seven days.
      </p>
      {history.error && <Fault error={history.error} retry={() => void history.refetch()} />}
      {history.data && history.data.byTide.length > 0 && (
        <AmountChart
          said="By the quarter of the tide"
          categories={history.data.byTide.map((q) => QUARTERS[q.quarter] ?? '')}
          series={[
            { name: 'fish per rod-hour', look: 'bars', values: history.data.byTide.map((q) => (q.rodHours > 0 ? q.fish / q.rodHours : 0)) },
          ]}
          also={[
            { name: 'fish', values: history.data.byTide.map((q) => String(q.fish)) },
            { name: 'rod-hours', values: history.data.byTide.map((q) => q.rodHours.toFixed(0)) },
          ]}
          xTitle="tide"
          yTitle="fish per rod-hour"
          height={170}
          width={310}
          show={rate}
        />
      )}
      <ul className="mt-1 text-[0.87rem]">
        {history.data?.stops.slice(0, 12).map((h) => (
          <li key={`${h.id}${h.presentation}`} className="border-t border-line py-1">
            {dayName(h.at, zone)} {clock(h.at, zone)}: <span className="num">{h.fish}</span> in{' '}
            <span className="num">{h.rodHours.toFixed(1)}</span> rod-h, {h.presentation}
            {h.windMps !== null ? `; ${wind(h.windMps, h.windFromDeg)}` : ''}
            {h.waterTempC !== null ? `, ${amount(h.waterTempC, 'temp', 1)}` : ''}
          </li>
        ))}
      </ul>
    </section>
  );
}
