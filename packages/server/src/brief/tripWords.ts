import type { TripView } from '@bluffwind/contract/trips';
import { conditionsOver, plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { skyDay } from '@bluffwind/core/sky/skyDay';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { compassPoint } from '@bluffwind/core/units/angle';
import { HOUR, localTime } from '@bluffwind/core/units/time';

/** A trip's water in one line, and the usual cautions that speak against it. */
export function tripWords(inputs: PlanInputs, trip: TripView, zone: string): { water: string; cautions: string[] } {
  const state = waterStateOf(inputs.water);
  const at = conditionsOver(state, inputs.startsAt, inputs.endsAt);
  const open = plainSpot(state, 10, new Array<number>(36).fill(5000));
  const [first, last] = [at(open, inputs.startsAt), at(open, inputs.endsAt)];
  const parts: string[] = [];
  if (state.tide) {
    const turns = tideTurns(state.tide, inputs.startsAt - 3 * HOUR, inputs.endsAt + 3 * HOUR).filter((t) => !t.minor);
    parts.push(turns.map((t) => `${t.kind === 'high' ? 'High' : 'Low'} ${localTime(t.atMs, zone)} ${t.heightM.toFixed(1)} m`).join(', '));
  }
  const wind = (c: typeof first) =>
    c.windMps === null || c.windFromDeg === null ? 'wind unknown' : `${compassPoint(c.windFromDeg)} ${c.windMps.toFixed(0)} m/s`;
  parts.push(wind(first) === wind(last) ? wind(first) : `${wind(first)}, then ${wind(last)}`);
  if (first.waterTempC !== null) parts.push(`Water ${first.waterTempC.toFixed(1)} °C`);

  const cautions: string[] = [];
  for (let t = inputs.startsAt; t <= inputs.endsAt; t += HOUR / 2) {
    const gust = at(open, t).windGustMps ?? 0;
    if (gust > trip.boat.windLimitMps) {
      cautions.push(`Gusts over the boat's own limit of ${trip.boat.windLimitMps} m/s from ${localTime(t, zone)}`);
      break;
    }
    if (gust > 0.85 * trip.boat.windLimitMps) {
      cautions.push(`Gusts near the boat's own limit of ${trip.boat.windLimitMps} m/s from ${localTime(t, zone)}`);
      break;
    }
  }
  if (first.waterTempC !== null && first.waterTempC < 15.6)
    cautions.push(`Water ${first.waterTempC.toFixed(0)} °C: cold shock; life jackets worn, layers`);
  const sky = skyDay(inputs.startsAt - 12 * HOUR, state.lat, state.lon);
  const sunset = skyDay(inputs.startsAt, state.lat, state.lon).sunset;
  if (sky.sunrise !== null && inputs.startsAt < sky.sunrise && inputs.startsAt > sky.sunrise - 4 * HOUR)
    cautions.push('Under way before sunrise: lights');
  if (sunset !== null && inputs.endsAt > sunset) cautions.push('Back after sunset: lights');
  if (trip.guests.some((g) => g.child)) cautions.push(`${trip.guests.filter((g) => g.child).length} child life jackets, by size`);
  return { water: `${parts.filter((p) => p !== '').join('. ')}.`, cautions };
}
