import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { logQuery, meQuery, outfitQuery, spotsQuery } from '../app/queries';
import { clock, dayName, rate, wind } from '../ui/format';
import { Button, Fault, Header, Waiting } from '../ui/parts';

const FILTERS = ['waterId', 'spotId', 'presentationId', 'speciesId', 'from', 'to'] as const;
const STAGES = ['first run-in', 'run-in', 'run-in', 'last run-in', 'first run-out', 'run-out', 'run-out', 'last run-out'];

export default function Log() {
  const [params, setParams] = useSearchParams();
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const waterId = params.get('waterId') ?? '';
  const spots = useQuery({ ...spotsQuery(waterId), enabled: waterId !== '' });
  const filter = useMemo(() => {
    const kept = new URLSearchParams();
    for (const f of FILTERS) if (params.get(f)) kept.set(f, params.get(f) as string);
    return kept.toString();
  }, [params]);
  const log = useQuery(logQuery(filter));
  const zone = me?.outfit.zone ?? 'UTC';
  const choose = (name: (typeof FILTERS)[number], value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(name, value);
    else next.delete(name);
    if (name === 'waterId') next.delete('spotId');
    setParams(next);
  };
  const t = log.data?.total;
  return (
    <>
      <Header
        title="Log"
        note={
          t
            ? `${t.sets} entries, ${t.fish} fish in ${t.rodHours.toFixed(0)} rod-hours${t.rate !== null ? `, ${rate(t.rate)} an hour` : ''}${t.se !== null ? ` (give or take ${rate(t.se)})` : ''}; ${t.blankSets} blank`
            : ''
        }
      >
        <Button onClick={() => setParams({})} disabled={filter === ''}>
          All
        </Button>
      </Header>
      <div className="flex flex-wrap items-end gap-3 border-b border-line px-[18px] py-2">
        <Choice label="Water" value={waterId} onChange={(v) => choose('waterId', v)} options={outfit?.waters ?? []} />
        <Choice
          label="Spot"
          value={params.get('spotId') ?? ''}
          onChange={(v) => choose('spotId', v)}
          options={waterId ? (spots.data ?? []) : []}
          empty={waterId ? 'any' : 'choose a water'}
        />
        <Choice
          label="Presentation"
          value={params.get('presentationId') ?? ''}
          onChange={(v) => choose('presentationId', v)}
          options={outfit?.presentations ?? []}
        />
        <Choice
          label="Species"
          value={params.get('speciesId') ?? ''}
          onChange={(v) => choose('speciesId', v)}
          options={outfit?.species ?? []}
        />
        <label className="flex flex-col text-[0.83rem] text-ink-2">
          From
          <input
            type="date"
            value={params.get('from') ?? ''}
            onChange={(e) => choose('from', e.target.value)}
            className="rounded border border-line bg-paper px-2 py-1 text-ink"
          />
        </label>
        <label className="flex flex-col text-[0.83rem] text-ink-2">
          To
          <input
            type="date"
            value={params.get('to') ?? ''}
            onChange={(e) => choose('to', e.target.value)}
            className="rounded border border-line bg-paper px-2 py-1 text-ink"
          />
        </label>
      </div>
      {log.error ? <Fault error={log.error} retry={() => log.refetch()} /> : null}
      {log.isPending && <Waiting what="Reading the log" />}
      {log.data && (
        <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Sets">
          <table className="w-full text-[0.9rem]">
            <thead className="sticky top-0 bg-chalk text-left text-ink-2">
              <tr>
                {['When', 'Boat', 'Spot', 'Presentation', 'Rods', 'Rod-h', 'Fish', 'Lost', 'Largest', 'Tide', 'Wind', 'Water'].map(
                  (h, i) => (
                    <th
                      key={h}
                      scope="col"
                      className={`border-b border-ink px-2 py-1.5 font-normal first:pl-[18px] ${i >= 4 && i <= 8 ? 'text-right' : ''}`}
                    >
                      {h}
                    </th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {log.data.rows.map((r) => (
                <tr key={r.setId} className="border-b border-line">
                  <td className="num py-1 pr-2 pl-[18px] whitespace-nowrap">
                    {dayName(r.at, zone)} {new Date(r.at).getUTCFullYear()} {clock(r.at, zone)}
                  </td>
                  <td className="px-2 whitespace-nowrap">{r.boat}</td>
                  <td className="px-2 whitespace-nowrap">{r.spot}</td>
                  <td className="px-2">{r.presentation}</td>
                  <td className="num px-2 text-right">{r.rods}</td>
                  <td className="num px-2 text-right">{r.rodHours.toFixed(1)}</td>
                  <td className={`num px-2 text-right ${r.fish > 0 ? 'font-bold' : 'text-ink-3'}`}>{r.fish}</td>
                  <td className="num px-2 text-right">{r.lost || ''}</td>
                  <td className="num px-2 text-right whitespace-nowrap">{r.largestMm ? `${(r.largestMm / 10).toFixed(0)} cm` : ''}</td>
                  <td className="px-2 whitespace-nowrap">{r.tideStage === null ? '' : STAGES[Math.min(7, Math.floor(r.tideStage * 8))]}</td>
                  <td className="num px-2 whitespace-nowrap">{r.windMps === null ? '' : `${wind(r.windMps, r.windFromDeg)} m/s`}</td>
                  <td className="num px-2 whitespace-nowrap">{r.waterTempC === null ? '' : `${r.waterTempC.toFixed(1)} °C`}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {log.data.rows.length === 0 && <p className="p-4 text-ink-2">Nothing in the log matches. Take a filter away.</p>}
          {log.data.rows.length < log.data.total.sets && (
            <p className="p-4 text-ink-2">
              The newest {log.data.rows.length} of {log.data.total.sets} are listed; the figures above count all of them.
            </p>
          )}
        </div>
      )}
    </>
  );
}

function Choice({
  label,
  value,
  onChange,
  options,
  empty = 'any',
}: {
  label: string;
  value: string;
  onChange: (v: string) => void;
  options: readonly { id: string; name: string }[];
  empty?: string;
}) {
  return (
    <label className="flex flex-col text-[0.83rem] text-ink-2">
      {label}
      <select
        value={value}
        onChange={(e) => onChange(e.target.value)}
        className="max-w-[210px] rounded border border-line bg-paper px-2 py-1 text-ink"
      >
        <option value="">{empty}</option>
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </label>
  );
}
