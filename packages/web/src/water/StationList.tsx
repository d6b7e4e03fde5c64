import type { WaterStateView } from '@bluffwind/contract/water';
import { HOUR } from '@bluffwind/core/units/time';
import { clock, dayName } from '../ui/format';
import { variableWords } from '@bluffwind/core/weather/variables';

const ago = (at: string, now: number) => {
  const minutes = Math.max(0, (now - Date.parse(at)) / 60_000);
  return minutes < 90
    ? `${minutes.toFixed(0)} min ago`
    : minutes < 2880
      ? `${(minutes / 60).toFixed(0)} h ago`
      : `${(minutes / 1440).toFixed(0)} days ago`;
};

/** Who speaks: stations and instruments with their age, their faults and what was left out, and who is believed for what. */
export function StationList({ state, now, zone }: { state: WaterStateView; now: number; zone: string }) {
  const spoken = Object.entries(state.record.sources).filter(([v]) => v !== 'note');
  return (
    <div>
      {state.stations.map((s) => {
        const old = s.lastGoodAt !== null && now - Date.parse(s.lastGoodAt) > 3 * HOUR;
        return (
          <section key={s.id} className="border-t border-line py-2" data-station={s.name}>
            <h3 className="font-semibold">{s.name}</h3>
            <p className={`text-[0.9rem] ${old || s.lastError ? 'text-rust' : 'text-ink-2'}`}>
              {s.lastGoodAt ? `Last good reading ${clock(s.lastGoodAt, zone)}, ${ago(s.lastGoodAt, now)}` : 'No good reading yet'}
            </p>
            {s.lastError && (
              <p className="text-[0.9rem] text-rust">
                {s.lastError}. {s.failures} {s.failures === 1 ? 'try' : 'tries'} failed
                {s.nextTryAt ? `; next at ${clock(s.nextTryAt, zone)}` : ''}. Its last good readings stay in use.
              </p>
            )}
            {s.failed.map((f) => (
              <p key={f.variable} className="text-[0.87rem] text-ink-2">
                {variableWords(f.variable)}: {f.count} failed{f.suspect > 0 ? `, ${f.suspect} suspect` : ''}, left out, since{' '}
                {dayName(f.since, zone)} {clock(f.since, zone)}
              </p>
            ))}
          </section>
        );
      })}
      {state.instruments.map((i) => (
        <section key={i.id} className="border-t border-line py-2" data-instrument={i.name}>
          <h3 className="font-semibold">{i.name}</h3>
          <p className={`text-[0.9rem] ${i.lastError ? 'text-rust' : 'text-ink-2'}`}>
            {i.lastHeardAt
              ? `Heard ${dayName(i.lastHeardAt, zone)} ${clock(i.lastHeardAt, zone)}, ${ago(i.lastHeardAt, now)}`
              : 'Not heard yet'}
            {i.lastError ? `. ${i.lastError}` : ''}
          </p>
        </section>
      ))}
      {state.disagreements.map((d) => (
        <p key={`${d.variable}${d.a}${d.b}`} className="border-t border-line py-2 text-[0.9rem] text-rust">
          {d.a} and {d.b} disagree on {variableWords(d.variable)}: {d.aValue.toFixed(1)} against {d.bValue.toFixed(1)}.
        </p>
      ))}
      <section className="border-t border-line py-2">
        <h3 className="font-semibold">Who is believed</h3>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 text-[0.87rem]">
          {spoken.map(([variable, source]) => (
            <div key={variable} className="contents">
              <dt className="text-ink-2">{variableWords(variable)}</dt>
              <dd>{source}</dd>
            </div>
          ))}
        </dl>
        {spoken.length === 0 && <p className="text-ink-2">No readings in this span.</p>}
      </section>
    </div>
  );
}
