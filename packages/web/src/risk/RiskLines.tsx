import type { RiskLine } from '@bluffwind/contract/risk';
import { words } from '../data/units';

const MARK = { over: '✕', near: '!', unknown: '?', within: '' } as const;
const SPOKEN = { over: 'over: ', near: 'near: ', unknown: '', within: '' } as const;

/** What speaks against a place or a trip, a line each with its level as a mark and as a word; what is not known says so itself. */
export function RiskLines({ lines, className = '' }: { lines: readonly RiskLine[]; className?: string }) {
  if (lines.length === 0) return null;
  return (
    <ul className={className} data-risk={lines[0]?.level}>
      {lines.map((l) => (
        <li key={`${l.level} ${l.text}`} className={`flex gap-2 ${l.level === 'over' ? 'font-semibold text-rust' : 'text-rust'}`}>
          <span aria-hidden="true" className="w-3 shrink-0 text-center font-bold">
            {MARK[l.level]}
          </span>
          <span>
            <span className="sr-only">{SPOKEN[l.level]}</span>
            {words(l.text)}
          </span>
        </li>
      ))}
    </ul>
  );
}
