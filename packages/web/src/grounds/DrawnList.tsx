import type { Chart, FeatureView, Mark } from '@bluffwind/contract/grounds';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { pileShade } from '@bluffwind/core/ground/piles';
import { clock, dayName } from '../ui/format';
import { Button } from '../ui/parts';
import { amount } from '../data/units';

interface Props {
  readonly chart: Chart;
  readonly zone: string;
  readonly c: SpotConditions | null;
  readonly fishDepthM: number;
  readonly pile: number | null;
  readonly mayEdit: boolean;
  readonly onPile: (n: number | null) => void;
  readonly onFishDepth: (m: number) => void;
  readonly onEdit: (f: FeatureView) => void;
  readonly onRemove: (f: FeatureView) => void;
  readonly onLaySurvey: (id: string) => void;
}

const KIND: Record<FeatureView['kind'], string> = {
  part: 'Part',
  'no-go': 'Keep out',
  'no-wake': 'Slow water',
  track: 'Track',
  passage: 'Passage',
};

/** Which side of a pile is shaded at the cursor, and what the crew has drawn. */
export function DrawnList(props: Props) {
  const { chart, zone, c, fishDepthM, pile, mayEdit } = props;
  const bridges = chart.marks.filter((m): m is Mark & { piles: NonNullable<Mark['piles']> } => m.piles !== undefined);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-2" tabIndex={0} role="group" aria-label="Piles and what is drawn">
      {bridges.map((m) => {
        const shade =
          c && pile !== null
            ? pileShade({ heightDeg: c.sunHeightDeg, bearingDeg: c.sunBearingDeg }, m.piles.deckM, c.tideHeightM ?? 0, fishDepthM)
            : null;
        return (
          <section key={m.name} className="mb-3">
            <h2 className="font-bold">{m.name}, piles</h2>
            <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label={`Piles of ${m.name}`}>
              {Array.from({ length: m.piles.count }, (_, i) => i + 1).map((n) => (
                <button
                  key={n}
                  type="button"
                  aria-pressed={pile === n}
                  onClick={() => props.onPile(pile === n ? null : n)}
                  className={`num h-7 w-7 cursor-pointer rounded border border-ink ${pile === n ? 'bg-kelp text-on-kelp' : 'text-ink'}`}
                >
                  {n}
                </button>
              ))}
            </div>
            <label className="mt-2 flex items-center gap-2 text-[0.9rem]">
              Fish depth
              <input
                type="range"
                min={0.5}
                max={10}
                step={0.5}
                value={fishDepthM}
                onChange={(e) => props.onFishDepth(Number(e.target.value))}
                className="flex-1 accent-(--kelp)"
              />
              <span className="num w-12">{amount(fishDepthM, 'depth', 1)}</span>
            </label>
            {pile !== null && c && (
              <p className="mt-1 border-l-4 border-kelp bg-paper px-2 py-1" data-pile-shade>
                {shade ? (
                  <>
                    At {clock(c.at, zone)} pile {pile} is shaded on its <b>{shade.side}</b> side. At {amount(fishDepthM, 'depth', 1)} the
                    shade of its waterline lies <span className="num">{amount(shade.displacedM, 'near', 1)}</span> off to {shade.side}; the
                    deck’s reaches <span className="num">{amount(shade.surfaceM, 'near', 0)}</span> over the water. Sun{' '}
                    {c.sunHeightDeg.toFixed(0)}° high.
                  </>
                ) : (
                  <>
                    At {clock(c.at, zone)} the sun is down: no side of pile {pile} is shaded more than another.
                  </>
                )}
              </p>
            )}
          </section>
        );
      })}
      <h2 className="font-bold">Drawn by the crew</h2>
      {chart.features.length === 0 && (
        <p className="text-[0.9rem] text-ink-2">
          Nothing yet. “Draw” above the chart adds parts, no-go and slow water, tracks and passages.
        </p>
      )}
      <ul>
        {chart.features.map((f) => (
          <li key={f.id} className="border-t border-line py-1.5 text-[0.9rem]">
            <span className="flex items-baseline justify-between gap-2">
              <span>
                <b>{f.name}</b> · {KIND[f.kind]}
                {f.kind === 'no-wake' ? <span className="num"> {amount(f.detail.limitMps ?? 2.6, 'current', 1)}</span> : ''}
                {f.kind === 'passage' ? <span className="num"> {amount(f.detail.chartedDepthM ?? 0, 'depth', 1)}</span> : ''}
              </span>
              {mayEdit && (
                <span className="flex shrink-0 gap-2">
                  <button type="button" className="cursor-pointer text-ink-2 underline" onClick={() => props.onEdit(f)}>
                    change
                  </button>
                  <button type="button" className="cursor-pointer text-ink-2 underline" onClick={() => props.onRemove(f)}>
                    remove
                  </button>
                </span>
              )}
            </span>
            {f.detail.writtenOff && (
              <span className="block text-rust">
                Written off {f.detail.writtenOff.on}: {f.detail.writtenOff.reason}
              </span>
            )}
          </li>
        ))}
      </ul>
      <h2 className="mt-3 font-bold">Surveys</h2>
      {chart.surveys.length === 0 && (
        <p className="text-[0.9rem] text-ink-2">No soundings yet. “Import” above the chart takes CSV and NMEA tracks.</p>
      )}
      <ul>
        {chart.surveys.map((s) => (
          <li key={s.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1.5 text-[0.9rem]">
            <span>
              <b>{s.name}</b>: <span className="num">{s.soundings}</span> soundings, {dayName(s.madeAt, zone)}
              {s.tideCorrected ? ', tide taken off' : ', tide unknown'}
            </span>
            {mayEdit && !s.grid && s.soundings >= 3 && (
              <Button className="py-0.5" onClick={() => props.onLaySurvey(s.id)}>
                Lay over chart
              </Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
