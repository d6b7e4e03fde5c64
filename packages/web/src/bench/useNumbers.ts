import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import type { SumField } from './sum';

/** Figures of a sum that are kept in the address, within their ranges. */
export function useNumbers(
  fields: readonly SumField[],
): readonly [Readonly<Record<string, number>>, (name: string, value: number) => void] {
  const [params, setParams] = useSearchParams();
  const values = useMemo(
    () =>
      Object.fromEntries(
        fields.map((f) => {
          const given = Number(params.get(f.name) ?? Number.NaN);
          return [f.name, Number.isFinite(given) ? Math.min(f.most, Math.max(f.least, given)) : f.usual];
        }),
      ),
    [params, fields],
  );
  const set = (name: string, value: number) => {
    const f = fields.find((x) => x.name === name);
    if (!f) return;
    const next = new URLSearchParams(window.location.search);
    next.set(name, String(Number(Math.min(f.most, Math.max(f.least, value)).toPrecision(6))));
    setParams(next, { replace: true });
  };
  return [values, set];
}
