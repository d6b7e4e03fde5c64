// What changed since this time yesterday and what is coming, one sentence a variable, with what it tends to mean.
import type { WaterStateView } from '@bluffwind/contract/water';
import type { WaterState } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { lightDay, skyDay } from '@bluffwind/core/sky/skyDay';
import { newestResidual } from '@bluffwind/core/tide/residual';
import { type TideTurn, tideTurns } from '@bluffwind/core/tide/tideTurns';
import { compassPoint, turnDeg } from '@bluffwind/core/units/angle';
import { DAY, HOUR, planningDay, startOfLocalDay } from '@bluffwind/core/units/time';
import { type Series, sampleSeries } from '@bluffwind/core/weather/series';
import { sampleWind } from '@bluffwind/core/weather/wind';
import { clock, dayName, windFigure } from '../ui/format';
import { variableWords } from '@bluffwind/core/weather/variables';
import { figure } from '@bluffwind/core/units/measure';
import { amount, myUnits } from '../data/units';

export interface Change {
  readonly head: string;
  readonly text: string;
  readonly meaning: string;
  readonly caution: boolean;
}

type Add = (head: string, text: string, meaning?: string, caution?: boolean) => void;

/** A reading older than this is stale. */
const STALE = 3 * HOUR;

/** Sentences for an instant. */
export function sinceYesterday(state: WaterStateView, now: number, zone: string): Change[] {
  const changes: Change[] = [];
  const water = waterStateOf(state.record);
  const add: Add = (head, text, meaning = '', caution = false) => changes.push({ head, text, meaning, caution });
  wind(water, now, zone, add);
  temperature(water, now, add);
  tide(water, now, zone, add);
  clarity(state, now, zone, add);
  light(water, now, add);
  sky(water, now, zone, add);
  air(water, now, add);
  flow(water, now, add);
  pressure(water, now, add);
  stations(state, water, now, zone, add);
  return changes;
}

function wind(water: WaterState, now: number, zone: string, add: Add): void {
  const here = sampleWind(water.wind, now);
  if (!here) return;
  let most = { turn: 0, at: now, wind: here };
  for (let t = now; t < now + 30 * HOUR; t += HOUR) {
    const w = sampleWind(water.wind, t);
    if (!w || w.mps < 3) continue;
    const turn = Math.abs(turnDeg(here.fromDeg, w.fromDeg));
    if (turn > most.turn + 5) most = { turn, at: t, wind: w };
  }
  const before = sampleWind(water.wind, now - DAY);
  const was = before ? `, was ${windFigure(before.mps, before.fromDeg)} yesterday` : '';
  const today = `${compassPoint(here.fromDeg)} ${amount(here.mps, 'wind', 0)} now${was}`;
  const warm = (sampleSeries(water.waterTempC, now, { carryMs: 12 * HOUR })?.value ?? 0) >= 12;
  if (most.turn > 50)
    add(
      'The wind goes round.',
      `${today}, ${windFigure(most.wind.mps, most.wind.fromDeg)} by ${dayName(most.at, zone)} ${clock(most.at, zone)}.`,
      `Lee banks become windblown and the other way about. ${warm ? 'In warm water bait piles on a windblown bank; others hold that the lee fishes better: the log decides.' : 'In cold water the lee is warmer; others fish the windblown bank for its bait: the log decides.'}`,
    );
  else add('The wind holds.', `${today}.`, here.mps < 1.5 ? 'Flat calm scatters fish in small shy groups on big flats.' : '');
}

function temperature(water: WaterState, now: number, add: Add): void {
  const temp = sampleSeries(water.waterTempC, now, { carryMs: 12 * HOUR });
  const before = sampleSeries(water.waterTempC, now - DAY);
  if (!temp || !before) return;
  const d = temp.value - before.value;
  add(
    Math.abs(d) < 0.15 ? 'Water as warm as yesterday.' : `Water ${d > 0 ? 'warmed' : 'cooled'} ${amount(Math.abs(d), 'warmer', 1)}.`,
    `${amount(temp.value, 'temp', 1)}, was ${figure(before.value, 'temp', myUnits(), 1).text}.`,
    Math.abs(d) < 0.15
      ? ''
      : d > 0
        ? 'Shallow water gains first, dark mud, shell and concrete before sand: look at flats.'
        : 'Shallow water loses first: go deeper; a cut or hole beside a flat holds what dropped off it.',
  );
}

