// How what speaks against a day is put together from places, hours and ways, with judgements made up for it.
import { describe, expect, it } from 'vitest';
import type { Finding, Judgement, Level } from '../risk/judge';
import type { RiskSpan } from '../risk/judgeSpans';
import { inMetric } from '../units/measure';
import { HOUR, MINUTE } from '../units/time';
import { allDayLines, type DayRisk, dayLines, type LegRisk, notKnownOfTrip, riskLines, riskOfLegs, stopLines } from './legRisk';
import type { PlanInputs, WaysAt } from './planInputs';
import type { Ranking } from './rankTrip';
import { inputs, START } from './testTrip';

const finding = (quantity: Finding['quantity'], level: Level, value: number | null = 9, note?: string) =>
  ({ quantity, level, value, limit: 10, ...(note ? { note } : {}) }) as Finding;
const judged = (...findings: Finding[]): Judgement => ({
  worst: findings.reduce<Level>(
    (w, f) => (['within', 'unknown', 'near', 'over'].indexOf(f.level) > ['within', 'unknown', 'near', 'over'].indexOf(w) ? f.level : w),
    'within',
  ),
  findings,
});
const span = (
  quantity: Finding['quantity'],
  level: 'over' | 'near' | 'unknown',
  fromMin = 0,
  toMin = 60,
  more: Partial<Finding> = {},
): RiskSpan => ({
  quantity,
  level,
  fromMs: START + fromMin * MINUTE,
  toMs: START + toMin * MINUTE,
  worst: { ...finding(quantity, level, level === 'unknown' ? null : 9), ...more },
});
const words = (lines: readonly { level: string; text: string }[]) => lines.map((l) => inMetric(`${l.level}: ${l.text}`));

/** A trip whose ways cross places 0 (dock to exposed), 1 (dock to lee), 2 (exposed to lee), and whose judgements are given. */
function trip(at: (place: number, step: number) => Judgement, more: Partial<PlanInputs> = {}) {
  const place = { lat: 47.6, lon: -35.2, depthM: 9, fetchM: new Array(36).fill(100), bar: null };
  const day = inputs({ ...more, sea: { places: [place, place, place], dock: [], between: [] } });
  const ways: WaysAt = {
    tideM: 0,
    dockMin: [10, 20, null],
    betweenMin: day.travelMin,
    dockSea: [[0], [1], []],
    betweenSea: [
      [[], [2], []],
      [[2], [], []],
      [[], [], []],
    ],
  };
  const steps = (day.endsAt - day.startsAt) / (5 * MINUTE);
  const c = {
    tideHeightM: 1,
    stillWater: false,
    waveM: 0,
    windMps: 3,
    windFromDeg: 90,
    currentMps: 0,
    currentToDeg: 0,
    visibilityM: 9000,
    thunder: false,
    sunHeightDeg: 30,
    waterTempC: 18,
    airTempC: 18,
    dewPointC: 9,
    windGustMps: 4,
  };
  const ranking = {
    ways: { sets: [ways, { ...ways, dockSea: [[1], [1], []] }], level: new Array(steps).fill(0), judgeAt: at },
    conditionsAt: () => c,
  } as unknown as Ranking;
  return { day, ranking };
}
const leg = (spotId: string, from: number, to: number, arrive = from) => ({
  spotId,
  arriveMs: START + arrive * MINUTE,
  startMs: START + from * MINUTE,
  departMs: START + to * MINUTE,
});
const calm = judged(finding('wave', 'within', 0.1));

