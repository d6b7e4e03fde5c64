import { baitMix } from '@bluffwind/core/tackle/baitMix';
import { useSearchParams } from 'react-router';
import { amount } from '../data/units';
import { AmountChart } from '../ui/AmountChart';
import { FIELD } from '../ui/form/fields';
import { Button } from '../ui/parts';
import type { SumField } from './sum';
import { SumFields } from './SumFields';
import { SumFrame } from './SumFrame';
import { useNumbers } from './useNumbers';

const FIELDS: readonly SumField[] = [{ name: 'kg', label: 'Whole mix', measure: 'weight', least: 0.1, most: 60, step: 0.1, usual: 5 }];
const USUAL = 'particles~3~1.2;boilies~1~9';
const MOST_PARTS = 6;

interface Typed {
  readonly name: string;
  readonly parts: number;
  readonly costPerKg: number;
}

const read = (text: string): Typed[] =>
  text
    .split(';')
    .slice(0, MOST_PARTS)
    .map((row) => {
      const [name = '', parts = '', cost = ''] = row.split('~');
      return { name: name.slice(0, 40), parts: Number(parts) || 0, costPerKg: Number(cost) || 0 };
    });

/** A mix of feed: kilograms and cost of each part. */
export default function BaitMix() {
  const [params, setParams] = useSearchParams();
  const [values, set] = useNumbers(FIELDS);
  const rows = read(params.get('mix') ?? USUAL);
  const keep = (next: readonly Typed[]) => {
    const to = new URLSearchParams(window.location.search);
    to.set('mix', next.map((r) => `${r.name.replaceAll(/[~;]/g, ' ')}~${r.parts}~${r.costPerKg}`).join(';'));
    setParams(to, { replace: true });
  };
  const change = (i: number, more: Partial<Typed>) => keep(rows.map((r, k) => (k === i ? { ...r, ...more } : r)));
  const good = rows.filter((r) => r.parts > 0 && r.costPerKg >= 0);
  const mix = good.length > 0 ? baitMix(good, values.kg ?? 5) : null;
  const names = good.map((r, i) => r.name || `part ${i + 1}`);
  return (
    <SumFrame
      name="Bait and its cost"
      what="Dear bait is bulked with cheap particles; a little goes far in the cold."
      rules={['P18', 'T8']}
      picture={
        <div className="px-[18px] pb-3">
          {mix ? (
            <AmountChart
              said={
                <>
                  <b data-says>
                    {amount(values.kg ?? 5, 'weight', 1)} cost about {mix.cost.toFixed(2)}, {(mix.cost / (values.kg ?? 5)).toFixed(2)} a
                    kilogram.
                  </b>{' '}
                  Bars are the weight of each part.
                </>
              }
              categories={names}
              series={[{ name: 'weight', values: mix.parts.map((p) => p.kg), look: 'bars' }]}
              xTitle="Part"
              yTitle="kg"
              show={(v) => v.toFixed(2)}
              also={[{ name: 'cost', values: mix.parts.map((p) => p.cost.toFixed(2)) }]}
            />
          ) : (
            <p role="alert" className="py-3 text-rust">
              Give at least one part more than nothing.
            </p>
          )}
        </div>
      }
    >
      <SumFields fields={FIELDS} values={values} onChange={set} />
      <h3 className="mt-2 text-[0.87rem] text-ink-2">Parts, by weight, and what a kilogram costs</h3>
      <ul>
        {rows.map((r, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name, and none is moved
          <li key={i} className="flex gap-1.5 border-t border-line py-1.5">
            <input
              aria-label={`Name of part ${i + 1}`}
              value={r.name}
              maxLength={40}
              onChange={(e) => change(i, { name: e.target.value })}
              className={`${FIELD} flex-1`}
            />
            <input
              aria-label={`Parts of ${r.name || `part ${i + 1}`}`}
              inputMode="decimal"
              defaultValue={r.parts}
              onChange={(e) => change(i, { parts: Math.max(0, Number(e.target.value.replace(',', '.')) || 0) })}
              className={`${FIELD} num w-14 text-right`}
            />
            <input
              aria-label={`Cost of ${r.name || `part ${i + 1}`}`}
              inputMode="decimal"
              defaultValue={r.costPerKg}
              onChange={(e) => change(i, { costPerKg: Math.max(0, Number(e.target.value.replace(',', '.')) || 0) })}
              className={`${FIELD} num w-16 text-right`}
            />
          </li>
        ))}
      </ul>
      {rows.length < MOST_PARTS && (
        <Button className="mt-2" onClick={() => keep([...rows, { name: '', parts: 1, costPerKg: 0 }])}>
          Another part
        </Button>
      )}
    </SumFrame>
  );
}
