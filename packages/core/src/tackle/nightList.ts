// What is tied, got ready and loaded the night before: counted from the day's rigs, its party and its weather.
import { BAROTRAUMA_FROM_M } from '../fish/gasVolume';
import { said, saidTime } from '../units/measure';
import { HOUR } from '../units/time';
import { baitPrep } from './baitPrep';
import type { StopRigs } from './rigDay';
import type { RigCard } from './rigQuestion';
import { spares } from './spares';
import { type Losses, lossRate } from './lossRate';

export type NightGroup = 'tie' | 'bait' | 'load';

/** One thing to tick. */
export interface NightItem {
  /** Stays the same as long as the thing is the same, so that a tick holds when the day is laid anew. */
  readonly key: string;
  readonly group: NightGroup;
  readonly what: string;
  readonly why: string;
  /** By when it has to be begun; null for any time before the departure. */
  readonly byMs: number | null;
}

export interface NightInputs {
  readonly stops: readonly StopRigs[];
  readonly departsMs: number;
  readonly zone: string;
  readonly rods: number;
  /** Pieces on board for eating are kept, so ice is wanted. */
  readonly keeps: boolean;
  readonly children: number;
  readonly nonSwimmers: number;
  readonly guests: number;
  /** Parking, permits, gates; empty for none. */
  readonly access: string;
  /** False for people on foot, who carry what they take. */
  readonly afloat: boolean;
  /** Lowest felt temperature under way and highest air of the day, C; null where not known. */
  readonly coldC: number | null;
  readonly hotC: number | null;
  /** Rigs lost as the crew has counted them, by presentation; beside the usual risk of the ground. */
  readonly losses: Readonly<Record<string, Losses>>;
  /** What feeds and baits each presentation, and what an hour of it costs. */
  readonly baits: readonly { readonly presentationId: string; readonly forage: readonly string[]; readonly costPerHour: number }[];
}

export interface NightList {
  readonly items: readonly NightItem[];
  /** Bait and feed of the day, in the outfit's money. */
  readonly cost: number;
}

/** Losses an hour of a rod by risk of the ground, 1 to 3 (common practice). */
const USUAL_LOSSES = [0.03, 0.03, 0.12, 0.35] as const;
const SHORT_BELOW = 0.05;
/** Water a person drinks in an hour of a hot day, l (usual practice). */
const WATER_L = 0.6;

/** The list of a day. */
export function nightList(n: NightInputs): NightList {
  const used = usedRigs(n);
  const items: NightItem[] = [];
  let cost = 0;
  for (const u of used) {
    const own = n.losses[u.card.presentationId];
    const risk = lossRate(USUAL_LOSSES[u.card.snag] ?? USUAL_LOSSES[1], own);
    const more = spares(risk, u.rodHours, SHORT_BELOW);
    const spare = more === 0 ? '' : `, and ${more} spare`;
    items.push({
      key: `tie ${u.card.presentationId}`,
      group: 'tie',
      what: `Tie ${u.rods} ${u.card.name}${spare}`,
      why: `${u.roles}; ${u.rodHours.toFixed(1)} rod-hours, ${more === 0 ? 'little to lose it on' : `less than 1 in 20 that you run out`}${own && own.rodHours >= 1 ? `; ${own.lost} lost in ${own.rodHours.toFixed(0)} rod-hours so far` : ''}.`,
      byMs: null,
    });
    const leader = u.card.parts.find((p) => p.name === 'leader');
    if (leader)
      items.push({
        key: `leader ${u.card.presentationId}`,
        group: 'tie',
        what: `Leader ${leader.what}, for ${u.card.name}`,
        why: leader.why,
        byMs: null,
      });
    const of = n.baits.find((b) => b.presentationId === u.card.presentationId);
    if (u.fished) cost += (of?.costPerHour ?? 0) * (u.rodHours / Math.max(1, u.rods));
    const prep = of && u.fished ? baitPrep(u.card.layout, of.forage) : null;
    if (prep) {
      const amount = Math.ceil(prep.perRodHour * u.rodHours * 1.15);
      const byMs = n.departsMs - prep.hoursBefore * HOUR;
      items.push({
        key: `bait ${u.card.presentationId}`,
        group: 'bait',
        what: `${capital(prep.bait)} ${prep.unit === 'g' ? grams(amount) : amount}: ${prep.what} by ${saidTime(byMs, n.zone)}`,
        why: `${prep.unit === 'g' ? grams(prep.perRodHour) : prep.perRodHour} an hour of a rod for ${u.card.name}, ${u.rodHours.toFixed(1)} rod-hours and a little over; ${prep.hoursBefore} h before you leave.`,
        byMs,
      });
    }
  }
  items.push(
    ...loadItems(
      n,
      used.map((u) => u.card),
    ),
  );
  return { items, cost };
}