describe('the ways of a plan', () => {
  const rough =
    (place: number, from = 0, to = 999) =>
    (p: number, step: number) =>
      p === place && step >= from && step < to ? judged(finding('wave', 'over')) : calm;
  const ways = (at: (p: number, s: number) => Judgement, ...legs: ReturnType<typeof leg>[]) => {
    const { day, ranking } = trip(at);
    const risk = riskOfLegs(day, ranking, legs);
    return {
      risk,
      way: risk.legs.map((l) => l.way.map((s) => [s.quantity, s.level, (s.fromMs - START) / MINUTE, (s.toMs - START) / MINUTE])),
    };
  };

  it('are judged between the spots that each joins, from leaving to arriving', () => {
    const legs = [leg('exposed', 15, 60, 10), leg('lee', 75, 120, 70)];
    expect(ways(rough(0), ...legs).way).toEqual([[['wave', 'over', 0, 10]], []]);
    expect(ways(rough(2), ...legs).way).toEqual([[], [['wave', 'over', 60, 70]]]);
    expect(ways(rough(1), ...legs).way).toEqual([[], []]);
  });
  it('are judged at the hour in which they are run', () => {
    const legs = [leg('exposed', 15, 60, 10), leg('lee', 75, 120, 70)];
    expect(ways(rough(2, 13), ...legs).way[1]).toEqual([['wave', 'over', 65, 70]]);
    expect(ways(rough(2, 0, 12), ...legs).way[1]).toEqual([]);
  });
  it('end with the run home, as long as that way is at that hour', () => {
    const { risk } = ways(rough(1, 24), leg('exposed', 15, 60, 10), leg('lee', 75, 120, 70));
    expect(risk.home.map((s) => [s.quantity, s.fromMs, s.toMs])).toEqual([['wave', START + 2 * HOUR, START + 140 * MINUTE]]);
    expect(risk.worst).toBe('over');
    expect(ways(rough(1, 24), leg('exposed', 15, 60)).risk.home).toEqual([]);
    // The first of all spots has a way home as well, and without a stop there is none.
    expect(ways(rough(0, 12), leg('exposed', 15, 60)).risk.home).toHaveLength(1);
    expect(ways(rough(0)).risk).toMatchObject({ legs: [], home: [], worst: 'within', notKnown: [] });
    // No way home is known of the last spot.
    expect(ways(rough(0), leg('barred', 15, 60)).risk.home).toEqual([]);
  });
  it('are the ways of the step of leaving, however late', () => {
    const { day, ranking } = trip(rough(1));
    (ranking.ways.level as number[]).fill(1);
    expect(riskOfLegs(day, ranking, [leg('exposed', 15, 60, 10)]).legs[0]?.way).toHaveLength(1);
    expect(riskOfLegs(day, ranking, [leg('exposed', 15, 2000, 10)]).home).toHaveLength(1);
  });
  it('are none to where the boat is, to a spot that is not among the inputs, or over no water', () => {
    expect(ways(rough(0), leg('exposed', 0, 60)).way).toEqual([[]]);
    const hidden = ways(rough(0), leg('somewhere', 15, 60, 10));
    expect(hidden.risk.legs).toEqual([{ spotId: 'somewhere', here: [], way: [], legality: '' }]);
    expect(ways(() => judged(finding('wave', 'over')), leg('barred', 15, 60, 10)).way).toEqual([[]]);
  });
  it('tell the gravest of all places, of the same level the worse, and each thing by itself', () => {
    const at = (places: Judgement[]) => {
      const { day, ranking } = trip((p) => places[p] ?? calm);
      const both = ranking.ways.sets[0] as unknown as { dockSea: number[][] };
      both.dockSea[0] = [0, 1, 2];
      return riskOfLegs(day, ranking, [leg('exposed', 15, 60, 10)]).legs[0]?.way.map((s) => [s.quantity, s.level, s.worst.value]);
    };
    const [near, nearer, over, unknown] = [
      finding('wave', 'near', 8),
      finding('wave', 'near', 9),
      finding('wave', 'over', 11),
      finding('wave', 'unknown', null),
    ];
    expect(at([judged(near), judged(nearer), judged(near)])).toEqual([['wave', 'near', 9]]);
    expect(at([judged(nearer), judged(near)])).toEqual([['wave', 'near', 9]]);
    expect(at([judged(unknown), judged(over), judged(nearer)])).toEqual([['wave', 'over', 11]]);
    expect(at([judged(over), judged(unknown), judged(near)])).toEqual([['wave', 'over', 11]]);
    expect(at([judged(unknown), calm])).toEqual([['wave', 'unknown', null]]);
    expect(at([calm, judged(unknown)])).toEqual([['wave', 'unknown', null]]);
    expect(
      at([
        judged(finding('gust', 'over', 12)),
        judged(near),
        judged(finding('hazard', 'near', null, 'Rock.'), finding('hazard', 'near', null, 'Nets.')),
      ]),
    ).toEqual([
      ['gust', 'over', 12],
      ['wave', 'near', 8],
      ['hazard', 'near', null],
      ['hazard', 'near', null],
    ]);
  });
  it('and stops say what is not known, in the order in which it is always said', () => {
    const { day, ranking } = trip((p) => (p === 0 ? judged(finding('thunder', 'unknown', null), finding('wave', 'near')) : calm));
    const c = ranking.conditionsAt(0, 0);
    (ranking as { conditionsAt: unknown }).conditionsAt = () => ({ ...c, windMps: null, windGustMps: null });
    const risk = riskOfLegs(day, ranking, [leg('exposed', 15, 60, 10)]);
    expect(risk.notKnown[0]).toBe('wind');
    expect(risk.notKnown).toContain('thunder');
    expect(risk.notKnown).not.toContain('wave');
    expect(risk.worst).toBe('near');
    const wind = risk.legs[0]?.here.find((x) => x.quantity === 'wind');
    expect(wind).toMatchObject({ level: 'unknown', fromMs: START + 10 * MINUTE, toMs: START + HOUR });
  });
  it('have what has to be checked at a spot beside it', () => {
    const { day, ranking } = trip(() => calm);
    const spots = day.spots.map((s) => ({ ...s, legality: s.id === 'lee' ? 'Permit.' : '' }));
    expect(riskOfLegs({ ...day, spots }, ranking, [leg('lee', 15, 60)]).legs[0]?.legality).toBe('Permit.');
  });
});

