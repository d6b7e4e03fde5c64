// What a spot is at an hour, a line for each thing that a guide asks of it.
import type { SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { shelterOf } from '@bluffwind/core/conditions/shelter';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { waveSpread } from '@bluffwind/core/exposure/waves';
import { fuelFor } from '@bluffwind/core/ground/fuel';
import { deepWater, longestStretchM } from '@bluffwind/core/heat/thermocline';
import { compassPoint } from '@bluffwind/core/units/angle';
import { figure } from '@bluffwind/core/units/measure';
import { amount, myUnits } from '../data/units';
import { clock, depth, wind } from '../ui/format';

export const QUARTERS = ['early flood', 'late flood', 'early ebb', 'late ebb'] as const;
const TRUST = { measured: 'measured', forecast: 'forecast', carried: 'carried forward' } as const;
/** A fetch beyond it is the open sea, m. */
const OPEN_SEA_M = 20_000;
/** Differences of temperature and of wave below it are not told, C and m. */
const TOLD = 0.1;

export interface SpotRow {
  readonly name: string;
  readonly value: string;
  /** Where it comes from. */
  readonly note?: string | undefined;
}

interface Asked {
  readonly spot: SpotView;
  readonly c: SpotConditions;
  readonly zone: string;
  readonly tidal: boolean;
  readonly boat: OutfitView['boats'][number] | undefined;
  /** Seconds under way from the dock; infinite where there is no way at this tide. */
  readonly runSeconds: number | undefined;
  /** When the boat can get in, of this day; null where nothing limits it. */
  readonly access: readonly { readonly fromMs: number; readonly toMs: number }[] | null;
  readonly dayEndMs: number;
}

/** In the order in which they are asked for; what does not apply is left out, what nobody knows is said. */
export function spotRows(of: Asked): SpotRow[] {
  return [
    depthRow(of),
    tideRow(of),
    currentRow(of),
    flowRow(of),
    windRow(of),
    fetchRow(of),
    waveRow(of),
    waterRow(of),
    lightRow(of),
    shadeRow(of),
    accessRow(of),
    runRow(of),
  ].filter((row) => row !== null);
}

function depthRow({ spot: s, c }: Asked): SpotRow {
  return { name: 'Depth', value: `${depth(c.depthM)} now, ${depth(s.depthMinM)} to ${depth(s.depthMaxM)} at datum` };
}

function tideRow({ c, tidal }: Asked): SpotRow | null {
  if (!tidal || c.tideStage === null) return null;
  const value = `${QUARTERS[Math.floor(c.tideStage * 4) % 4]}, ${c.sinceTurnH?.toFixed(1)} h after the turn`;
  return { name: 'Tide', value, note: c.fields.level ? TRUST[c.fields.level.trust] : undefined };
}

function currentRow({ c }: Asked): SpotRow | null {
  if (c.currentMps === null) return null;
  return { name: 'Current', value: `${amount(c.currentMps, 'current', 1)} to ${compassPoint(c.currentToDeg ?? 0)}` };
}

function flowRow({ c }: Asked): SpotRow | null {
  return c.flowM3s === null ? null : { name: 'Stream', value: amount(c.flowM3s, 'flow', 1) };
}

function windRow({ spot: s, c }: Asked): SpotRow {
  const bank = s.shoreNormalDeg === null ? '' : `; bank faces ${compassPoint(s.shoreNormalDeg)}`;
  const value = `${wind(c.windMps, c.windFromDeg)}, ${shelterOf(c)}${bank}`;
  return { name: 'Wind', value, note: c.fields.wind ? TRUST[c.fields.wind.trust] : undefined };
}

function fetchRow({ c: { fetchM } }: Asked): SpotRow {
  return { name: 'Fetch', value: fetchM === null ? 'not known' : fetchM > OPEN_SEA_M ? 'open sea' : amount(fetchM, 'way', 1) };
}

function waveRow({ c }: Asked): SpotRow {
  if (c.waveM === null) return { name: 'Wave', value: 'not known' };
  // What lifts or lowers the one method's wave, how long the wind has blown and the current, does the same to the other's.
  const spread = c.windMps === null || c.fetchM === null ? null : waveSpread(c.windMps, c.fetchM, Math.max(0.3, c.depthM));
  const mostM = !spread || spread.lowM < 0.05 ? null : (c.waveM * spread.highM) / spread.lowM;
  const other = mostM !== null && mostM - c.waveM >= TOLD ? `, by another method up to ${amount(mostM, 'height', 1)}` : '';
  return { name: 'Wave', value: `${amount(c.waveM, 'height', 1)}${other}` };
}

function waterRow({ spot: s, c, tidal }: Asked): SpotRow {
  const note = `${s.heatReadings} ${s.heatReadings === 1 ? 'reading' : 'readings'} here`;
  if (c.waterTempC === null) return { name: 'Water', value: 'not known', note };
  const temp = (v: number, digits: number) => figure(v, 'temp', myUnits(), digits).text;
  const warmer = c.warmerC ?? 0;
  const than =
    Math.abs(warmer) >= TOLD ? `, ${amount(Math.abs(warmer), 'warmer', 1)} ${warmer > 0 ? 'warmer' : 'cooler'} than the station’s` : '';
  const deep = tidal ? null : deepWater(c.waterTempC, c.depthM, longestStretchM(s.fetchM));
  const below = deep
    ? ` on top; below a break at about ${amount(deep.breakM, 'depth', 0)}, ${temp(deep.lowC, 0)} to ${amount(deep.highC, 'temp', 0)} at the bottom`
    : '';
  return { name: 'Water', value: `${temp(c.waterTempC, 1)} ±${amount(c.waterTempSdC ?? 0, 'warmer', 1)}${than}${below}`, note };
}

function lightRow({ c }: Asked): SpotRow {
  if (c.lightFraction === null) return { name: 'Light', value: 'clarity not known' };
  return { name: 'Light', value: `${(c.lightFraction * 100).toFixed(0)} % at fish depth, clarity ${amount(c.clarityM ?? 0, 'depth', 1)}` };
}

function shadeRow({ c }: Asked): SpotRow {
  if (c.shadeToDeg === null) return { name: 'Shade', value: 'no sun to speak of' };
  return { name: 'Shade', value: `falls to ${compassPoint(c.shadeToDeg)}, sun ${c.sunHeightDeg.toFixed(0)}° high` };
}

function accessRow({ access, boat, zone, dayEndMs }: Asked): SpotRow | null {
  if (!access) return null;
  const end = (ms: number) => (ms >= dayEndMs ? '24:00' : clock(ms, zone));
  const open = access.map((w) => `${clock(w.fromMs, zone)}–${end(w.toMs)}`).join(', ');
  return { name: 'Way in', value: access.length === 0 ? `shut all day for ${boat?.name}` : `${open} for ${boat?.name}` };
}

function runRow({ boat, runSeconds }: Asked): SpotRow | null {
  if (!boat || runSeconds === undefined) return null;
  if (!Number.isFinite(runSeconds)) return { name: 'Run', value: 'no way at this tide' };
  const fuel = fuelFor(boat, runSeconds);
  const back = `there and back ${amount(fuel?.litres ?? 0, 'fuel', 0)} of ${amount(fuel?.usableL ?? 0, 'fuel', 0)} usable`;
  return { name: 'Run', value: `${(runSeconds / 60).toFixed(0)} min from the dock; ${back}` };
}