interface Used {
  readonly card: RigCard;
  readonly rods: number;
  readonly rodHours: number;
  readonly fished: boolean;
  readonly roles: string;
}

/** Each presentation once, with the rods and hours that the day gives it; one that only stands by counts a rod for half an hour. */
function usedRigs(n: NightInputs): Used[] {
  const byId = new Map<string, { card: RigCard; rods: number; rodHours: number; fished: boolean; at: string[] }>();
  n.stops.forEach((stop, i) => {
    const fished = stop.cards.filter((c) => c.role === 'first' || c.role === 'next');
    stop.cards.forEach((c) => {
      const mine = c.role === 'first' || c.role === 'next';
      const next = mine ? fished[fished.indexOf(c) + 1] : undefined;
      const hours = mine ? ((next?.fromMs ?? stop.departMs) - c.fromMs) / HOUR : 0.5;
      const rods = mine ? n.rods : 1;
      const u = byId.get(c.card.presentationId) ?? { card: c.card, rods: 0, rodHours: 0, fished: false, at: [] };
      const where = mine ? `stop ${i + 1}` : c.role === 'second' ? 'when it goes quiet' : 'to find them with';
      byId.set(c.card.presentationId, {
        card: u.card,
        rods: Math.max(u.rods, rods),
        rodHours: u.rodHours + rods * hours,
        fished: u.fished || mine,
        at: u.at.includes(where) ? u.at : [...u.at, where],
      });
    });
  });
  return [...byId.values()]
    .sort((a, b) => Number(b.fished) - Number(a.fished))
    .map(({ at, ...u }) => ({ ...u, roles: capital(at.join(', ')) }));
}

function loadItems(n: NightInputs, cards: readonly RigCard[]): NightItem[] {
  const out: NightItem[] = [];
  const load = (key: string, what: string, why: string) => out.push({ key: `load ${key}`, group: 'load', what, why, byMs: null });
  const anchor = !n.afloat ? undefined : cards.flatMap((c) => c.parts.filter((p) => p.name === 'sea anchor' && (p.value ?? 0) > 0))[0];
  if (anchor) load('sea anchor', `Sea anchor ${anchor.what}, with its float line`, anchor.why);
  const deepest = Math.max(0, ...n.stops.map((s) => s.depthM));
  if (deepest >= BAROTRAUMA_FROM_M)
    load(
      'descender',
      'Descending device',
      `Stops down to ${said(deepest, 'depth', 0)}: bring fish up slowly, stop when they are to be released and come from deep.`,
    );
  load(
    'cutters',
    'Side cutters, long pliers, first aid',
    'A hook in a hand is cut, not pulled; deep hooks in a fish stay, the leader is cut.',
  );
  load('net', 'Net, wet mat or towel, measure', 'Fish are measured and go back wet and quick.');
  if (n.keeps)
    load('ice', `Ice, ${said(Math.max(3, Math.ceil(n.guests * 1.5)), 'weight', 0)}`, 'Fish that are kept are bled and iced at once.');
  if (n.access !== '') load('access', n.access, 'As it is written for this way of going; local rules come first.');
  load(
    'jackets',
    `Life jackets for ${n.guests + 1}${n.children > 0 ? `, ${n.children} of them for children by weight` : ''}`,
    n.nonSwimmers > 0 ? `${n.nonSwimmers} aboard do not swim.` : 'Worn, not carried; local rules come first.',
  );
  if (n.coldC !== null && n.coldC < 8)
    load('layers', 'Layers, gloves, a dry set in a bag', `It feels like ${said(n.coldC, 'temp', 0)} under way.`);
  if (n.hotC !== null && n.hotC > 27)
    load(
      'water',
      `Water, ${said(WATER_L * (n.guests + 1) * 4, 'fuel', 0)}, and shade`,
      `Up to ${said(n.hotC, 'temp', 0)}: half a litre and more an hour for each.`,
    );
  return out;
}

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const grams = (g: number): string => (g >= 1000 ? said(g / 1000, 'weight', 1) : said(g, 'lead', 0));
