import type { OutfitView } from '@bluffwind/contract/outfit';
import type { RuleRow } from '@bluffwind/contract/rule';
import { verdict } from '@bluffwind/core/rules/verdict';
import { useState } from 'react';
import { fromMine, myUnit, words } from '../data/units';
import { Choice } from '../ui/Choice';
import { DayPick } from '../ui/DayPick';
import { FIELD } from '../ui/form/fields';
import { ruleOf } from './ruleWords';

interface RuleTesterProps {
  readonly rules: readonly RuleRow[];
  readonly species: OutfitView['species'];
  readonly zones: readonly string[];
  readonly today: string;
}

/** Tries the copy on a fish that is told, as the deck would. */
export function RuleTester({ rules, species, zones, today }: RuleTesterProps) {
  const [speciesId, setSpeciesId] = useState(species[0]?.id ?? '');
  const [length, setLength] = useState('40');
  const [date, setDate] = useState(today);
  const [zone, setZone] = useState(zones[0] ?? '');
  const [kept, setKept] = useState('0');
  const chosen = species.find((s) => s.id === speciesId);
  const mm = fromMine(Number(length.replace(',', '.')), 'fish');
  const count = Number(kept);
  const usable = mm > 0 && Number.isInteger(count) && count >= 0;
  const said =
    chosen && usable
      ? verdict({
          rules: rules.map(ruleOf),
          zone: zone || null,
          date,
          fish: { species: chosen.id, lengthMm: Math.round(mm), lengthKind: chosen.lengthKind },
          keptToday: count,
        })
      : null;
  return (
    <section aria-label="Try it" className="h-fit rounded border border-line p-3">
      <h2 className="font-bold">Try it on a fish</h2>
      <div className="mt-1 flex flex-col gap-2">
        <Choice label="Species" value={speciesId} options={species.map((s) => ({ value: s.id, name: s.name }))} onPick={setSpeciesId} />
        <label className="flex flex-col gap-0.5">
          Length, {myUnit('fish')}
          <input inputMode="decimal" value={length} onChange={(e) => setLength(e.target.value)} className={`num ${FIELD}`} />
        </label>
        <div className="flex flex-col gap-0.5">
          <span>Day</span>
          <DayPick label="Day" value={date} onPick={setDate} />
        </div>
        {zones.length > 0 && (
          <Choice
            label="Zone"
            value={zone}
            options={[{ value: '', name: 'not known' }, ...zones.map((z) => ({ value: z, name: z }))]}
            onPick={setZone}
          />
        )}
        <label className="flex flex-col gap-0.5">
          Kept by this angler today
          <input inputMode="numeric" value={kept} onChange={(e) => setKept(e.target.value)} className={`num ${FIELD}`} />
        </label>
      </div>
      <div aria-live="polite" className="mt-3" data-verdict={said?.decision}>
        {said ? (
          <>
            <p className={`font-bold ${said.decision === 'may keep' ? 'text-kelp' : 'text-rust'}`}>
              {said.decision === 'may keep'
                ? 'Your copy lets it be kept'
                : said.decision === 'must release'
                  ? 'Must release'
                  : 'No rule on file'}
            </p>
            <ul className="text-[0.9rem]">
              {said.reasons.map((r) => (
                <li key={r}>{words(r)}</li>
              ))}
            </ul>
          </>
        ) : (
          <p className="text-ink-2">A length and a whole number of fish, please.</p>
        )}
      </div>
    </section>
  );
}
