// Cards, days and lists of rigs against facts of the trade (common practice): every family has a card, every rule of presenting is on one.
import { describe, expect, it } from 'vitest';
import { FAMILIES } from '../library/families';
import { layDay } from '../plan/layDay';
import { rankTrip } from '../plan/rankTrip';
import { inputs as trip, START } from '../plan/testTrip';
import { HOUR } from '../units/time';
import { HAND_LIMITS } from './handLimits';
import { lineDiameterMm } from './lineStrength';
import { nightList, type NightInputs } from './nightList';
import { plumbLine } from './plumbLine';
import { rigCard } from './rigCard';
import { rigDay } from './rigDay';
import { RIG_FAMILIES } from './rigFamilies';
import { type RigQuestion, type RigWater, USUAL_BOX } from './rigQuestion';

const WATER: RigWater = {
  at: START,
  depthM: 4.4,
  currentMps: 0.2,
  currentToDeg: 90,
  windMps: 5,
  windGustMps: 7,
  windFromDeg: 225,
  waterTempC: 15,
  clarityM: 2,
  lightFraction: 0.3,
  sunHeightDeg: 35,
  cloud: 0.2,
  tideStage: 0.3,
  stillWater: false,
};

interface Changes {
  readonly water?: Partial<RigWater>;
  readonly bait?: Partial<RigQuestion['bait']>;
  readonly place?: Partial<RigQuestion['place']>;
}

function ask(familyId: string, { water, bait, place }: Changes = {}, more: Partial<RigQuestion> = {}): RigQuestion {
  const family = FAMILIES.find((f) => f.id === familyId);
  return {
    bait: {
      id: `bait ${familyId}`,
      name: family?.name ?? 'own',
      family: familyId,
      familyName: family?.name ?? 'own',
      zone: family?.zone ?? 'middle',
      snag: family?.snag ?? 1,
      rods: 1,
      sizeMm: 100,
      weightG: 10,
      pauseS: null,
      leaderKg: null,
      colour: '',
      ...bait,
    },
    place: { name: 'Sallow Quay wall', structure: 'edge', bottom: 'mud', shoreNormalDeg: 180, ...place },
    water: { ...WATER, ...water },
    hour: 11,
    species: ['European plaice'],
    markedUpM: null,
    boat: { windageM2: 6, hullM2: 2 },
    draughtM: 0.5,
    tideM: 0,
    box: USUAL_BOX,
    byHand: {},
    ...more,
  };
}
const partOf = (q: RigQuestion, name: string) => rigCard(q).parts.find((p) => p.name === name);
const textOf = (q: RigQuestion) => JSON.stringify(rigCard(q));