describe('what is not known of a trip', () => {
  it('is looked for at every spot, on every way and at every hour of it, and nowhere after it', () => {
    const at = (place: number, step: number) =>
      trip((p, s) => (p === place && s === step ? judged(finding('visibility', 'unknown', null)) : judged(finding('wave', 'over'))));
    const known = (t: ReturnType<typeof trip>) => notKnownOfTrip(t.day, t.ranking);
    expect(known(at(0, 0))).toEqual(['visibility']);
    expect(known(at(2, 69))).toEqual(['visibility']);
    // Six hours are 72 steps: the last look is at 69; places are three.
    expect(known(at(2, 72))).toEqual([]);
    expect(known(at(3, 0))).toEqual([]);
    const blind = trip(() => calm);
    const c = blind.ranking.conditionsAt(0, 0);
    (blind.ranking as { conditionsAt: unknown }).conditionsAt = (s: number, t: number) =>
      s === 2 && t === 3 ? { ...c, waterTempC: null, windMps: null } : c;
    expect(known(blind)).toEqual(['wind', 'cold']);
  });
});

describe('lines of a stop', () => {
  const stop = (here: RiskSpan[], way: RiskSpan[], legality = ''): LegRisk => ({ spotId: 'lee', here, way, legality });
  const lines = (l: LegRisk) => words(stopLines(l, 'UTC'));

  it('tell the way and the stop, the gravest first', () => {
    expect(lines(stop([span('gust', 'near', 30, 60), span('wind', 'over', 40, 60)], [span('wave', 'near', 0, 30)]))).toEqual([
      'over: Wind 9.0 m/s, over the limit of 10.0 m/s, 08:40 to 09:00',
      'near: Waves 9.00 m on the way, near the limit of 10.00 m, 08:00 to 08:30',
      'near: Gusts 9.0 m/s, near the limit of 10.0 m/s, 08:30 to 09:00',
    ]);
  });
  it('tell once what is the same on the way and at the stop, from where it begins', () => {
    expect(lines(stop([span('gust', 'near', 30, 60)], [span('gust', 'near', 10, 30), span('gust', 'near', 5, 8)]))).toEqual([
      'near: Gusts 9.0 m/s, near the limit of 10.0 m/s, 08:05 to 09:00',
    ]);
    // Over on the way and near at the stop are two things.
    expect(lines(stop([span('gust', 'near', 30, 60)], [span('gust', 'over', 0, 30)]))).toHaveLength(2);
    expect(lines(stop([span('wind', 'near', 30, 60)], [span('gust', 'near', 0, 30)]))).toHaveLength(2);
    const rock = { note: 'Rock.' };
    expect(lines(stop([span('hazard', 'near', 30, 60, rock)], [span('hazard', 'near', 0, 30, rock)]))).toHaveLength(2);
  });
  it('leave out what is the same all day, and end with what has to be checked locally', () => {
    expect(lines(stop([span('cold', 'over'), span('heat', 'near')], [span('cold', 'near')]))).toEqual([]);
    expect(lines(stop([span('wind', 'over')], [], 'A permit is needed.')).at(-1)).toBe('near: A permit is needed: to be checked locally');
    expect(lines(stop([], [], 'No. 4 beat'))).toEqual(['near: No. 4 beat: to be checked locally']);
  });
});