function tide(water: WaterState, now: number, zone: string, add: Add): void {
  if (!water.tide) return;
  const turns = tideTurns(water.tide, now - 15 * HOUR, now + 40 * HOUR).filter((t) => !t.minor);
  const next = turns.filter((t) => t.atMs > now).slice(0, 3);
  const range = (list: readonly TideTurn[]) =>
    list.length > 1 ? Math.abs((list[1] as TideTurn).heightM - (list[0] as TideTurn).heightM) : 0;
  const past = turns.filter((t) => t.atMs <= now).slice(-2);
  const r = range(next);
  const grows = r - range(past);
  add(
    `Range ${amount(r, 'height', 1)}${Math.abs(grows) < 0.1 ? '' : grows > 0 ? ', larger than the last' : ', smaller than the last'}.`,
    `${next.map((t) => `${t.kind === 'high' ? 'High' : 'Low'} ${clock(t.atMs, zone)}`).join(', ')}.`,
    'Feeding often starts at the turn; whether run-in or run-out is better is each spot’s own.',
  );
  const residual = newestResidual(water.tide, water.levelM);
  if (!residual || now - residual.atMs > 6 * HOUR || Math.abs(residual.metres) < 0.08) return;
  add(
    `Water stands ${amount(Math.abs(residual.metres) * 1000, 'fish', 0)} ${residual.metres > 0 ? 'above' : 'below'} the prediction.`,
    `Measured ${clock(residual.atMs, zone)}; carried forward, halved in ${(residual.decayH * Math.LN2).toFixed(0)} h.`,
    residual.metres < 0
      ? 'Bars open later and shut earlier than predicted.'
      : 'Bars open earlier and shut later than predicted; do not count on it.',
  );
}

function clarity(state: WaterStateView, now: number, zone: string, add: Add): void {
  const seen = state.crewReadings
    .filter((r) => r.variable === 'clarityM' && Date.parse(r.at) <= now + 60_000)
    .sort((a, b) => a.at.localeCompare(b.at));
  const latest = seen.at(-1);
  if (!latest) return;
  const earlier = seen.at(-2);
  const word = earlier
    ? latest.value > earlier.value * 1.1
      ? 'Clearer.'
      : latest.value < earlier.value * 0.9
        ? 'More colour.'
        : 'As clear as before.'
    : 'Clarity.';
  add(
    word,
    `${amount(latest.value, 'depth', 1)} seen ${dayName(latest.at, zone)} ${clock(latest.at, zone)}${earlier ? `, was ${figure(earlier.value, 'depth', myUnits(), 1).text}` : ''}${latest.by ? `, by ${latest.by}` : ''}.`,
    latest.value < 1
      ? 'Vibration and flash in dirty water. Colour is disputed: some show bright, some dark and red; show both.'
      : latest.value > 4
        ? 'Clear: lighter leaders, natural colours; fish sit deeper in bright sun.'
        : '',
  );
}

/** Mean of a series over the twelve hours of daylight round an instant. */
function meanOver(series: Series | null, from: number, to: number): number | null {
  let sum = 0;
  let n = 0;
  for (let t = from; t <= to; t += HOUR) {
    const s = sampleSeries(series, t);
    if (!s) continue;
    sum += s.value;
    n++;
  }
  return n < 3 ? null : sum / n;
}

function light(water: WaterState, now: number, add: Add): void {
  const [last, next] = [meanOver(water.cloud, now - DAY, now), meanOver(water.cloud, now, now + DAY)];
  if (last === null || next === null) return;
  const d = next - last;
  if (Math.abs(d) < 0.15) return;
  const share = (v: number) => `${(v * 100).toFixed(0)} %`;
  add(
    d > 0 ? 'More cloud.' : 'More sun.',
    `${share(next)} cloud over the next day, ${share(last)} over the last.`,
    d > 0 ? 'Low light lowers caution: fish come shallower.' : 'In bright sun fish go deeper and into shade; dark ground warms.',
  );
}

