import { describe, expect, it } from 'vitest';
import { judgeSpot, riskAtSpot } from './atPlace';
import { findingWords, laidWithout } from './findingWords';
import { type Hazard, hazardLevel, inSector } from './hazard';
import { judge, type PartyAtRisk, QUANTITIES, type Quantity, type RiskConditions, shuts } from './judge';
import { every, riskSpans } from './judgeSpans';
import { partyAtRisk } from './partyOf';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

const boat = { windLimitMps: 10, waveLimitM: 0.8, draughtM: 0.5 };
const nobody: PartyAtRisk = { children: 0, firstTimers: 0, nonSwimmers: 0 };
const family: PartyAtRisk = { children: 2, firstTimers: 0, nonSwimmers: 0 };
const quiet: RiskConditions = {
  windMps: 4,
  windGustMps: 6,
  windFromDeg: 200,
  waveM: 0.2,
  currentMps: 0.2,
  currentToDeg: 90,
  visibilityM: 9000,
  thunder: false,
  sunHeightDeg: 30,
  depthM: 4,
  waterTempC: 18,
  airTempC: 16,
};
const level = (quantity: Quantity, c: RiskConditions, party = nobody, b: object = boat) =>
  judge(b, party, c).findings.find((f) => f.quantity === quantity)?.level;

describe('the judgement', () => {
  it('lists every quantity once, within on a quiet day', () => {
    const { worst, findings } = judge(boat, nobody, quiet);
    expect(findings.map((f) => f.quantity)).toEqual([...QUANTITIES]);
    expect(worst).toBe('within');
    expect(findings.every((f) => f.level === 'within')).toBe(true);
  });

  it.each<[Quantity, RiskConditions, string]>([
    ['wind', { windMps: 10.01 }, 'over'],
    ['wind', { windMps: 10 }, 'near'],
    ['wind', { windMps: 8 }, 'near'],
    ['wind', { windMps: 7.99 }, 'within'],
    ['gust', { windGustMps: 12.6 }, 'over'],
    ['gust', { windGustMps: 12.5 }, 'near'],
    ['gust', { windGustMps: 9.9 }, 'within'],
    ['wave', { waveM: 0.81 }, 'over'],
    ['wave', { waveM: 0.65 }, 'near'],
    ['wave', { waveM: 0.63 }, 'within'],
    // 0.5 m wanted under 0.5 m of draught with half the wave of 0.2 m taken off.
    ['keel', { depthM: 1.09 }, 'over'],
    ['keel', { depthM: 1.11 }, 'near'],
    ['keel', { depthM: 1.3 }, 'within'],
    ['visibility', { visibilityM: 999 }, 'over'],
    ['visibility', { visibilityM: 1200 }, 'near'],
    ['visibility', { visibilityM: 1300 }, 'within'],
    ['thunder', { thunder: true }, 'over'],
    ['darkness', { sunHeightDeg: -6.1 }, 'over'],
    ['darkness', { sunHeightDeg: -1 }, 'near'],
    ['cold', { waterTempC: 9 }, 'over'],
    ['cold', { waterTempC: 14 }, 'near'],
    ['heat', { airTempC: 33 }, 'over'],
    ['heat', { airTempC: 26 }, 'near'],
  ])('%s of %o is %s', (quantity, c, expected) => {
    expect(level(quantity, { ...quiet, ...c })).toBe(expected);
  });

  it('never takes what is not known for nothing: every missing value and limit is unknown', () => {
    for (const f of judge({}, nobody, {}).findings) expect(f.level, f.quantity).toBe('unknown');
    const needs: Record<Quantity, (keyof RiskConditions)[]> = {
      wind: ['windMps'],
      gust: ['windGustMps'],
      wave: ['waveM'],
      keel: ['depthM'],
      visibility: ['visibilityM'],
      thunder: ['thunder'],
      darkness: ['sunHeightDeg'],
      windAgainstCurrent: ['waveM', 'windFromDeg', 'currentMps', 'currentToDeg'],
      cold: ['waterTempC'],
      heat: ['airTempC'],
    };
    for (const q of QUANTITIES)
      for (const key of needs[q]) expect(level(q, { ...quiet, [key]: null }), `${q} without ${key}`).toBe('unknown');
    expect(level('wind', quiet, nobody, { waveLimitM: 1, draughtM: 0.5 })).toBe('unknown');
    expect(level('gust', quiet, nobody, { waveLimitM: 1, draughtM: 0.5 })).toBe('unknown');
    expect(level('wave', quiet, nobody, { windLimitMps: 10 })).toBe('unknown');
    expect(level('keel', quiet, nobody, { windLimitMps: 10 })).toBe('unknown');
  });

  it('orders over, near, unknown, within', () => {
    expect(judge(boat, nobody, { ...quiet, thunder: null }).worst).toBe('unknown');
    expect(judge(boat, nobody, { ...quiet, thunder: null, windMps: 9 }).worst).toBe('near');
    expect(judge(boat, nobody, { ...quiet, thunder: null, windMps: 11 }).worst).toBe('over');
  });

  it('holds a party at risk to a share of the limits of wind, gusts and waves, three quarters unless told otherwise', () => {
    for (const party of [family, { ...nobody, firstTimers: 1 }, { ...nobody, nonSwimmers: true }]) {
      expect(level('wind', { ...quiet, windMps: 7.6 }, party)).toBe('over');
      expect(level('gust', { ...quiet, windGustMps: 9.4 }, party)).toBe('over');
      expect(level('wave', { ...quiet, waveM: 0.61 }, party)).toBe('over');
    }
    expect(level('wind', { ...quiet, windMps: 7.6 })).toBe('within');
    expect(level('wind', { ...quiet, windMps: 7.6 }, { ...family, share: 1 })).toBe('within');
    expect(level('visibility', { ...quiet, visibilityM: 1300 }, family)).toBe('within');
  });

  it('takes a boat’s own gust limit before a quarter over its wind limit', () => {
    expect(level('gust', { ...quiet, windGustMps: 11 })).toBe('near');
    expect(level('gust', { ...quiet, windGustMps: 11 }, nobody, { ...boat, gustLimitMps: 10 })).toBe('over');
  });

  it('says near of wind against current, over with a party at risk, only over 0.5 m/s and 0.4 m', () => {
    const against = { ...quiet, waveM: 0.6, windFromDeg: 225, currentMps: 0.9, currentToDeg: 225 };
    expect(level('windAgainstCurrent', against)).toBe('near');
    expect(level('windAgainstCurrent', against, family)).toBe('over');
    expect(level('windAgainstCurrent', { ...against, currentToDeg: 45 }, family)).toBe('within');
    expect(level('windAgainstCurrent', { ...against, waveM: 0.4 }, family)).toBe('within');
    expect(level('windAgainstCurrent', { ...against, currentMps: 0.5 }, family)).toBe('within');
  });

  it('feels the cold of the run, not of the quay (NWS wind chill)', () => {
    const c = { ...quiet, airTempC: 4, windMps: 6, windFromDeg: 0 };
    expect(level('cold', c, nobody, { ...boat, speedMps: 11 })).toBe('over');
    expect(level('cold', c, nobody, { ...boat, speedMps: 0 })).toBe('within');
  });

  it('shuts a place for what is over, but not for the dark, the cold and the heat', () => {
    const of = (c: RiskConditions) =>
      judge(boat, nobody, { ...quiet, ...c })
        .findings.filter(shuts)
        .map((f) => f.quantity);
    expect(of({ windMps: 12, waveM: 1, visibilityM: 300, thunder: true })).toEqual(['wind', 'wave', 'visibility', 'thunder']);
    expect(of({ sunHeightDeg: -20, waterTempC: 3, airTempC: 36 })).toEqual([]);
    expect(of({ windMps: 9.9 })).toEqual([]);
  });
});

