// Leader and main line of a card.
import { said, saidBare } from '../units/measure';
import { leaderChoice } from './leaderChoice';
import { dragSetting } from './lineStrength';
import type { RigFamily } from './rigFamilies';
import type { RigPart, RigQuestion } from './rigQuestion';
import { mainLine } from './rigWeight';
import { part, sized } from './rigParts';

export const SNAGGY = ['rock', 'reef', 'wreck', 'piles', 'wood', 'wall', 'boulders', 'trees'];

export const snaggy = (q: RigQuestion) =>
  q.bait.snag >= 2 || SNAGGY.some((s) => `${q.place.structure} ${q.place.bottom}`.toLowerCase().includes(s));

/** Leader: by the log's own counts where there are some, else by cover; shy fish step down (P9). */
export function leaderPart(q: RigQuestion, family: RigFamily): RigPart {
  const [open, snags] = family.leaderKg;
  const usual = q.bait.leaderKg ?? (snaggy(q) ? snags : open);
  const kg = (v: number) => `${said(v, 'weight', 1)}, ${said(family.leaderM, 'height', 1)} long`;
  const counts = (q.box.leaders[q.bait.family] ?? []).filter((c) => c.rodHours > 0);
  if (counts.length >= 2) {
    const { strengths, choice } = leaderChoice(counts);
    const best = strengths.find((s) => s.kg === choice);
    const others = strengths.filter((s) => s.kg !== choice).map((s) => `${s.bitesPerHour.toFixed(1)} on ${said(s.kg, 'weight', 1)}`);
    const why = `Your log of such water: ${best?.bitesPerHour.toFixed(1)} bites an hour on it, ${others.join(', ')}; lands ${said(best?.chanceToLand ?? 0, 'share', 0)} of what it hooks. It lands most${sureWords(best?.chanceToBeBest ?? 0)}.`;
    return sized(q, 'leader', choice, 'weight', kg, why, ['P9']);
  }
  const why = snaggy(q)
    ? `${said(open, 'weight', 1)} in open water, ${said(snags, 'weight', 1)} by snags. Step down when they are shy; too light loses more than it gains.`
    : `Open water: the lightest that still lands them gets more bites. ${said(snags, 'weight', 1)} by snags.`;
  return sized(q, 'leader', usual, 'weight', kg, why, ['P9']);
}

/** How sure a comparison is, as it is said aloud. */
function sureWords(chance: number): string {
  if (chance >= 0.97) return ', and there is little doubt';
  const tenths = Math.round(chance * 10);
  return tenths >= 6 ? `, ${tenths} chances in ten` : ' so far; they are too close to tell';
}

/** Drag by the weakest part, and what the main line is. */
export function linePart(family: RigFamily, leaderKg: number): RigPart[] {
  const line = mainLine(family);
  const [least, most] = dragSetting([family.lineKg, leaderKg]);
  const why =
    family.line === 'braid'
      ? 'Braid shows the bite at once, deep and by snags; the leader is what the fish sees.'
      : family.layout === 'lipped'
        ? 'Thinner dives deeper and draws more bites; nylon gives when a fish jumps.'
        : 'Nylon gives and forgives; at long range it shows the bite late.';
  return [
    part('line', line.words, why, family.layout === 'lipped' ? ['P2', 'P27'] : ['P27']),
    part(
      'drag',
      `${saidBare(least, 'weight', 1)} to ${said(most, 'weight', 1)}`,
      'A quarter to a third of the weakest part; knots take their share.',
      ['P9'],
      {
        value: most,
        measure: 'weight',
      },
    ),
  ];
}
