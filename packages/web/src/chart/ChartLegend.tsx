import { bearingDeg, distanceM } from '@bluffwind/core/ground/seaBed';
import { compassPoint } from '@bluffwind/core/units/angle';
import { amount } from '../data/units';
import { KELP } from './styles';
import { blowsIn, type ChartHour } from './useGround';

interface Place {
  readonly lat: number;
  readonly lon: number;
}

/** The wind of the hour in the chart's corner, and at its foot what is drawn, north, and where the pointer is. */
export function ChartLegend({
  hour,
  pointer,
  from,
}: {
  hour: ChartHour;
  pointer: Place | null;
  /** Where bearings and distances are read from. */
  from: (Place & { readonly name: string }) | undefined;
}) {
  const { wind, tideM, time } = hour;
  const blows = blowsIn(hour);
  return (
    <>
      {wind && (
        <div className="pointer-events-none absolute top-4 right-5 flex flex-col items-center text-[#10292e]">
          <svg width={48} height={48} aria-hidden="true">
            <circle cx={24} cy={24} r={23} fill="#fbf9f3" opacity={0.92} />
            <path d="M24 8L33 39L24 32L15 39Z" fill="#10292e" transform={`rotate(${wind.fromDeg + 180} 24 24)`} />
          </svg>
          <span className="num mt-1 rounded bg-[#fbf9f3]/90 px-1 text-[0.8rem]">
            {compassPoint(wind.fromDeg)} {amount(wind.mps, 'wind', 0)}
          </span>
        </div>
      )}
      <div className="pointer-events-none absolute bottom-3 left-4 flex items-center gap-3 rounded bg-[#fbf9f3]/95 px-3 py-1.5 text-[0.8rem] text-[#10292e]">
        {blows && (
          <span className="flex items-center gap-2">
            <svg width={22} height={13} aria-hidden="true">
              <rect width={22} height={13} fill="none" stroke={KELP} strokeWidth={0.8} />
              <path d="M-3 13L10 0M4 13L17 0M11 13L24 0" stroke={KELP} strokeWidth={1} />
            </svg>
            sheltered at {time}
          </span>
        )}
        <span className="num">{tideM !== null ? `tide ${amount(tideM, 'height', 1)} at ${time}` : blows ? '' : `at ${time}`}</span>
        <span className="flex items-center gap-1">
          <svg width={10} height={14} aria-hidden="true">
            <path d="M5 0L9 13L5 10L1 13Z" fill="#10292e" />
          </svg>
          N
        </span>
        {pointer && (
          <span className="num text-[#45595c]">
            {degrees(pointer.lat, 'N', 'S')} {degrees(pointer.lon, 'E', 'W')}
            {from && ` · ${bearingWords(from, pointer)} from ${from.name}`}
          </span>
        )}
      </div>
    </>
  );
}

const degrees = (v: number, plus: string, minus: string) => `${Math.abs(v).toFixed(4)}° ${v >= 0 ? plus : minus}`;

/** "1.2 km, 048°" from one place to another. */
function bearingWords(from: Place, to: Place): string {
  const d = distanceM(from, to);
  const bearing = String(Math.round(bearingDeg(from, to)) % 360).padStart(3, '0');
  return `${d < 1000 ? amount(d, 'near', 0) : amount(d, 'way', 2)}, ${bearing}°`;
}
