// What speaks against each stop of a plan and the way to it, by the one judgement, and what is not known of the day.
import { judgeSpot } from '../risk/atPlace';
import { findingWords, quantityList } from '../risk/findingWords';
import { type Finding, graver, type Judgement, type Level, QUANTITIES, type Quantity } from '../risk/judge';
import { every, findingKey, type RiskSpan, riskSpans, worse } from '../risk/judgeSpans';
import type { PlanLeg } from './plannedDay';
import type { PlanInputs, WaysAt } from './planInputs';
import { type Ranking, STEP_MS } from './rankTrip';
import { saidTime } from '../units/measure';
import { nth } from '../units/indexed';

/** One stop with its way. */
export interface LegRisk {
  readonly spotId: string;
  readonly here: readonly RiskSpan[];
  readonly way: readonly RiskSpan[];
  readonly legality: string;
}

export interface DayRisk {
  readonly legs: readonly LegRisk[];
  /** On the run home. */
  readonly home: readonly RiskSpan[];
  /** What nobody has said of the stops and ways. */
  readonly notKnown: readonly Quantity[];
  readonly worst: Level;
}

const LOOK_MS = 15 * 60_000;

type Stay = Pick<PlanLeg, 'spotId' | 'arriveMs' | 'startMs' | 'departMs'>;

/** Judges a plan's stops and ways. Stops at spots that are not among the inputs are left out. */
export function riskOfLegs(inputs: PlanInputs, ranking: Ranking, legs: readonly Stay[]): DayRisk {
  const indexOf = (id: string | undefined) => (id === undefined ? -1 : inputs.spots.findIndex((s) => s.id === id));
  const step = (ms: number) => Math.max(0, Math.floor((ms - inputs.startsAt) / STEP_MS));
  const unknown = new Set<Finding['quantity']>();
  let worst: Level = 'within';
  const spans = (fromMs: number, toMs: number, everyMs: number, at: (ms: number) => Judgement): RiskSpan[] => {
    const list = riskSpans(every(fromMs, toMs, everyMs), toMs, at);
    for (const s of list) {
      worst = graver(worst, s.level);
      if (s.level === 'unknown') unknown.add(s.quantity);
    }
    return list;
  };
  const { sets, level } = ranking.ways;
  const waysAt = (ms: number) => nth(sets, level[Math.min(level.length - 1, step(ms))] ?? 0);
  const onWay = (from: number, to: number, fromMs: number, toMs: number): RiskSpan[] => {
    if (to < 0 || toMs <= fromMs) return [];
    const places = (w: WaysAt) => (from < 0 ? w.dockSea[to] : w.betweenSea[from]?.[to]) ?? [];
    const met = new Set(places(waysAt(fromMs)));
    if (met.size === 0) return [];
    return spans(fromMs, toMs, STEP_MS, (ms) => joined([...met].map((p) => ranking.ways.judgeAt(p, step(ms)))));
  };
  let before = -1;
  let leftMs = inputs.startsAt;
  const out = legs.map((l): LegRisk => {
    const s = indexOf(l.spotId);
    const spot = inputs.spots[s];
    const way = onWay(before, s, leftMs, l.arriveMs);
    const here = spot
      ? spans(l.arriveMs, l.departMs, LOOK_MS, (ms) => judgeSpot(inputs.boat, inputs.party, spot, ranking.conditionsAt(s, step(ms))))
      : [];
    [before, leftMs] = [s, l.departMs];
    return { spotId: l.spotId, here, way, legality: spot?.legality ?? '' };
  });
  const last = before < 0 ? null : waysAt(leftMs).dockMin[before];
  const home = before >= 0 && last != null ? onWay(-1, before, leftMs, leftMs + last * 60_000) : [];
  return { legs: out, home, notKnown: QUANTITIES.filter((q) => unknown.has(q)), worst };
}

/** One judgement of several: of each thing the gravest. */
function joined(list: readonly Judgement[]): Judgement {
  const order: Record<Level, number> = { over: 3, near: 2, unknown: 1, within: 0 };
  const by = new Map<string, Finding>();
  for (const j of list)
    for (const f of j.findings) {
      const known = by.get(findingKey(f));
      const graverHere = !known || order[f.level] > order[known.level] || (f.level === known.level && worse(known, f) === f);
      if (graverHere) by.set(findingKey(f), f);
    }
  return { worst: list.reduce<Level>((w, j) => graver(w, j.worst), 'within'), findings: [...by.values()] };
}

/** "Gusts 11.0 m/s, over the limit of 10.0, 12:30 to 14:00". @param where - "on the way", or nothing. */
export function spanWords(s: RiskSpan, zone: string, where = ''): string {
  const words = findingWords(s.worst, where).replace(/\.$/, '');
  return `${words}, ${saidTime(s.fromMs, zone)} to ${saidTime(s.toMs, zone)}`;
}

