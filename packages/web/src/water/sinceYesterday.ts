// What changed since this time yesterday and what is coming, one sentence a variable, with what it tends to mean.
import type { WaterStateView } from '@bluffwind/contract/water';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { type TideTurn, tideTurns } from '@bluffwind/core/tide/tideTurns';
import { compassPoint, turnDeg } from '@bluffwind/core/units/angle';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { sampleSeries } from '@bluffwind/core/weather/series';
import { sampleWind } from '@bluffwind/core/weather/wind';
import { clock, dayName } from '../ui/format';

export interface Change {
  readonly head: string;
  readonly text: string;
  readonly meaning: string;
  readonly caution: boolean;
}

/** Sentences for an instant. */
export function sinceYesterday(state: WaterStateView, now: number, zone: string): Change[] {
  const changes: Change[] = [];
  const water = waterStateOf(state.record);
  const add = (head: string, text: string, meaning = '', caution = false) => changes.push({ head, text, meaning, caution });

  const here = sampleWind(water.wind, now);
  if (here) {
    let most = { turn: 0, at: now, wind: here };
    for (let t = now; t < now + 30 * HOUR; t += HOUR) {
      const w = sampleWind(water.wind, t);
      if (!w || w.mps < 3) continue;
      const turn = Math.abs(turnDeg(here.fromDeg, w.fromDeg));
      if (turn > most.turn + 5) most = { turn, at: t, wind: w };
    }
    const today = `${compassPoint(here.fromDeg)} ${here.mps.toFixed(0)} m/s now`;
    const warm = (sampleSeries(water.waterTempC, now, { carryMs: 12 * HOUR })?.value ?? 0) >= 12;
    if (most.turn > 50) {
      add(
        'The wind goes round.',
        `${today}, ${compassPoint(most.wind.fromDeg)} ${most.wind.mps.toFixed(0)} by ${dayName(most.at, zone)} ${clock(most.at, zone)}.`,
        `Lee banks become windblown and the other way about. ${warm ? 'In warm water bait piles on a windblown bank; others hold that the lee fishes better: the log decides.' : 'In cold water the lee is warmer; others fish the windblown bank for its bait: the log decides.'}`,
      );
    } else add('The wind holds.', `${today}.`);
  }

  const temp = sampleSeries(water.waterTempC, now, { carryMs: 12 * HOUR });
  const before = sampleSeries(water.waterTempC, now - DAY);
  if (temp && before) {
    const d = temp.value - before.value;
    add(
      Math.abs(d) < 0.15 ? 'Water as warm as yesterday.' : `Water ${d > 0 ? 'warmed' : 'cooled'} ${Math.abs(d).toFixed(1)} °C.`,
      `${temp.value.toFixed(1)} °C, was ${before.value.toFixed(1)}.`,
      Math.abs(d) < 0.15 ? '' : d > 0 ? 'Shallow water gains first: look at flats and mud.' : 'Shallow water loses first: go deeper.',
    );
  }

  if (water.tide) {
    const turns = tideTurns(water.tide, now - 15 * HOUR, now + 40 * HOUR).filter((t) => !t.minor);
    const next = turns.filter((t) => t.atMs > now).slice(0, 3);
    const range = (list: readonly TideTurn[]) =>
      list.length > 1 ? Math.abs((list[1] as TideTurn).heightM - (list[0] as TideTurn).heightM) : 0;
    const past = turns.filter((t) => t.atMs <= now).slice(-2);
    const r = range(next);
    const grows = r - range(past);
    add(
      `Range ${r.toFixed(1)} m${Math.abs(grows) < 0.1 ? '' : grows > 0 ? ', larger than the last' : ', smaller than the last'}.`,
      `${next.map((t) => `${t.kind === 'high' ? 'High' : 'Low'} ${clock(t.atMs, zone)}`).join(', ')}.`,
      'Feeding often starts at the turn; whether run-in or run-out is better is each spot’s own.',
    );
    const last = state.measuredLevelM;
    const i = (last?.atMs.length ?? 0) - 1;
    if (last && i >= 0 && now - (last.atMs[i] as number) < 3 * HOUR) {
      const residual = (last.value[i] as number) - water.tide.heightAt(last.atMs[i] as number);
      if (Math.abs(residual) >= 0.08)
        add(
          `Water stands ${Math.abs(residual * 100).toFixed(0)} cm ${residual > 0 ? 'above' : 'below'} the prediction.`,
          `Measured ${clock(last.atMs[i] as number, zone)}.`,
          residual < 0 ? 'Bars pass later and shut earlier than predicted.' : '',
        );
    }
  }

  const clarity = state.crewReadings.filter((r) => r.variable === 'clarityM').sort((a, b) => a.at.localeCompare(b.at));
  const latest = clarity.at(-1);
  if (latest) {
    const earlier = clarity.at(-2);
    const word = earlier
      ? latest.value > earlier.value * 1.1
        ? 'Clearer.'
        : latest.value < earlier.value * 0.9
          ? 'More colour.'
          : 'As clear as before.'
      : 'Clarity.';
    add(
      word,
      `${latest.value.toFixed(1)} m seen ${dayName(latest.at, zone)} ${clock(latest.at, zone)}${earlier ? `, was ${earlier.value.toFixed(1)}` : ''}${latest.by ? `, by ${latest.by}` : ''}.`,
      latest.value < 1 ? 'Vibration and flash in dirty water.' : '',
    );
  }

  const pressure = sampleSeries(water.pressureHpa, now);
  const later = sampleSeries(water.pressureHpa, now + DAY);
  if (pressure && later && later.value - pressure.value < -4)
    add(
      'Pressure falls.',
      `${pressure.value.toFixed(0)} hPa, ${later.value.toFixed(0)} this time tomorrow.`,
      'Weather is turning: check the limits of the boat at each stop.',
      true,
    );

  for (const s of state.stations) {
    for (const f of s.failed.filter((x) => x.variable === 'windMps' && x.count >= 2)) {
      add(
        `${s.name} is left out for wind.`,
        `${f.count} readings failed their checks since ${dayName(f.since, zone)} ${clock(f.since, zone)}.`,
        '',
        true,
      );
    }
    if (s.lastError)
      add(
        `${s.name} does not answer.`,
        `${s.lastError}. Last good readings ${s.polledTo ? `from ${clock(s.polledTo, zone)}` : 'none'}.`,
        '',
        true,
      );
  }
  return changes;
}