describe('cards', () => {
  it('are made for F1 to F26, and for a family of the crew’s own', () => {
    expect(FAMILIES.map((f) => f.id)).toEqual(Array.from({ length: 26 }, (_, i) => `F${i + 1}`));
    expect(Object.keys(RIG_FAMILIES)).toEqual(FAMILIES.map((f) => f.id));
    for (const { id } of FAMILIES) {
      const card = rigCard(ask(id));
      expect(card.parts.map((p) => p.name)).toEqual(expect.arrayContaining(['leader', 'retrieve', 'colour', 'line', 'rod']));
      expect(card.drawing.line.at(-1)?.upM).toBeCloseTo(WATER.depthM - card.drawing.weightUpM, 6);
      expect(new Set(card.parts.map((p) => p.name)).size).toBe(card.parts.length);
      for (const p of card.parts) expect(`${p.what} ${p.why}`).not.toMatch(/NaN|undefined|null|Infinity/);
    }
    expect(rigCard(ask('OWN-1')).layout).toBe('lure');
  });

  it('say each of P1 to P30 somewhere between them; P31 is the bait to search with', () => {
    const said = new Set<string>();
    for (const { id } of FAMILIES)
      for (const place of [{ bottom: 'weed' }, { structure: 'rock' }, { structure: 'wood', bottom: 'weed' }])
        for (const r of [...rigCard(ask(id, { place })).parts.flatMap((p) => p.rules), ...rigCard(ask(id, { place })).take.rules])
          said.add(r);
    for (let n = 1; n <= 30; n++) expect(said).toContain(`P${n}`);
    for (const other of ['W1', 'W3', 'T4']) expect(said).toContain(other);
  });

  it('hang a weight that holds its line within the angle, the lightest of the box that does', () => {
    const q = ask('F10', { water: { currentMps: 0.35 } });
    const grams = partOf(q, 'weight')?.value ?? 0;
    const line = { depthM: 4.4, currentMps: 0.35, lineMm: lineDiameterMm('braid', 5) };
    expect(plumbLine({ ...line, sinkerG: grams }).angleDeg).toBeLessThanOrEqual(25);
    const lighter = USUAL_BOX.weightsG.filter((g) => g < grams).at(-1);
    if (lighter) expect(plumbLine({ ...line, sinkerG: lighter }).angleDeg).toBeGreaterThan(25);
    expect(rigCard(q).drawing.angleDeg).toBeCloseTo(plumbLine({ ...line, sinkerG: grams }).angleDeg, 6);
  });

  it('say when no weight of the box holds, and a way on', () => {
    const card = rigCard(ask('F10', { water: { currentMps: 0.9, depthM: 20 } }, { box: { ...USUAL_BOX, weightsG: [20, 40] } }));
    expect(card.warnings[0]).toMatch(/^No weight in the box holds within 25 degrees here: \{current 0\.9\} on 0\.\d+ mm; /);
    expect(rigCard(ask('F10', { water: { currentMps: null } })).parts[0]?.why).toContain('not known');
    expect(() => rigCard(ask('F10', { water: { depthM: 0 } }))).toThrow('expected water to fish in, got 0.0 m at Sallow Quay wall');
  });

  it('take the lightest head that finds 2.5 to 3 m in 3 to 5 s (P7, P8), and a stopwatch’s word over it', () => {
    for (const depthM of [2.5, 3]) {
      const q = ask('F9', { water: { depthM, currentMps: 0 } });
      expect(partOf(q, 'weight')?.value).toBeLessThanOrEqual(7);
      const seconds = Number(/ in (\d+) s/.exec(partOf(q, 'weight')?.why ?? '')?.[1]);
      expect(seconds).toBeGreaterThanOrEqual(3);
      expect(seconds).toBeLessThanOrEqual(5);
    }
    const slow = { ...USUAL_BOX, timed: { 'bait F9': { depthM: 3, seconds: 9 } } };
    const timed = ask('F9', { bait: { weightG: 5 } }, { box: slow });
    expect(partOf(timed, 'weight')?.value).toBeGreaterThan(partOf(ask('F9', { bait: { weightG: 5 } }), 'weight')?.value ?? 99);
    expect(partOf(timed, 'weight')?.why).toContain('by your stopwatch');
  });

  it('hang the hook low for flatfish, at the marks for others (P11)', () => {
    expect(partOf(ask('F10'), 'hook height')?.value).toBe(0.15);
    const bass = ask('F10', {}, { species: ['European sea bass'], markedUpM: 1.2 });
    expect(partOf(bass, 'hook height')?.value).toBe(1.2);
    expect(partOf({ ...bass, markedUpM: null }, 'hook height')?.value).toBe(0.25);
    expect(partOf({ ...bass, markedUpM: 30 }, 'hook height')?.value).toBeLessThan(WATER.depthM);
  });

  it('step down to the leader that the log says lands most, and to the lighter one in open water (P9)', () => {
    expect(partOf(ask('F17'), 'leader')?.value).toBe(18);
    expect(partOf(ask('F9', { place: { structure: 'flat' }, bait: { snag: 1 } }), 'leader')?.value).toBeLessThan(
      partOf(ask('F9', { place: { structure: 'wood' } }), 'leader')?.value ?? 0,
    );
    const leaders = {
      F17: [
        { kg: 18, rodHours: 20, bites: 30, hooked: 25, landed: 4 },
        { kg: 27, rodHours: 20, bites: 20, hooked: 18, landed: 17 },
      ],
    };
    const part = partOf(ask('F17', {}, { box: { ...USUAL_BOX, leaders } }), 'leader');
    expect(part?.value).toBe(27);
    expect(part?.why).toContain('Your log of such water');
  });

  it('change pace, pause and blade at 13 to 14 C (P3, P4, P5)', () => {
    expect(partOf(ask('F4', { water: { waterTempC: 8 } }), 'pause')?.value).toBeGreaterThanOrEqual(3);
    expect(partOf(ask('F4', { water: { waterTempC: 8 } }), 'pause')?.value).toBeLessThanOrEqual(4);
    expect(partOf(ask('F4', { water: { waterTempC: 18 } }), 'pause')?.value).toBeLessThan(2);
    expect(partOf(ask('F5', { water: { waterTempC: 13 } }), 'blade')?.what).toBe('round blade');
    expect(partOf(ask('F5', { water: { waterTempC: 14 } }), 'blade')?.what).toBe('narrow blade');
    expect(partOf(ask('F2', { water: { waterTempC: 10 } }), 'retrieve')?.what).toContain('Small and tight');
    expect(partOf(ask('F2', { water: { waterTempC: 20 } }), 'retrieve')?.what).toContain('Large and loud');
  });

  it('pick colours by clarity and light, with both schools (P6)', () => {
    expect(partOf(ask('F3'), 'colour')?.what).toContain('natural');
    expect(partOf(ask('F3', { water: { clarityM: 0.6 } }), 'colour')?.what).toContain('dark with red');
    expect(partOf(ask('F14', { water: { lightFraction: 0.01 } }), 'colour')?.what).toBe('bright');
    expect(partOf(ask('F3'), 'colour')?.schools).toHaveLength(2);
  });

  it('choose a diver that runs past the bottom (P1) and take a measured depth over it', () => {
    const rated = partOf(ask('F2', { water: { depthM: 2.4 } }), 'diver')?.value ?? 0;
    expect(rated).toBeGreaterThan(2.4);
    const own = { ...USUAL_BOX, dives: { 'bait F2': 2 } };
    expect(partOf(ask('F2', { water: { depthM: 2.4 } }, { box: own }), 'diver')?.why).toContain('does not reach');
  });

  it('size a sea anchor for a plumb line (P23), a feeder by the wind (P13), a float by depth (P17)', () => {
    const anchor = partOf(ask('F14', { water: { windMps: 9 } }), 'sea anchor');
    expect(anchor?.value).toBeGreaterThan(partOf(ask('F14', { water: { windMps: 3 } }), 'sea anchor')?.value ?? 9);
    expect(partOf(ask('F14', { water: { windMps: null } }), 'sea anchor')).toBeUndefined();
    expect(partOf(ask('F21', { water: { windMps: 9 } }), 'feeder')?.what).toContain('wire');
    expect(partOf(ask('F21', { water: { windMps: 3 } }), 'feeder')?.what).toContain('closed');
    expect(partOf(ask('F23', { water: { depthM: 5 } }), 'link')?.value).toBeCloseTo(1.8, 6);
  });

  it('open the window of big lures from 10 to 14 h in their wind, clarity and cloud (T4)', () => {
    const good = { clarityM: 1, windMps: 6, cloud: 0.9 };
    expect(partOf(ask('F7', { water: good }), 'window')?.what).toBe('open now');
    expect(partOf(ask('F7', { water: { ...good, windMps: 1 } }), 'window')?.what).toBe('nearly open');
    expect(partOf(ask('F7', { water: good }, { hour: 18 }), 'window')?.what).toBe('nearly open');
    expect(partOf(ask('F7', { water: { ...good, clarityM: 4, cloud: 0 } }), 'window')?.what).toContain('shut');
    expect(partOf(ask('F7', { water: { ...good, clarityM: null } }), 'window')?.what).toContain('may be open');
  });

  it('fish a line under way: a drift behind the sea anchor of the card, boards and trolled baits at their pace (P19, P20, P23)', () => {
    const track = { lengthM: 600, bearingDeg: 90, bedM: [6, 7, 8, 9, 8] };
    const wind = { windMps: 8, windFromDeg: 270, currentMps: 0, currentToDeg: 0 };
    const drift = partOf(ask('F14', { water: wind, place: { track } }), 'track');
    const anchor = partOf(ask('F14', { water: wind }), 'sea anchor')?.value ?? 0;
    expect(drift).toMatchObject({ rules: ['P23'], what: expect.stringContaining(`behind a sea anchor of {height ${anchor}}`) });
    expect(partOf(ask('F19', { water: wind, place: { track } }), 'track')).toMatchObject({
      rules: ['P19'],
      what: expect.stringMatching(/^Boards along it/),
    });
    expect(partOf(ask('F20', { water: wind, place: { track } }), 'track')).toMatchObject({
      rules: ['P20'],
      what: expect.stringMatching(/^Troll along it/),
    });
    expect(partOf(ask('F20', { place: { track } }, { tideM: -6 }), 'track')?.why).toMatch(/too little water under the keel/);
    expect(partOf(ask('F14', { place: { track } }, { draughtM: 0 }), 'track')).toBeUndefined();
    expect(partOf(ask('F6', { place: { track } }), 'track')).toBeUndefined();
  });

  it('lay a lead that the current does not move: heavier for more current and thicker line, enough to cast in still water', () => {
    const grams = (currentMps: number, familyId = 'F18') => partOf(ask(familyId, { water: { currentMps } }), 'weight')?.value ?? 0;
    expect(grams(0)).toBe(40);
    expect(grams(0.3)).toBeGreaterThan(grams(0.1));
    // Nylon of 0.57 mm, 15 m of it in 0.3 m/s: 0.47 N of push, half of 106 g of lead in sea water.
    expect(grams(0.3)).toBe(120);
    expect(grams(0.3, 'F24')).toBeLessThan(grams(0.3));
    expect(rigCard(ask('F18', { water: { currentMps: 2 } })).warnings[0]).toContain('No lead in the box lies still here');
  });

  it('hang a small bait above the marks, else near mid-depth (W15), and never speak of loud lures where there is a natural bait', () => {
    expect(partOf(ask('F15'), 'hook height')?.value).toBeCloseTo(2.2, 6);
    expect(partOf(ask('F15', {}, { markedUpM: 3 }), 'hook height')?.value).toBeCloseTo(3.3, 6);
    expect(partOf(ask('F18'), 'retrieve')?.why).not.toContain('loud');
    expect(partOf(ask('F1'), 'retrieve')?.why).toContain('loud');
  });

  it('keep what a hand has set and say what the arithmetic would have', () => {
    const free = partOf(ask('F10'), 'weight');
    const set = partOf(ask('F10', {}, { byHand: { weight: 120 } }), 'weight');
    expect([set?.value, set?.otherwise]).toEqual([120, free?.what]);
    expect(rigCard(ask('F10', {}, { byHand: { weight: 120 } })).drawing.angleDeg).toBeLessThan(rigCard(ask('F10')).drawing.angleDeg ?? 0);
    expect(partOf(ask('F10', {}, { byHand: { 'hook height': 0.15 } }), 'hook height')?.otherwise).toBeNull();
    // Any figure that may be set makes a card, and its hook stays in the water.
    for (const [part, ends] of Object.entries(HAND_LIMITS))
      for (const { id } of FAMILIES)
        for (const end of ends) expect(rigCard(ask(id, {}, { byHand: { [part]: end } })).drawing.hookUpM).toBeLessThanOrEqual(WATER.depthM);
  });

  it('cast again each 30 to 45 s at rocks in a moderate current (W1), and never say so in the open', () => {
    const seconds = (currentMps: number) =>
      Number(/(\d+) s/.exec(partOf(ask('F11', { place: { structure: 'rock' }, water: { currentMps } }), 'again')?.what ?? '')?.[1]);
    expect(seconds(0.15)).toBeGreaterThanOrEqual(30);
    expect(seconds(0.2)).toBeLessThanOrEqual(45);
    expect(partOf(ask('F11', { place: { structure: 'flat' } }), 'again')).toBeUndefined();
    expect(textOf(ask('F1'))).toContain('along the bank');
  });
});

