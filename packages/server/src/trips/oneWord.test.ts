// Every place that tells of risk, asked of one boat, party, water and instant, says the same word for the gusts: the judgement itself,
// the solver, the call, the plan's stop, the Board, the brief, the deck and the Water screen's open water.
import { randomUUID } from 'node:crypto';
import { openWater } from '@bluffwind/core/conditions/openWater';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { bedOf } from '@bluffwind/core/ground/overlay';
import { layDay } from '@bluffwind/core/plan/layDay';
import { riskOfLegs, stopLines } from '@bluffwind/core/plan/legRisk';
import { shutBy } from '@bluffwind/core/plan/openSteps';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { judge, type Level } from '@bluffwind/core/risk/judge';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inputsOf } from '../plan/desk';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let captain: Client;
let tripId: string;
const iso = (ms: number) => new Date(ms).toISOString();
const HOUR_MS = 3_600_000;
const FRIDAY = '2026-06-19';

beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  tripId = h.mine.trips.at(-1)?.id as string;
});
afterAll(() => h.close());

let runs = 0;
/** A newer forecast with a steady wind and gusts; without gusts where none are given. */
async function forecast(mps: number, gust: number | null): Promise<void> {
  const at = Array.from({ length: 48 }, (_, i) => iso(TEST_NOW + (i - 4) * HOUR_MS));
  const [{ id }] = await h.owner.query(
    'insert into forecast (outfit_id, station_id, run_at, fetched_at) values ($1, $2, $3, $3) returning id',
    [h.mine.outfit.id, h.mine.stations[0]?.id, iso(TEST_NOW - 10 * HOUR_MS + runs++ * 60_000)],
  );
  const values = [['windMps', mps], ['windFromDeg', 180], ...(gust === null ? [] : [['windGustMps', gust]])] as [string, number][];
  for (const [variable, value] of values)
    await h.owner.query('insert into forecast_member values ($1, $2, 0, $3, $4, $5)', [
      id,
      h.mine.outfit.id,
      variable,
      at,
      at.map(() => value),
    ]);
}

/** The gravest word about gusts among lines: over, near, unknown, or within where nothing is said. */
function wordOf(lines: readonly { readonly level: Level; readonly text: string }[]): Level {
  const about = lines.filter((l) => (l.level === 'unknown' ? /Not known.*gusts/.test(l.text) : /^Gusts/.test(l.text))).map((l) => l.level);
  return (['over', 'near', 'unknown'] as const).find((l) => about.includes(l)) ?? 'within';
}
const gustOf = (findings: readonly { readonly quantity: string; readonly level: Level }[]) =>
  findings.find((f) => f.quantity === 'gust')?.level ?? 'within';

// The boat's limit is 15 m/s of gusts (a quarter over 12 of wind); beginners are aboard, so three quarters of it hold: 11.25.
describe.each([
  ['within', 5, 8],
  ['near', 5, 10],
  ['over', 5, 12],
  ['unknown', 5, null],
] as const)('gusts %s the limit', (word, mps, gust) => {
  it('are told by one word everywhere', async () => {
    await forecast(mps, gust);
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const inputs: PlanInputs = inputsOf(desk);
    expect(inputs.party.firstTimers).toBeGreaterThan(0);
    const ranking = rankTrip(inputs);
    const middle = Math.floor((inputs.endsAt - inputs.startsAt) / 2 / 300_000);
    const spot = inputs.spots[0] as PlanInputs['spots'][number];
    const here = ranking.conditionsAt(0, middle);
    const said: Record<string, Level> = {};

    said.judgement = gustOf(judge(inputs.boat, inputs.party, { ...here, depthM: 5 }, []).findings);
    const shut = shutBy(inputs, spot, here);
    expect(shut?.quantity ?? null, 'the solver shuts what is over and nothing else').toBe(word === 'over' ? 'gust' : null);

    const open = openWater(bedOf((await captain.get(`/waters/${h.mine.waters[0]?.id}/chart`)).body.bed), inputs.water);
    const record = waterStateOf(inputs.water);
    said.water = gustOf(
      judgeSpot(inputs.boat, inputs.party, open, conditionsOver(record, inputs.startsAt, inputs.endsAt)(open, inputs.startsAt)).findings,
    );

    if (word === 'over') {
      expect(ranking.calls).toEqual([]);
      expect(ranking.shut.map((s) => s.why)).toEqual(inputs.spots.map(() => expect.stringMatching(/gusts over the limit/)));
    } else {
      const call = ranking.calls[0];
      said.call = call?.risk.find((r) => r.quantity === 'gust')?.level ?? 'within';
      const plan = layDay(inputs, ranking);
      expect(plan.legs.length).toBeGreaterThan(0);
      const risk = riskOfLegs(inputs, ranking, plan.legs);
      said.stop = wordOf(stopLines(risk.legs[0] as (typeof risk.legs)[number], 'UTC'));
      const kept = await captain.post(`/trips/${tripId}/plans`, {
        id: randomUUID(),
        replaces: desk.saved?.version ?? 0,
        seen: ALL_SEEN,
        bans: [],
        legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
      });
      expect(kept.status, JSON.stringify(kept.body)).toBe(200);
    }

    const [board] = (await captain.get(`/risks?date=${FRIDAY}`)).body;
    said.board = board.notKnown.includes('gust') ? 'unknown' : wordOf(board.lines);
    await h.changed();
    const brief = (await captain.get(`/brief/${FRIDAY}`)).body.boats[0];
    said.brief = wordOf(brief.cautions);
    if (brief.plan && word !== 'over') said.briefStop = wordOf(brief.legRisks[0]);
    const pack = (await captain.get(`/deck/${tripId}`)).body;
    const deckSpot = pack.spots.find((s: { id: string }) => s.id === spot.id);
    const deckAt = conditionsOver(waterStateOf(pack.water), inputs.startsAt, inputs.endsAt)(deckSpot, inputs.startsAt + middle * 300_000);
    said.deck = gustOf(judgeSpot(pack.boat, pack.party, deckSpot, deckAt).findings);

    expect(said).toEqual(Object.fromEntries(Object.keys(said).map((k) => [k, word])));
  });
});

describe('not known', () => {
  it('a plan is refused until the captain has said that he saw it, and the refusal names it', async () => {
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const plan = layDay(inputsOf(desk), rankTrip(inputsOf(desk)));
    const refused = await captain.post(`/trips/${tripId}/plans`, {
      id: randomUUID(),
      replaces: desk.saved?.version ?? 0,
      seen: [],
      bans: [],
      legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
    });
    expect(refused.status).toBe(409);
    expect(refused.body).toMatchObject({ code: 'not_seen', detail: expect.stringMatching(/gusts/) });
  });
  it('is what a boat without limits is, and the brief says so', async () => {
    const boatId = h.mine.boats[0]?.id;
    await h.owner.query('update boat set wind_limit_mps = null, gust_limit_mps = null, wave_limit_m = null where id = $1', [boatId]);
    const [board] = (await captain.get(`/risks?date=${FRIDAY}`)).body;
    expect(board.notKnown).toEqual(expect.arrayContaining(['wind', 'gust', 'wave']));
    await h.changed();
    const brief = (await captain.get(`/brief/${FRIDAY}`)).body.boats[0];
    expect(brief.cautions.map((l: { text: string }) => l.text).join('; ')).toMatch(/Not known in open water: wind, gusts, waves/);
    await h.owner.query('update boat set wind_limit_mps = 12, gust_limit_mps = 15, wave_limit_m = 1 where id = $1', [boatId]);
  });
});