describe('a hazard', () => {
  const swell: Hazard = {
    kind: 'swell',
    windSectorDeg: [180, 280],
    windMps: 6,
    waveM: 0.5,
    tideBelowM: null,
    tideAboveM: null,
    binds: false,
    note: 'Swell breaks over the head.',
  };
  it('stands when all that it hangs on is met, and is unknown where that is', () => {
    expect(hazardLevel(swell, { windMps: 6, windFromDeg: 226, waveM: 0.5 })).toBe('stands');
    expect(hazardLevel(swell, { windMps: 5.9, windFromDeg: 226, waveM: 0.5 })).toBe('not');
    expect(hazardLevel(swell, { windMps: 6, windFromDeg: 226 })).toBe('unknown');
    // One thing that rules it out is enough.
    expect(hazardLevel(swell, { windFromDeg: 90 })).toBe('not');
    const rock = { ...swell, windSectorDeg: null, windMps: null, waveM: null, tideBelowM: 1.5 };
    expect(hazardLevel(rock, { tideHeightM: 1.4 })).toBe('stands');
    expect(hazardLevel(rock, { tideHeightM: 1.5 })).toBe('not');
    expect(hazardLevel({ ...rock, tideBelowM: null }, {})).toBe('stands');
  });
  it('has a sector that runs clockwise, over north too', () => {
    expect(inSector(226, [180, 280])).toBe(true);
    expect(inSector(281, [180, 280])).toBe(false);
    expect(inSector(10, [315, 45])).toBe(true);
    expect(inSector(180, [315, 45])).toBe(false);
  });
  it('is one more finding: a warning is near, and over for a party at risk or where it binds', () => {
    const c = { ...quiet, windMps: 7, windFromDeg: 226, waveM: 0.55 };
    const of = (party: PartyAtRisk, h: Hazard) => judge(boat, party, c, [h]).findings.at(-1);
    expect(of(nobody, swell)).toMatchObject({ quantity: 'hazard', level: 'near', note: 'Swell breaks over the head.' });
    expect(of(family, swell)?.level).toBe('over');
    expect(of(nobody, { ...swell, binds: true })?.level).toBe('over');
  });
});

