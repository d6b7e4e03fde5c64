import type { RiskLine } from '@bluffwind/contract/risk';
import type { TripView } from '@bluffwind/contract/trips';
import type { OpenPlace } from '@bluffwind/core/conditions/openWater';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { riskLines } from '@bluffwind/core/plan/legRisk';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { every, riskSpans } from '@bluffwind/core/risk/judgeSpans';
import { skyDay } from '@bluffwind/core/sky/skyDay';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { compassPoint } from '@bluffwind/core/units/angle';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { said, saidTime } from '@bluffwind/core/units/measure';

/** A trip's water in one line, and what speaks against it in the open: by the one judgement, every quarter of an hour. */
export function tripWords(inputs: PlanInputs, trip: TripView, zone: string, open: OpenPlace): { water: string; cautions: RiskLine[] } {
  const state = waterStateOf(inputs.water);
  const at = conditionsOver(state, inputs.startsAt, inputs.endsAt);
  const [first, last] = [at(open, inputs.startsAt), at(open, inputs.endsAt)];
  const parts: string[] = [];
  if (state.tide) {
    const turns = tideTurns(state.tide, inputs.startsAt - 3 * HOUR, inputs.endsAt + 3 * HOUR).filter((t) => !t.minor);
    parts.push(
      turns.map((t) => `${t.kind === 'high' ? 'High' : 'Low'} ${saidTime(t.atMs, zone)} ${said(t.heightM, 'height', 1)}`).join(', '),
    );
  }
  const wind = (c: typeof first) =>
    c.windMps === null || c.windFromDeg === null ? 'Wind not known' : `${compassPoint(c.windFromDeg)} ${said(c.windMps, 'wind', 0)}`;
  parts.push(wind(first) === wind(last) ? wind(first) : `${wind(first)}, then ${wind(last)}`);
  parts.push(first.waterTempC === null ? 'Water temperature not known' : `Water ${said(first.waterTempC, 'temp', 1)}`);

  const cautions: RiskLine[] = riskLines(
    riskSpans(every(inputs.startsAt, inputs.endsAt, 15 * MINUTE), inputs.endsAt, (ms) =>
      judgeSpot(inputs.boat, inputs.party, open, at(open, ms)),
    ),
    zone,
    'in open water',
  );
  const sunset = skyDay(inputs.startsAt, state.lat, state.lon).sunset;
  if (sunset !== null && inputs.endsAt > sunset)
    cautions.push({ level: 'near', text: `Back after sunset, ${saidTime(sunset, zone)}: lights` });
  const children = trip.guests.filter((g) => g.child).length;
  if (children > 0) cautions.push({ level: 'near', text: `${children} child life ${children === 1 ? 'jacket' : 'jackets'}, by size` });
  return { water: `${parts.filter((p) => p !== '').join('. ')}.`, cautions };
}
