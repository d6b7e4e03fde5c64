// What the screen of rigs says, drawn to text from the core's own cards.
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { inputs, START } from '@bluffwind/core/plan/testTrip';
import { nightList } from '@bluffwind/core/tackle/nightList';
import { rigDay } from '@bluffwind/core/tackle/rigDay';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { ticksOf } from '../ui/ticksOf';
import { labelRows } from './labelRows';
import { PartLine } from './PartLine';
import { PrintCards } from './PrintCards';
import { RigPicture } from './RigPicture';
import { Tonight } from './Tonight';

const drawn = (what: ReactNode) => renderToStaticMarkup(<QueryClientProvider client={new QueryClient()}>{what}</QueryClientProvider>);
const trip = inputs();
const ranking = rankTrip(trip);
const plan = layDay(trip, ranking);
const stops = rigDay(trip, ranking, plan.legs, {
  box: USUAL_BOX,
  boat: { windageM2: 6, hullM2: 2 },
  species: ['Pollack'],
  byHand: (_, id) => (id === 'shad' ? { weight: 20 } : {}),
  markedUpM: () => 0.8,
});
const night = nightList({
  stops,
  departsMs: START,
  zone: 'UTC',
  rods: 3,
  keeps: true,
  children: 1,
  nonSwimmers: 0,
  guests: 3,
  access: '',
  afloat: true,
  coldC: 2,
  hotC: null,
  losses: {},
  baits: [],
});

describe('a picture of a rig', () => {
  it('has the depths of its water at the left and a word for each part, in the units of who reads', () => {
    for (const { card } of stops.flatMap((s) => s.cards)) {
      const svg = drawn(<RigPicture card={card} place="stop 1" room="wide" />);
      expect(svg).toContain('to scale, stop 1');
      expect(svg).toContain('fish marked 0.8 m up');
      expect(svg).not.toMatch(/NaN|undefined|Infinity|\{depth|\{weight/);
    }
  });

  it('keeps the words of its parts apart and in their order', () => {
    const label = (part: string, y: number) => ({ part, x: 0, y, text: part, strong: false });
    const rows = labelRows([label('a', 100), label('b', 101), label('c', 102), label('d', 300)], 18, 10, 120);
    expect(rows.map((r) => r.part)).toEqual(['a', 'b', 'c', 'd']);
    for (let i = 1; i < rows.length; i++) expect((rows[i]?.row ?? 0) - (rows[i - 1]?.row ?? 0)).toBeGreaterThanOrEqual(18 - 1e-9);
    expect(rows.at(-1)?.row).toBeLessThanOrEqual(120);
  });

  it('has an axis of round figures', () => {
    expect(ticksOf(0, 4.4, 5)).toEqual([0, 1, 2, 3, 4]);
    expect(ticksOf(0, 38, 5)).toEqual([0, 10, 20, 30]);
    expect(ticksOf(0, 0.3, 5)).toEqual([0, 0.1, 0.2, 0.3]);
    expect(ticksOf(3, 3, 5)).toEqual([3]);
  });
});

describe('a part of a rig', () => {
  const part = stops
    .flatMap((s) => s.cards)
    .flatMap((c) => c.card.parts)
    .find((p) => p.otherwise !== null);
  it('that a hand has changed says what the reckoning would give, and can be given back by who may', () => {
    if (!part) throw new Error('no part was changed');
    const may = drawn(<PartLine part={part} onSet={() => undefined} />);
    expect(may).toContain('by the reckoning it would be');
    expect(may).toContain('Give it back');
    expect(drawn(<PartLine part={part} onSet={null} />)).not.toContain('Give it back');
  });
});

describe('the list of the night before', () => {
  const tick = (done: boolean, more: object = {}) => ({ done, by: done ? 'Runa' : '', waiting: false, refused: '', ...more });
  it('counts what is ticked, says by whom, and what the phone still holds', () => {
    const first = night.items[0]?.key;
    const html = drawn(
      <Tonight night={night} tickOf={(k) => (k === first ? tick(true, { waiting: true }) : tick(false))} onTick={() => undefined} />,
    );
    expect(html).toContain(`1 of ${night.items.length}`);
    expect(html).toContain('1 on this phone, sent when there is a network.');
    expect(html).toContain('Ticked by Runa.');
    expect(html).toContain('Ice, 5 kg');
  });

  it('says why a tick was not taken', () => {
    const html = drawn(
      <Tonight
        night={night}
        tickOf={() => tick(false, { refused: 'You are not named as a mate of this trip.' })}
        onTick={() => undefined}
      />,
    );
    expect(html).toContain('Not taken: You are not named as a mate of this trip.');
  });
});

describe('cards on paper', () => {
  it('are as many as there are rigs at the stops, with the list after them', () => {
    const html = drawn(<PrintCards title="Rigs" stops={stops} night={night} zone="UTC" />);
    expect(html.match(/<section/g)).toHaveLength(stops.flatMap((s) => s.cards).length + 1);
    expect(html).toContain('☐ ');
  });
});