describe('what is told', () => {
  it('says over, near and not known by those words, with figure and limit', () => {
    const words = (c: RiskConditions, q: Quantity, b: object = boat) => {
      const f = judge(b, nobody, { ...quiet, ...c }).findings.find((x) => x.quantity === q);
      return f ? inMetric(findingWords(f)) : '';
    };
    expect(words({ windGustMps: 11 }, 'gust', { ...boat, gustLimitMps: 10 })).toBe('Gusts 11.0 m/s, over the limit of 10.0 m/s');
    expect(words({ windMps: 9 }, 'wind')).toBe('Wind 9.0 m/s, near the limit of 10.0 m/s');
    expect(words({ windMps: null }, 'wind')).toBe('Wind: not known');
    expect(words({}, 'wave', {})).toBe('Waves: no limit of the boat is known');
    expect(words({ depthM: 0.9 }, 'keel')).toBe('0.3 m under the keel, under the 0.5 m wanted');
    expect(laidWithout(['wind', 'gust', 'wave'])).toBe('Laid without wind, gusts and waves: not known for this trip.');
    expect(laidWithout([])).toBe('');
  });

  it('is joined into spans while a level lasts, each with its worst figure', () => {
    const wind = [4, 8.5, 9, 11, 12, 9, 4];
    const spans = riskSpans(every(0, 7, 1), 7, (t) => judge(boat, nobody, { ...quiet, windMps: nth(wind, t) }));
    expect(spans.map((s) => [s.level, s.fromMs, s.toMs, s.worst.value])).toEqual([
      ['over', 3, 5, 12],
      ['near', 1, 3, 9],
      ['near', 5, 6, 9],
    ]);
  });

  it('reads a spot’s own water and way in under the keel, and knows a lake’s still water', () => {
    const c = { ...quiet, tideHeightM: 1, stillWater: false, currentMps: null, currentToDeg: null };
    const read = (accessDepthM: number | null, more: object = {}) => riskAtSpot({ depthMaxM: 3, accessDepthM }, { ...c, ...more } as never);
    expect(read(null).depthM).toBe(4);
    expect(read(-0.5).depthM).toBe(0.5);
    expect(read(9).depthM).toBe(4);
    expect(read(null, { tideHeightM: null }).depthM).toBeNull();
    expect(read(null, { tideHeightM: null, stillWater: true })).toMatchObject({ depthM: 3, currentMps: 0 });
    expect(read(null).currentMps).toBeNull();
  });

  it('says of too little water whether it is on the way in or at the spot itself', () => {
    const c = { ...quiet, tideHeightM: 1, stillWater: false } as never;
    const said = (depthMaxM: number, accessDepthM: number | null) => {
      const { findings } = judgeSpot(boat, nobody, { depthMaxM, accessDepthM, hazards: [] }, c);
      const keel = findings.find((f) => f.quantity === 'keel');
      return keel ? inMetric(findingWords(keel)) : '';
    };
    expect(said(3, -0.1)).toBe('0.3 m under the keel on the way in, under the 0.5 m wanted');
    expect(said(3, -0.9)).toBe('No water under the keel on the way in, under the 0.5 m wanted');
    expect(said(-0.1, 2)).toBe('0.3 m under the keel, under the 0.5 m wanted');
    expect(said(-0.1, null)).toBe('0.3 m under the keel, under the 0.5 m wanted');
  });

  it('counts who lowers the limits', () => {
    const guest = { child: false, experience: 2, swims: true };
    const p = partyAtRisk([guest, { ...guest, child: true }, { ...guest, experience: 1 }, { ...guest, swims: false }], 0.6);
    expect(p).toEqual({ children: 1, firstTimers: 1, nonSwimmers: 1, share: 0.6 });
  });
});