describe('lines of spans', () => {
  it('put all that is not known in one line at the end, but hazards, each of which is told', () => {
    const spans = [
      span('wind', 'unknown'),
      span('gust', 'near'),
      span('gust', 'unknown'),
      span('wind', 'unknown'),
      span('hazard', 'unknown', 0, 60, { note: 'Swell.' }),
    ];
    expect(words(riskLines(spans, 'UTC'))).toEqual([
      'near: Gusts 9.0 m/s, near the limit of 10.0 m/s, 08:00 to 09:00',
      'unknown: Swell. Not known whether it stands now, 08:00 to 09:00',
      'unknown: Not known: wind and gusts',
    ]);
    expect(words(riskLines([span('wind', 'unknown')], 'UTC', 'on the way'))).toEqual(['unknown: Not known on the way: wind']);
    expect(riskLines([], 'UTC')).toEqual([]);
  });
  it('of a day are the run home and what is the same on all of it, told once', () => {
    const leg = (here: RiskSpan[], way: RiskSpan[] = []): LegRisk => ({ spotId: 'lee', here, way, legality: '' });
    const cold = (level: 'over' | 'near', value: number) => span('cold', level, 0, 60, { value });
    const day = (legs: LegRisk[], home: RiskSpan[] = []): DayRisk => ({ legs, home, notKnown: [], worst: 'within' });
    expect(words(dayLines(day([leg([span('wind', 'over')])], [span('wave', 'over'), cold('near', 9)]), 'UTC'))).toEqual([
      expect.stringMatching(/^over: Waves .* on the way home, over .*, 08:00 to 09:00$/),
      expect.stringMatching(/^near: Water 9 °C/),
    ]);
    expect(words(dayLines(day([leg([], [cold('near', 12)])]), 'UTC'))).toEqual([expect.stringMatching(/^near: Water 12 °C/)]);
    expect(words(dayLines(day([leg([cold('near', 12)])]), 'UTC'))).toEqual([expect.stringMatching(/^near: Water 12 °C/)]);
    expect(dayLines(day([]), 'UTC')).toEqual([]);
    // The gravest speaks, wherever it stands in the row, and what is not known does not.
    expect(words(allDayLines([span('cold', 'unknown'), cold('near', 12), cold('over', 6), cold('near', 11)]))).toEqual([
      expect.stringMatching(/^over: Water 6 °C/),
    ]);
    expect(allDayLines([span('cold', 'unknown'), span('wind', 'over')])).toEqual([]);
  });
});
