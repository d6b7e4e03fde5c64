import { useMemo } from 'react';
import { words } from '../data/units';
import { CurveChart } from '../ui/CurveChart';
import { PlotView } from './PlotView';
import type { Sum, SumResult } from './sum';
import { SumFields } from './SumFields';
import { SumFrame } from './SumFrame';
import { useNumbers } from './useNumbers';

/** A sum of figures alone: the picture first, the inputs and what it finds beside it. The address holds the inputs. */
export function FigureSum({ sum }: { sum: Sum }) {
  const [values, set] = useNumbers(sum.fields);
  const found = useMemo((): SumResult | string => {
    try {
      return sum.solve(values);
    } catch (e) {
      if (e instanceof RangeError) return e.message;
      throw e;
    }
  }, [sum, values]);
  return (
    <SumFrame
      name={sum.name}
      what={sum.what}
      rules={sum.rules}
      picture={
        typeof found === 'string' ? (
          <p role="alert" className="m-[18px] border-l-4 border-rust bg-rust-pale px-4 py-3">
            {words(found)}
          </p>
        ) : (
          <>
            {found.plot && <PlotView plot={found.plot} label={`${sum.name}: ${words(found.says)}`} onDrag={set} />}
            <p className="px-[18px] py-2" data-says>
              {words(found.says)}
            </p>
            {found.curve && (
              <div className="px-[18px] pb-3">
                <CurveChart
                  {...found.curve}
                  showX={(x) => String(Number(x.toPrecision(3)))}
                  showY={(y) => String(Number(y.toPrecision(3)))}
                />
              </div>
            )}
          </>
        )
      }
    >
      <SumFields fields={sum.fields} values={values} onChange={set} />
      {typeof found !== 'string' && (
        <dl className="mt-3 border-t-2 border-ink pt-1">
          {found.figures.map((f) => (
            <div key={f.label} className="flex items-baseline gap-3 border-b border-line py-2">
              <dt className="min-w-0 flex-1">{f.label}</dt>
              <dd className="num text-right font-semibold" data-figure={f.label}>
                {words(f.text)}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </SumFrame>
  );
}
