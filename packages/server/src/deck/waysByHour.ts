import { STEP_MS } from '@bluffwind/core/plan/rankTrip';
import type { ShutWays } from '@bluffwind/core/plan/shutWays';
import { HOUR } from '@bluffwind/core/units/time';

/** Minutes from a spot to the others in each hour of the trip, the longest of the hour; nothing where they are the same all day. */
export function waysByHour(
  { sets, level }: Pick<ShutWays, 'sets' | 'level'>,
  i: number,
  spots: readonly { readonly id: string }[],
  fromMs: number,
) {
  if (sets.length < 2) return {};
  const hours = Array.from({ length: Math.ceil((level.length * STEP_MS) / HOUR) }, (_, h) =>
    level.slice((h * HOUR) / STEP_MS, ((h + 1) * HOUR) / STEP_MS).map((l) => sets[l]?.betweenMin[i]),
  );
  const longest = (j: number) =>
    hours.map((rows) => {
      const minutes = rows.map((row) => row?.[j] ?? null);
      return minutes.some((m) => m === null) ? null : Math.round(Math.max(...(minutes as number[])) * 10) / 10;
    });
  return { byHour: { fromMs, minutes: Object.fromEntries(spots.flatMap((s, j) => (j === i ? [] : [[s.id, longest(j)] as const]))) } };
}
