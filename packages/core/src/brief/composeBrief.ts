// Compares what was expected with what happened, and yesterday's ranking with today's on tomorrow's conditions.

/** One fished stop with what its plan expected. */
export interface StopOutcome {
  readonly spotId: string;
  readonly spotName: string;
  readonly rodHours: number;
  readonly fish: number;
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
}

/** Where a spot stood and stands in tomorrow's ranking, fish per rod-hour. */
export interface RankedSpot {
  readonly spotId: string;
  readonly spotName: string;
  readonly rate: number;
}

export interface AgainstPlan extends StopOutcome {
  readonly verdict: 'above' | 'within' | 'below';
}

export interface RankChange {
  readonly spotId: string;
  readonly spotName: string;
  readonly rankBefore: number;
  readonly rankAfter: number;
  readonly rateBefore: number;
  readonly rateAfter: number;
  readonly sentence: string;
}

export interface Brief {
  readonly fish: number;
  readonly rodHours: number;
  readonly expected: number;
  readonly againstPlan: readonly AgainstPlan[];
  readonly summary: string;
  readonly changes: readonly RankChange[];
}

const WORTH_SAYING = 0.05;

/** Composes the day's debrief and what it changes for tomorrow. Rankings are best first. */
export function composeBrief(outcomes: readonly StopOutcome[], before: readonly RankedSpot[], after: readonly RankedSpot[]): Brief {
  const againstPlan = merge(outcomes).map((o) => ({ ...o, verdict: verdictOf(o) }));
  const fish = sum(outcomes.map((o) => o.fish));
  const rodHours = sum(outcomes.map((o) => o.rodHours));
  const fished = new Set(againstPlan.map((o) => o.spotId));
  const moved = (c: RankChange) => Math.abs(Math.log(c.rateAfter / c.rateBefore));
  const changes = after
    .map((a, i): RankChange | null => {
      const j = before.findIndex((b) => b.spotId === a.spotId);
      const b = before[j];
      const outcome = againstPlan.find((o) => o.spotId === a.spotId);
      if (!b || b.rate <= 0 || (!outcome && Math.abs(Math.log(a.rate / b.rate)) < WORTH_SAYING)) return null;
      return {
        spotId: a.spotId,
        spotName: a.spotName,
        rankBefore: j + 1,
        rankAfter: i + 1,
        rateBefore: b.rate,
        rateAfter: a.rate,
        sentence: changeSentence(a, b, i + 1, j + 1, outcome),
      };
    })
    .filter((c) => c !== null)
    // What was fished comes before what moved with it.
    .sort((x, y) => Number(fished.has(y.spotId)) - Number(fished.has(x.spotId)) || moved(y) - moved(x));
  return { fish, rodHours, expected: sum(outcomes.map((o) => o.expected)), againstPlan, summary: summaryOf(againstPlan), changes };
}

function merge(outcomes: readonly StopOutcome[]): StopOutcome[] {
  const bySpot = new Map<string, StopOutcome>();
  for (const o of outcomes) {
    const m = bySpot.get(o.spotId);
    bySpot.set(
      o.spotId,
      m
        ? {
            ...o,
            rodHours: m.rodHours + o.rodHours,
            fish: m.fish + o.fish,
            expected: m.expected + o.expected,
            lo80: m.lo80 + o.lo80,
            hi80: m.hi80 + o.hi80,
          }
        : o,
    );
  }
  return [...bySpot.values()];
}

function verdictOf(o: StopOutcome): AgainstPlan['verdict'] {
  if (o.fish > o.hi80) return 'above';
  return o.fish < o.lo80 ? 'below' : 'within';
}

function summaryOf(all: readonly AgainstPlan[]): string {
  if (all.length === 0) return 'No stop was fished today.';
  const names = (v: AgainstPlan['verdict']) => all.filter((o) => o.verdict === v).map((o) => o.spotName);
  const [above, below, within] = [names('above'), names('below'), names('within')];
  const parts: string[] = [];
  if (above.length > 0) parts.push(`${list(above)} beat ${above.length > 1 ? 'their ranges' : 'its range'}.`);
  if (below.length > 0) parts.push(`${list(below)} fell below ${below.length > 1 ? 'their ranges' : 'its range'}.`);
  if (within.length > 0) parts.push(`${list(within)}: within luck.`);
  return parts.join(' ');
}

function changeSentence(a: RankedSpot, b: RankedSpot, now: number, was: number, o: AgainstPlan | undefined): string {
  const place = now === was ? `stays ${ordinal(now)}` : `${now < was ? 'up' : 'down'} from ${ordinal(was)} to ${ordinal(now)}`;
  const rates = `${b.rate.toFixed(2)} to ${a.rate.toFixed(2)} fish per rod-hour`;
  if (!o) return `${place}: ${rates}, by what similar water did today.`;
  return `${place}: ${rates}. ${o.fish} fish in ${o.rodHours.toFixed(1)} rod-hours, where ${o.expected.toFixed(1)} were expected.`;
}

/** 1st, 2nd, 3rd, 4th. */
export function ordinal(n: number): string {
  const tens = n % 100;
  if (tens >= 11 && tens <= 13) return `${n}th`;
  return `${n}${['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'}`;
}

function list(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function sum(values: readonly number[]): number {
  return values.reduce((a, b) => a + b, 0);
}
