import type { LogView } from '@bluffwind/contract/log';
import { clock, dayName, wind } from '../ui/format';
import { usePocket } from '../ui/usePocket';
import { amount } from '../data/units';

const STAGES = ['first run-in', 'run-in', 'run-in', 'last run-in', 'first run-out', 'run-out', 'run-out', 'last run-out'];
const HEADS = ['When', 'Boat', 'Spot', 'Bait', 'Rods', 'Rod-h', 'Fish', 'Lost', 'Largest', 'Tide', 'Wind', 'Water'];

type Row = LogView['rows'][number];
const when = (r: Row, zone: string) => `${dayName(r.at, zone)} ${new Date(r.at).getUTCFullYear()} ${clock(r.at, zone)}`;
const stage = (r: Row) => (r.tideStage === null ? '' : (STAGES[Math.min(7, Math.floor(r.tideStage * 8))] as string));
const windOf = (r: Row) => (r.windMps === null ? '' : wind(r.windMps, r.windFromDeg));
const warmth = (r: Row) => (r.waterTempC === null ? '' : amount(r.waterTempC, 'temp', 1));
const largest = (r: Row) => (r.largestMm ? amount(r.largestMm, 'fish', 0) : '');

/** What was fished: a table, or in the pocket rows of lines with the fish at the right. */
export function LogRows({ rows, zone }: { rows: readonly Row[]; zone: string }) {
  if (usePocket())
    return (
      <ul>
        {rows.map((r) => (
          <li key={r.setId} className="grid grid-cols-[1fr_auto] gap-x-3 border-b border-line px-3 py-2">
            <span className="min-w-0">
              <b>{r.spot}</b> <span className="text-ink-2">{r.presentation}</span>
            </span>
            <span className={`num text-right ${r.fish > 0 ? 'font-bold' : 'text-ink-2'}`}>{r.fish} fish</span>
            <span className="text-[0.87rem] text-ink-2">
              {[when(r, zone), r.boat, stage(r), windOf(r), warmth(r)].filter(Boolean).join(' · ')}
            </span>
            <span className="num text-right text-[0.87rem] text-ink-2">
              {r.rodHours.toFixed(1)} rod-h
              {largest(r) && (
                <>
                  <br />
                  {largest(r)}
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    );
  return (
    <table className="w-full text-[0.9rem]">
      <thead className="sticky top-0 bg-chalk text-left text-ink-2">
        <tr>
          {HEADS.map((h, i) => (
            <th
              key={h}
              scope="col"
              className={`border-b border-ink px-2 py-1.5 font-normal first:pl-[18px] ${i >= 4 && i <= 8 ? 'text-right' : ''}`}
            >
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.setId} className="border-b border-line">
            <td className="num py-1 pr-2 pl-[18px] whitespace-nowrap">{when(r, zone)}</td>
            <td className="px-2 whitespace-nowrap">{r.boat}</td>
            <td className="px-2 whitespace-nowrap">{r.spot}</td>
            <td className="px-2">{r.presentation}</td>
            <td className="num px-2 text-right">{r.rods}</td>
            <td className="num px-2 text-right">{r.rodHours.toFixed(1)}</td>
            <td className={`num px-2 text-right ${r.fish > 0 ? 'font-bold' : 'text-ink-3'}`}>{r.fish}</td>
            <td className="num px-2 text-right">{r.lost || ''}</td>
            <td className="num px-2 text-right whitespace-nowrap">{largest(r)}</td>
            <td className="px-2 whitespace-nowrap">{stage(r)}</td>
            <td className="num px-2 whitespace-nowrap">{windOf(r)}</td>
            <td className="num px-2 whitespace-nowrap">{warmth(r)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
