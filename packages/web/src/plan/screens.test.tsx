// What the plan's panels say, drawn to text from the core's own results.
import { layDay } from '@bluffwind/core/plan/layDay';
import { naiveDay } from '@bluffwind/core/plan/naiveDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { START } from '@bluffwind/core/plan/testTrip';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { LaneProps } from '../ribbon/laneProps';
import { Aboard } from './Aboard';
import { CallList } from './CallList';
import { Changes } from './Changes';
import { Legs } from './Legs';
import { LegsLane } from './LegsLane';
import { PlanNotices } from './PlanNotices';
import type { Working } from './planState';
import { testDesk } from './testDesk';
import { dragWorth } from './useDragWorth';
import type { PlanDoing } from './usePlan';
import { Yesterday } from './Yesterday';

const nothing = () => undefined;
const drawn = (what: ReactNode) => renderToStaticMarkup(<QueryClientProvider client={new QueryClient()}>{what}</QueryClientProvider>);
const text = (what: ReactNode) =>
  drawn(what)
    .replace(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', "'")
    .replace(/\s+/g, ' ');

const { desk, trip } = testDesk();
const ranking = rankTrip(trip);
const day = layDay(trip, ranking);
const shown: Working = { ...day, bans: [], again: false, order: null, saved: null, ms: 12, by: 'laid' };

const quiet = { notKnown: [], seen: true, mayEdit: true, onSeen: nothing, sentences: [], worst: null };

describe('the calls', () => {
  const list = (more: Partial<Parameters<typeof CallList>[0]> = {}) => (
    <CallList
      desk={desk}
      calls={ranking.calls}
      shut={ranking.shut}
      sets={240}
      selected={null}
      inPlan={[]}
      bans={[]}
      pinned={[]}
      whyNot={null}
      onSelect={nothing}
      onBan={nothing}
      onPin={nothing}
      {...more}
    />
  );

  it('say what is shut and why, and that nothing is logged where nothing is', () => {
    const shut = [{ spotId: 'barred', why: 'too little water over the way in during the trip' }];
    expect(text(list({ shut }))).toContain('Barred pool shut: too little water over the way in during the trip');
    expect(text(list())).not.toContain('rules of the trade alone');
    expect(text(list({ sets: 0 }))).toContain('these rates come from the rules of the trade alone');
    expect(text(list({ calls: [] }))).toContain('No call passes; widen the filters or the search.');
  });

  it('open to factors that multiply to the product shown', () => {
    const [top] = ranking.calls;
    const html = drawn(list({ selected: top?.spotId ?? '' }));
    const product = Number(/data-product[^>]*>([\d.]+)</.exec(html)?.[1]);
    const table = html.slice(html.indexOf('<tbody'), html.indexOf('data-product'));
    const factors = [...table.matchAll(/text-right">([\d.]+)<\/td><td class="text-right">[\d]+<\/td><td/g)].map((m) => Number(m[1]));
    expect(factors.length).toBeGreaterThan(3);
    // To rounding: each is shown with three decimals.
    expect(factors.reduce((a, b) => a * b, 1) / product).toBeCloseTo(1, 1);
    expect(product).toBeCloseTo(top?.factors.reduce((p, f) => p * f.multiplier, 1) ?? 0, 3);
  });

  it('tell when the sea shuts the way, what is not known, and offer what is not done yet', () => {
    const [top] = ranking.calls;
    const rough = {
      ...top,
      wayShut: [{ fromMs: START + HOUR, toMs: START + 2 * HOUR, why: 'waves over the limit' }],
      unknown: ['clarity'],
    } as typeof top & object;
    const words = text(list({ calls: [rough], selected: rough.spotId, whyNot: 'Because.' }));
    expect(words).toContain('The way there is shut: waves over the limit from 09:00 to 10:00.');
    expect(words).toContain('Not known for then: clarity.');
    expect(words).toContain('Because.');
    expect(words).toContain('Pin into the plan');
    const planned = { calls: [rough], selected: rough.spotId, inPlan: [rough.spotId] };
    expect(text(list(planned))).toContain('Pin as it is');
    expect(text(list({ ...planned, pinned: [rough.spotId] }))).toContain('Unpin');
    expect(text(list({ ...planned, bans: [rough.spotId] }))).toContain('Allow again');
  });
});

describe('legs on the ribbon', () => {
  const lane = {
    x: (at: number) => (at - START) / 60_000,
    from: START,
    to: START + 6 * HOUR,
    height: 62,
    zone: 'UTC',
  } as unknown as LaneProps;
  const doing = (more: Partial<PlanDoing> = {}) => ({ shown, before: null, pin: nothing, ...more }) as unknown as PlanDoing;
  const legs = (plan: PlanDoing, worth = dragWorth()) =>
    drawn(
      <svg>
        <LegsLane
          lane={lane}
          desk={{ ...desk, breaks: [{ name: 'Lunch', fromMs: START + HOUR, toMs: START + HOUR + 30 * MINUTE }] }}
          plan={plan}
          worth={worth}
          naive={null}
          bigLures={[[START + 2 * HOUR, START + 3 * HOUR]]}
          selected={null}
          onSelect={nothing}
          onDrag={nothing}
          onDrop={nothing}
        />
      </svg>,
    );

  it('have a name for the ear: number, spot, fish, hours, baits in turn, pinned, and what keys do', () => {
    const two = { ...day.legs[0], spotId: 'lee', pinned: true, startMs: START + HOUR, departMs: START + 3 * HOUR, expected: 4.2 };
    const parts = [
      { presentationId: 'shad', fromMs: START + HOUR, toMs: START + 2 * HOUR },
      { presentationId: 'worm', fromMs: START + 2 * HOUR, toMs: START + 3 * HOUR },
    ];
    const html = drawn(
      <svg>
        <Legs
          lane={lane}
          legs={[{ ...two, parts } as (typeof day.legs)[number]]}
          selected={null}
          nameOf={() => 'Lee wall'}
          baitOf={(id) => id}
          onSelect={nothing}
          onPin={nothing}
          onDrag={nothing}
          onDrop={nothing}
        />
      </svg>,
    );
    expect(html).toContain(
      'aria-label="1 Lee wall 4.2 fish, 09:00 to 11:00 with shad, then worm, pinned. Enter selects, p pins, arrows move it."',
    );
  });

  it('say what the last step won or lost, and with a leg in hand what the day would be worth', () => {
    expect(legs(doing())).toContain('>laid<');
    expect(legs(doing({ before: day.expected - 1.5 }))).toContain('+1.5 fish, laid');
    expect(legs(doing({ before: day.expected + 2 }))).toContain('−2.0 fish, laid');
    const worth = dragWorth();
    worth.set('9.9 fish so');
    expect(legs(doing(), worth)).toContain('9.9 fish so');
    expect(legs(doing())).toContain('no better day exists, 12 ms');
    expect(legs(doing({ shown: { ...shown, proved: false, bound: day.expected + 0.7 } }))).toContain('within 0.7 of the bound');
  });

  it('show breaks, and where there is no plan say how to make one', () => {
    expect(legs(doing())).toContain('<title>Lunch</title>');
    expect(legs(doing({ shown: null }))).toContain('No stops yet. S lays the day.');
  });
});

describe('with a leg in hand', () => {
  it('only the reader of the worth hears of it, and of a change only', () => {
    const worth = dragWorth();
    let heard = 0;
    const leave = worth.subscribe(() => heard++);
    worth.set('1.0 fish so');
    worth.set('1.0 fish so');
    worth.set(null);
    leave();
    worth.set('2.0 fish so');
    expect(heard).toBe(2);
    expect(worth.get()).toBe('2.0 fish so');
  });
});

describe('beside the plan', () => {
  it('yesterday’s spots are told with what they lose', () => {
    const naive = naiveDay(trip, ranking, day);
    expect(text(<Yesterday desk={desk} naive={null} shown={null} />)).toContain('Nothing was fished here in the last three weeks');
    const words = text(
      <Yesterday desk={desk} naive={{ ...(naive as NonNullable<typeof naive>), expected: day.expected - 2 }} shown={shown} />,
    );
    expect(words).toContain('2.0 more');
    const worse = { ...(naive as NonNullable<typeof naive>), expected: day.expected + 1 };
    expect(text(<Yesterday desk={desk} naive={worse} shown={shown} />)).toContain('1.0 fewer');
  });

  it('what would change it is told as it is tried, and that nothing would', () => {
    const changes = (so: Parameters<typeof Changes>[0]['so'], kept: Parameters<typeof Changes>[0]['kept'] = []) =>
      text(<Changes desk={desk} so={so} kept={kept} onTake={nothing} />);
    expect(changes(null)).toContain('Lay the day first.');
    expect(changes(null, [{ sentence: 'If it blows.', worth: 2, chance: null, condition: null, planB: [] }])).toContain(
      'If it blows. Worth 2.0 fish.',
    );
    expect(changes({ triggers: [], done: 4, of: 12 })).toContain('Tried 4 of 12 ways');
    expect(changes({ triggers: [], done: 12, of: 12 })).toContain('Nothing that was tried would change it.');
    const trigger = {
      id: 'w',
      sentence: 'If the wind passes 7 m/s, go to Lee wall.',
      worth: 2.1,
      chance: 0.4,
      condition: null,
      planB: day,
    };
    expect(changes({ triggers: [trigger], done: 12, of: 12 })).toContain(
      'Worth 2.1 fish; 4 of 10 runs of the forecast have it so. This is plan B.',
    );
  });

  it('what is refused is an alert, a better day only an offer', () => {
    const notices = (plan: Partial<PlanDoing>) =>
      drawn(<PlanNotices {...quiet} hiddenLegs={0} plan={{ shown, refused: null, offer: null, ...plan } as PlanDoing} />);
    expect(notices({})).toBe('');
    expect(notices({ refused: 'pins: no' })).toMatch(/role="alert".*pins: no/);
    expect(drawn(<PlanNotices {...quiet} hiddenLegs={1} plan={{ shown, refused: null, offer: null } as PlanDoing} />)).toContain(
      'a spot that one captain keeps',
    );
    const offer = notices({ offer: { ...shown, expected: 124 } });
    expect(offer).toMatch(/role="status".*12.*Show it.*Keep mine/);
  });

  it('baits that cannot be fished are told with the reason', () => {
    const { desk: small } = testDesk({ skill: 1, rods: 1 });
    const presentations = small.presentations.map((p) => ({ ...p, heldBy: p.id === 'shad' ? ['Marrow'] : [] }));
    const words = text(<Aboard desk={{ ...small, presentations }} mayEdit onKeep={nothing} />);
    expect(words).toContain('In the boat: every bait');
    expect(words).toContain('Shad (Marrow has the last of the day’s bait)');
    expect(words).toContain('Worm (asks for skill 3, the party has 1)');
  });
});
