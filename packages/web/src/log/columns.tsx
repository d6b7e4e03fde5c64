// Columns of the log: what each shows, by what it is put in order, and how it stands.
import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import { createColumnHelper } from '@tanstack/react-table';
import { amount } from '../data/units';
import { clock, dayName, wind } from '../ui/format';

const STAGES = ['first run-in', 'run-in', 'run-in', 'last run-in', 'first run-out', 'run-out', 'run-out', 'last run-out'];

export const whenOf = (r: LogRow, zone: string) => `${dayName(r.at, zone)} ${new Date(r.at).getUTCFullYear()} ${clock(r.at, zone)}`;
export const stageOf = (r: LogRow) => (r.tideStage === null ? '' : (STAGES[Math.min(7, Math.floor(r.tideStage * 8))] as string));
export const windOf = (r: LogRow) => (r.windMps === null ? '' : wind(r.windMps, r.windFromDeg));
export const warmthOf = (r: LogRow) => (r.waterTempC === null ? '' : amount(r.waterTempC, 'temp', 1));
export const largestOf = (r: LogRow) => (r.largestMm ? amount(r.largestMm, 'fish', 0) : '');

const column = createColumnHelper<LogRow>();

interface Look {
  readonly right?: true;
  readonly figure?: true;
  /** Names may be longer than their column. */
  readonly cut?: true;
  readonly width: string;
}

/** How each column stands: figures to the right, and its share of the width. */
export const LOOKS: Record<LogOrder, Look> = {
  when: { figure: true, width: '222px' },
  boat: { width: '112px' },
  spot: { cut: true, width: '150px' },
  bait: { cut: true, width: 'auto' },
  rods: { right: true, figure: true, width: '52px' },
  rodHours: { right: true, figure: true, width: '60px' },
  fish: { right: true, figure: true, width: '50px' },
  lost: { right: true, figure: true, width: '50px' },
  largest: { right: true, figure: true, width: '78px' },
  tide: { width: '98px' },
  wind: { figure: true, width: '92px' },
  water: { figure: true, width: '76px' },
};

export const columnsOf = (zone: string) => [
  column.accessor((r) => whenOf(r, zone), { id: 'when', header: 'When' }),
  column.accessor('boat', { id: 'boat', header: 'Boat' }),
  column.accessor('spot', { id: 'spot', header: 'Spot' }),
  column.accessor('presentation', { id: 'bait', header: 'Bait' }),
  column.accessor('rods', { id: 'rods', header: 'Rods' }),
  column.accessor((r) => r.rodHours.toFixed(1), { id: 'rodHours', header: 'Rod-h' }),
  column.accessor('fish', {
    id: 'fish',
    header: 'Fish',
    cell: (c) => <span className={c.getValue() > 0 ? 'font-bold' : 'text-ink-2'}>{c.getValue()}</span>,
  }),
  column.accessor((r) => r.lost || '', { id: 'lost', header: 'Lost' }),
  column.accessor(largestOf, { id: 'largest', header: 'Largest' }),
  column.accessor(stageOf, { id: 'tide', header: 'Tide' }),
  column.accessor(windOf, { id: 'wind', header: 'Wind' }),
  column.accessor(warmthOf, { id: 'water', header: 'Water' }),
];
