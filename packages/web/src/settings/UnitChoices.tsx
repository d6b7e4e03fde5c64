import { METRIC, UNIT_CHOICES, type Units, US } from '@bluffwind/core/units/measure';
import { amount, myUnits } from '../data/units';
import { Button, Fault } from '../ui/parts';
import { Segments } from '../ui/Segments';
import { useOwnSettings } from './useOwnSettings';

const ROWS: readonly (readonly [keyof Units, string])[] = [
  ['depth', 'Depths and heights'],
  ['speed', 'Wind'],
  ['temp', 'Temperatures'],
  ['length', 'Length of a fish'],
  ['mass', 'Weights'],
  ['distance', 'Ways'],
  ['volume', 'Fuel'],
  ['pressure', 'Pressure'],
  ['clock', 'Clock'],
  ['dates', 'Dates'],
];
const NAMES: Record<string, string> = {
  kn: 'knots',
  ft: 'feet',
  in: 'inches',
  lb: 'pounds',
  nmi: 'nautical miles',
  mi: 'miles',
  gal: 'gallons (US)',
  l: 'litres',
  '24': '15:30',
  '12': '3:30 pm',
  'day first': '19 June',
  'month first': 'June 19',
};

/** The units in which everything is shown and typed. */
export function UnitChoices() {
  const saving = useOwnSettings();
  const units = { ...myUnits(), ...saving.sent?.units };
  const all = (set: Units) => saving.save({ units: set });
  return (
    <section>
      <h2 className="mb-1 font-bold">Units and clock</h2>
      <p className="mb-2 text-ink-2">
        Everything is shown and typed in these, such as {amount(6.4, 'depth')} of water, wind {amount(7, 'wind', 0)}, a fish of{' '}
        {amount(480, 'fish', 0)}. What is stored stays exact.
      </p>
      <div className="mb-2 flex gap-2">
        <Button onClick={() => all(METRIC)}>All metric</Button>
        <Button onClick={() => all(US)}>All US</Button>
      </div>
      {saving.error !== null && <Fault error={saving.error} />}
      <dl>
        {ROWS.map(([unit, name]) => (
          <div key={unit} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-t border-line py-1.5">
            <dt>{name}</dt>
            <dd>
              <Segments
                label={name}
                value={units[unit] as string}
                options={UNIT_CHOICES[unit].map((value) => ({ value, name: NAMES[value] ?? value }))}
                onPick={(value) => saving.save({ units: { ...units, [unit]: value } })}
              />
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
