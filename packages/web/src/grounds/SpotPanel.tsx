import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotView } from '@bluffwind/contract/grounds';
import { passageTimes } from '@bluffwind/core/conditions/passages';
import type { SpotConditions, SpotGround } from '@bluffwind/core/conditions/spotConditions';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { findingWords } from '@bluffwind/core/risk/findingWords';
import { hazardWords } from '@bluffwind/core/risk/hazardWords';
import { byGravity } from '@bluffwind/core/risk/judge';
import { DAY, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { lazy, Suspense, useMemo } from 'react';
import { clock, dayName } from '../ui/format';
import { RiskLines } from '../risk/RiskLines';
import { Button } from '../ui/parts';
import { amount, words } from '../data/units';
import { SpotHistory } from './SpotHistory';
import { spotRows } from './spotRows';
import { Term } from '../ui/Term';

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

const NOBODY = { children: 0, firstTimers: 0, nonSwimmers: 0 };
const PRESSURE = ['', 'few boats', 'some boats', 'many boats'] as const;

/** One spot at the cursor's time, its access over the day, and its history. */
export function SpotPanel(props: Props) {
  const { spot: s, c, at, zone, tidal, boat, runSeconds, mayEdit, duplicates } = props;
  const day = startOfLocalDay(localDate(c.at, zone), zone);
  const access = useMemo(
    () =>
      s.accessDepthM === null || !boat || !tidal
        ? null
        : passageTimes(at, { chartedDepthM: s.accessDepthM, ground: s }, boat.draughtM, day, day + DAY),
    [s, boat, tidal, at, day],
  );
  const judged = boat ? judgeSpot(boat, NOBODY, s, c) : null;
  const rest = s.restDays > 0 && s.lastFishedAt ? Date.parse(s.lastFishedAt) + s.restDays * DAY : null;
  const rows = spotRows({ spot: s, c, zone, tidal, boat, runSeconds, access, dayEndMs: day + DAY });
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
        {rows.map(({ name, value, note }) => (
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
      <SpotHistory spot={s} zone={zone} />
    </section>
  );
}