/** A stop's lines, the gravest first; what is not known stands in one line at the end. */
export function riskLines(spans: readonly RiskSpan[], zone: string, where = ''): { level: RiskSpan['level']; text: string }[] {
  const known = spans.filter((s) => s.level !== 'unknown' || s.quantity === 'hazard');
  const unknown = spans.flatMap((s) => (s.level === 'unknown' && s.quantity !== 'hazard' ? [s.quantity] : []));
  const lines = known.map((s) => ({ level: s.level, text: spanWords(s, zone, where) }));
  if (unknown.length > 0)
    lines.push({ level: 'unknown', text: `Not known${where === '' ? '' : ` ${where}`}: ${quantityList([...new Set(unknown)])}` });
  return lines;
}

type Line = { level: RiskSpan['level']; text: string };

/** What the water and the air are all day: told once, not at each stop. */
export const ALL_DAY: readonly Finding['quantity'][] = ['cold', 'heat'];

/** Lines of one stop with its way, what is the same on both told once, and what has to be checked there. */
export function stopLines(leg: LegRisk, zone: string): Line[] {
  const here = leg.here.filter((s) => !ALL_DAY.includes(s.quantity));
  const way = leg.way.filter((s) => !ALL_DAY.includes(s.quantity));
  const alike = (a: RiskSpan, b: RiskSpan) => a.quantity === b.quantity && a.level === b.level && a.quantity !== 'hazard';
  const joined = here.map((h): RiskSpan => {
    const w = way.filter((x) => alike(x, h));
    return w.length === 0 ? h : { ...h, fromMs: Math.min(h.fromMs, ...w.map((x) => x.fromMs)) };
  });
  const order = { over: 0, near: 1, unknown: 2 };
  const lines = [
    ...riskLines(
      way.filter((w) => !here.some((h) => alike(w, h))),
      zone,
      'on the way',
    ),
    ...riskLines(joined, zone),
  ].sort((a, b) => order[a.level] - order[b.level]);
  return leg.legality === '' ? lines : [...lines, { level: 'near', text: `${leg.legality.replace(/\.$/, '')}: to be checked locally` }];
}

/** Lines of the whole day: the run home, and what the water and the air are like on all of it. */
export function dayLines(risk: DayRisk, zone: string): Line[] {
  const home = riskLines(
    risk.home.filter((s) => !ALL_DAY.includes(s.quantity)),
    zone,
    'on the way home',
  );
  return [...home, ...allDayLines([...risk.legs.flatMap((l) => [...l.way, ...l.here]), ...risk.home])];
}

/**
 * Lines of several places, each thing once at each level: where it is worst, from the first to the last hour it is met anywhere.
 * What is not known is left out.
 */
export function worstLines(placed: readonly { readonly where: string; readonly spans: readonly RiskSpan[] }[], zone: string): Line[] {
  const by = new Map<string, { where: string; span: RiskSpan }>();
  for (const { where, spans } of placed)
    for (const span of spans) {
      if (span.level === 'unknown' || ALL_DAY.includes(span.quantity)) continue;
      const key = `${span.level} ${findingKey(span.worst)}`;
      const known = by.get(key);
      const worst = known ? worse(known.span.worst, span.worst) : span.worst;
      by.set(key, {
        where: known && worst === known.span.worst ? known.where : where,
        span: {
          ...span,
          worst,
          fromMs: Math.min(known?.span.fromMs ?? span.fromMs, span.fromMs),
          toMs: Math.max(known?.span.toMs ?? span.toMs, span.toMs),
        },
      });
    }
  const lines = [...by.values()].sort((a, b) => a.span.fromMs - b.span.fromMs).flatMap(({ where, span }) => riskLines([span], zone, where));
  const all = [...lines, ...allDayLines(placed.flatMap((p) => p.spans))];
  const order = { over: 0, near: 1, unknown: 2 };
  return all.sort((a, b) => order[a.level] - order[b.level]);
}

/** What the water and the air are like on the whole of it, each told once. */
export function allDayLines(spans: readonly RiskSpan[]): Line[] {
  return ALL_DAY.flatMap((q) => {
    const own = spans.filter((s) => s.quantity === q && s.level !== 'unknown');
    const worst = own.find((s) => s.level === 'over') ?? own[0];
    return worst ? [{ level: worst.level, text: findingWords(worst.worst) }] : [];
  });
}

/** What nobody has said of a trip's spots and ways at any of its hours: a plan is laid without it. */
export function notKnownOfTrip(inputs: PlanInputs, ranking: Ranking): Quantity[] {
  const unknown = new Set<Finding['quantity']>();
  const steps = Math.floor((inputs.endsAt - inputs.startsAt) / STEP_MS);
  const note = (j: Judgement) => {
    for (const f of j.findings) if (f.level === 'unknown') unknown.add(f.quantity);
  };
  for (let t = 0; t < steps; t += LOOK_MS / STEP_MS) {
    for (const [s, spot] of inputs.spots.entries()) note(judgeSpot(inputs.boat, inputs.party, spot, ranking.conditionsAt(s, t)));
    for (let p = 0; p < inputs.sea.places.length; p++) note(ranking.ways.judgeAt(p, t));
  }
  return QUANTITIES.filter((q) => unknown.has(q));
}