/** Sun and moon of the day that is planned. */
function sky(water: WaterState, now: number, zone: string, add: Add): void {
  const from = startOfLocalDay(planningDay(now, zone), zone);
  const [day, more] = [skyDay(from, water.lat, water.lon), lightDay(from, water.lat, water.lon)];
  if (day.sunrise === null || day.sunset === null) return;
  const golden = more.goldenEvening ? `, golden from ${clock(more.goldenEvening[0], zone)}` : '';
  const moon = [
    day.moonrise === null ? null : `rises ${clock(day.moonrise, zone)}`,
    day.moonTransit === null ? null : `highest ${clock(day.moonTransit, zone)}`,
    day.moonset === null ? null : `sets ${clock(day.moonset, zone)}`,
  ].filter((t) => t !== null);
  add(
    `Sun ${clock(day.sunrise, zone)} to ${clock(day.sunset, zone)}.`,
    `${dayName(from, zone)}, ${(more.dayLengthH ?? 0).toFixed(1)} h${golden}. Moon: ${more.moonPhase}, ${(day.moonIllumination * 100).toFixed(0)} % lit, ${moon.join(', ')}.`,
    'Shallow at dusk and dawn, deeper in bright sun.',
  );
}

function air(water: WaterState, now: number, add: Add): void {
  const [here, before] = [sampleSeries(water.airTempC, now), sampleSeries(water.airTempC, now - DAY)];
  if (!here || !before || Math.abs(here.value - before.value) < 2) return;
  const d = here.value - before.value;
  add(
    `Air ${d > 0 ? 'warmer' : 'colder'} by ${amount(Math.abs(d), 'warmer', 0)}.`,
    `${amount(here.value, 'temp', 0)}, was ${figure(before.value, 'temp', myUnits(), 0).text}.`,
    d < 0 ? 'Cold mornings start late.' : '',
  );
}

function flow(water: WaterState, now: number, add: Add): void {
  const here = sampleSeries(water.flowM3s, now, { maxGapMs: 12 * HOUR, carryMs: 2 * DAY });
  const before = sampleSeries(water.flowM3s, now - DAY, { maxGapMs: 12 * HOUR });
  if (!here || !before) return;
  const ratio = here.value / Math.max(0.01, before.value);
  add(
    ratio > 1.15 ? 'The stream rises.' : ratio < 0.87 ? 'The stream falls.' : 'The stream runs as yesterday.',
    `${amount(here.value, 'flow', 1)}, was ${figure(before.value, 'flow', myUnits(), 1).text}.`,
    ratio > 1.15 ? 'Inflows bring oxygen and food: fish hold at the edge of the blow-out.' : '',
  );
}

function pressure(water: WaterState, now: number, add: Add): void {
  const here = sampleSeries(water.pressureHpa, now);
  const later = sampleSeries(water.pressureHpa, now + DAY);
  if (here && later && later.value - here.value < -4)
    add(
      'Pressure falls.',
      `${amount(here.value, 'pressure', 0)}, ${figure(later.value, 'pressure', myUnits(), 0).text} this time tomorrow.`,
      'Weather is turning: check the limits of the boat at each stop.',
      true,
    );
}

function stations(state: WaterStateView, water: WaterState, now: number, zone: string, add: Add): void {
  for (const [name, series] of [
    ['Wind', water.wind?.east ?? null],
    ['Water temperature', water.waterTempC],
  ] as const) {
    const last = series && series.forecastFrom > 0 ? (series.atMs[series.forecastFrom - 1] as number) : null;
    if (last !== null && now - last > STALE && now - last < 5 * DAY)
      add(
        `${name} is ${((now - last) / HOUR).toFixed(0)} h old.`,
        `Last good reading ${dayName(last, zone)} ${clock(last, zone)}.`,
        'Look before you trust it.',
        true,
      );
  }
  for (const d of state.disagreements)
    add(
      `${d.a} and ${d.b} disagree on ${variableWords(d.variable)}.`,
      `${d.aValue.toFixed(1)} against ${d.bValue.toFixed(1)} over ${d.hours} common hours.`,
      '',
      true,
    );
  for (const s of state.stations) {
    for (const f of s.failed.filter((x) => x.variable === 'windMps' && x.count >= 2))
      add(
        `${s.name} is left out for wind.`,
        `${f.count} readings failed their checks since ${dayName(f.since, zone)} ${clock(f.since, zone)}.`,
        '',
        true,
      );
    if (s.lastError)
      add(
        `${s.name} does not answer.`,
        `${s.lastError}. Last good reading ${s.lastGoodAt ? `${dayName(s.lastGoodAt, zone)} ${clock(s.lastGoodAt, zone)}` : 'none'}${s.nextTryAt ? `; tried again ${clock(s.nextTryAt, zone)}` : ''}.`,
        '',
        true,
      );
  }
}