const options = {
  box: USUAL_BOX,
  boat: { windageM2: 6, hullM2: 2 },
  species: ['European sea bass'],
  byHand: () => ({}),
  markedUpM: () => null,
};

describe('a day of rigs', () => {
  const inputs = trip();
  const ranking = rankTrip(inputs);
  const plan = layDay(inputs, ranking);

  it('has a card for what each stop fishes, another look, and one that searches', () => {
    const stops = rigDay(inputs, ranking, plan.legs, options);
    expect(stops.map((s) => s.spotId)).toEqual(plan.legs.map((l) => l.spotId));
    for (const [i, s] of stops.entries()) {
      expect(s.cards[0]).toMatchObject({ role: 'first', card: { presentationId: plan.legs[i]?.presentationId } });
      expect(new Set(s.cards.map((c) => c.card.presentationId)).size).toBe(s.cards.length);
      expect(s.failed).toEqual([]);
    }
  });

  it('says what to do when a bait of the plan is gone, and leaves out a spot that is not there', () => {
    const legs = [{ ...(plan.legs[0] ?? plan.legs[0]), parts: [], presentationId: 'gone' }] as unknown as typeof plan.legs;
    expect(rigDay(inputs, ranking, legs, options)[0]?.failed[0]).toContain('no longer in the list');
    expect(
      rigDay(
        inputs,
        ranking,
        legs.map((l) => ({ ...l, spotId: 'elsewhere' })),
        options,
      ),
    ).toEqual([]);
  });

  const night = (more: Partial<NightInputs> = {}) =>
    nightList({
      stops: rigDay(inputs, ranking, plan.legs, options),
      departsMs: START,
      zone: 'UTC',
      rods: 3,
      keeps: false,
      children: 0,
      nonSwimmers: 0,
      guests: 3,
      access: '',
      afloat: true,
      coldC: 12,
      hotC: 20,
      losses: {},
      baits: [],
      ...more,
    });

  it('lists every rig once with its spares, and more of them on ground that takes more', () => {
    const first = plan.legs[0]?.presentationId ?? '';
    const tie = (list: ReturnType<typeof night>) => list.items.find((i) => i.key === `tie ${first}`)?.what ?? '';
    expect(new Set(night().items.map((i) => i.key)).size).toBe(night().items.length);
    expect(tie(night())).toMatch(/^Tie 3 /);
    const spare = (what: string) => Number(/and (\d+) spare/.exec(what)?.[1] ?? 0);
    expect(spare(tie(night({ losses: { [first]: { lost: 30, rodHours: 20 } } })))).toBeGreaterThan(spare(tie(night())));
    expect(spare(tie(night({ losses: { [first]: { lost: 0, rodHours: 500 } } })))).toBe(0);
  });

  it('says what the crew has lost, once it has fished for an hour', () => {
    const first = plan.legs[0]?.presentationId ?? '';
    const why = (more: Partial<NightInputs>) => night(more).items.find((i) => i.key === `tie ${first}`)?.why ?? '';
    expect(why({ losses: { [first]: { lost: 3, rodHours: 41.2 } } })).toContain('3 lost in 41 rod-hours so far');
    expect(why({ losses: { [first]: { lost: 0, rodHours: 0.5 } } })).not.toContain('so far');
  });

  it('adds what children, cold, heat, kept fish and deep water ask for', () => {
    const keys = (more: Partial<NightInputs>) => night(more).items.map((i) => i.key);
    expect(keys({})).not.toContain('load ice');
    expect(keys({ keeps: true })).toContain('load ice');
    expect(keys({ coldC: 2 })).toContain('load layers');
    expect(keys({ hotC: 33 })).toContain('load water');
    expect(night({ children: 2 }).items.find((i) => i.key === 'load jackets')?.what).toContain('2 of them for children');
    const deep = rigDay(inputs, ranking, plan.legs, options).map((s) => ({ ...s, depthM: 24 }));
    expect(keys({ stops: deep })).toContain('load descender');
    expect(night({ access: 'Permit of the mill' }).items.find((i) => i.key === 'load access')?.what).toBe('Permit of the mill');
  });

  it('counts bait back from the departure and its cost over the hours it is fished', () => {
    const first = plan.legs[0]?.presentationId ?? '';
    const stops = rigDay(inputs, ranking, plan.legs, options).map((s) => ({
      ...s,
      cards: s.cards.map((c) => ({ ...c, card: { ...c.card, layout: 'bottom' as const } })),
    }));
    const list = night({ stops, baits: [{ presentationId: first, forage: ['particles'], costPerHour: 4 }] });
    const bait = list.items.find((i) => i.key === `bait ${first}`);
    expect(bait?.byMs).toBe(START - 36 * HOUR);
    expect(bait?.what).toMatch(/^Particles .*soak for a day/);
    const hours = plan.legs
      .flatMap((l) => (l.parts.length > 0 ? l.parts : [{ presentationId: l.presentationId, fromMs: l.startMs, toMs: l.departMs }]))
      .filter((p) => p.presentationId === first)
      .reduce((a, p) => a + (p.toMs - p.fromMs) / HOUR, 0);
    // The last part of a stop runs to its end.
    expect(list.cost).toBeGreaterThanOrEqual(4 * hours - 0.01);
    expect(list.cost).toBeLessThan(4 * hours + 4);
  });
});
