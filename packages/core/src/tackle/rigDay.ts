// Every rig of a day: at each stop what is fished first, a second of another look and depth, and one that finds them (P31), each as a card made
// from that stop's own water at that hour.
import { type OtherBait, searchBait, secondBait } from '../plan/pickOther';
import type { PlanInputs, PlanPresentation } from '../plan/planInputs';
import { type Ranking, STEP_MS } from '../plan/rankTrip';
import type { PlanLeg } from '../plan/plannedDay';
import { localHour } from '../units/time';
import { rigCard } from './rigCard';
import type { ByHand, RigBox, RigCard, RigQuestion } from './rigQuestion';

/** What a card is at its stop: fished first or in turn, when it goes quiet, or to find them. */
export type RigRole = 'first' | 'next' | 'second' | 'search';

export interface StopCard {
  readonly role: RigRole;
  readonly card: RigCard;
  readonly fromMs: number;
}

export interface StopRigs {
  readonly spotId: string;
  readonly spotName: string;
  readonly startMs: number;
  readonly departMs: number;
  readonly depthM: number;
  readonly currentMps: number | null;
  readonly cards: readonly StopCard[];
  /** Why a card could not be made. */
  readonly failed: readonly string[];
}

export interface RigOptions {
  readonly box: RigBox;
  readonly boat: { readonly windageM2: number; readonly hullM2: number };
  /** What the party is after, by name. */
  readonly species: readonly string[];
  /** Figures set by hand, by spot and presentation. */
  readonly byHand: (spotId: string, presentationId: string) => ByHand;
  /** Height over the bottom of the last marks at a spot, m; null where none were. */
  readonly markedUpM: (spotId: string) => number | null;
}

type Leg = Pick<PlanLeg, 'spotId' | 'presentationId' | 'parts' | 'startMs' | 'departMs'>;

/** The stops of a plan with their cards; a stop at a spot that is not among the inputs is left out. */
export function rigDay(inputs: PlanInputs, ranking: Ranking, legs: readonly Leg[], options: RigOptions): StopRigs[] {
  return legs.flatMap((leg) => {
    const s = inputs.spots.findIndex((x) => x.id === leg.spotId);
    const spot = inputs.spots[s];
    if (!spot) return [];
    const water = (ms: number) => ranking.conditionsAt(s, Math.max(0, Math.floor((ms - inputs.startsAt) / STEP_MS)));
    const failed: string[] = [];
    const question = (bait: PlanPresentation, ms: number): RigQuestion => ({
      bait,
      place: spot,
      water: { ...water(ms), at: ms },
      hour: localHour(ms, inputs.zone),
      species: options.species,
      markedUpM: options.markedUpM(spot.id),
      boat: options.boat,
      draughtM: inputs.boat.draughtM,
      tideM: water(ms).depthM - (spot.depthMinM + spot.depthMaxM) / 2,
      box: options.box,
      byHand: options.byHand(spot.id, bait.id),
    });
    const cards: StopCard[] = [];
    const add = (role: RigRole, id: string, fromMs: number, toMs: number) => {
      const bait = inputs.presentations.find((p) => p.id === id);
      if (!bait) {
        failed.push('A bait of this stop is no longer in the list: lay the day again, or put it back.');
        return;
      }
      try {
        cards.push({ role, fromMs, card: rigCard(question(bait, (fromMs + toMs) / 2)) });
      } catch (e) {
        if (!(e instanceof RangeError)) throw e;
        failed.push(`${bait.name}: ${e.message}`);
      }
    };
    const turns = leg.parts.length > 0 ? leg.parts : [{ presentationId: leg.presentationId, fromMs: leg.startMs, toMs: leg.departMs }];
    for (const [i, p] of turns.entries()) add(i === 0 ? 'first' : 'next', p.presentationId, p.fromMs, p.toMs);
    const first = inputs.presentations.find((p) => p.id === turns[0]?.presentationId);
    if (first) {
      const others = ratesOver(inputs, ranking, s, leg.startMs, leg.departMs);
      const used = new Set(turns.map((p) => p.presentationId));
      const second = secondBait(inputs, first, others);
      if (second && !used.has(second.presentationId)) {
        used.add(second.presentationId);
        add('second', second.presentationId, leg.startMs, leg.departMs);
      }
      const search = searchBait(inputs, first, others);
      if (search && !used.has(search.presentationId)) add('search', search.presentationId, leg.startMs, leg.departMs);
    }
    const middle = water((leg.startMs + leg.departMs) / 2);
    return [
      {
        spotId: spot.id,
        spotName: spot.name,
        startMs: leg.startMs,
        departMs: leg.departMs,
        depthM: middle.depthM,
        currentMps: middle.currentMps,
        cards,
        failed,
      },
    ];
  });
}

/** What each usable bait is worth at a spot over a stay, best first. */
function ratesOver(inputs: PlanInputs, ranking: Ranking, spot: number, fromMs: number, toMs: number): OtherBait[] {
  const from = Math.max(0, Math.floor((fromMs - inputs.startsAt) / STEP_MS));
  const to = Math.max(from + 1, Math.ceil((toMs - inputs.startsAt) / STEP_MS));
  return ranking.baits
    .flatMap((p, b) => {
      const id = inputs.presentations[p]?.id;
      const rates = ranking.rates[spot]?.[b]?.slice(from, to) ?? [];
      if (id === undefined || rates.length === 0) return [];
      return [{ presentationId: id, ratePerRodHour: rates.reduce((x, y) => x + y, 0) / rates.length }];
    })
    .sort((x, y) => y.ratePerRodHour - x.ratePerRodHour || (x.presentationId < y.presentationId ? -1 : 1));
}
