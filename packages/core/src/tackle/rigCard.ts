// One rig for one stop: what to tie and how to fish it, chosen from the water of that hour by the rules of the trade, each choice with its
// reason. What a hand has changed stays, and the card says what the arithmetic would have said.
import { said } from '../units/measure';
import { type RigFamily, rigFamily } from './rigFamilies';
import { anchorPart, dropperPart, feederParts, feedPart, floatParts, hangingBaitPart, hookHeightPart } from './heldParts';
import {
  bladePart,
  boardsPart,
  castParts,
  colourPart,
  countTo,
  diverPart,
  diverRuns,
  retrieveParts,
  scentPart,
  trackPart,
  trollPart,
  windowPart,
} from './movingParts';
import { leaderPart, linePart } from './lineParts';
import { part, sized } from './rigParts';
import type { RigCard, RigDrawing, RigPart, RigQuestion } from './rigQuestion';
import { hangingShape, pastLine, weightByArithmetic } from './rigWeight';

/**
 * The card of a presentation at a place and hour.
 * @throws RangeError for water of no depth.
 */
export function rigCard(q: RigQuestion): RigCard {
  if (!(q.water.depthM > 0))
    throw new RangeError(`depth: expected water to fish in, got ${q.water.depthM.toFixed(1)} m at ${q.place.name}`);
  const family = rigFamily(q.bait.family, q.bait.zone);
  const parts: RigPart[] = [];
  const warnings: string[] = [];
  const anchor = family.layout === 'vertical' ? anchorPart(q) : null;
  const past = pastLine(q, family, anchor?.anchorM ?? 0);
  const found = weightByArithmetic(q, family, past);
  if (found) {
    parts.push(
      sized(
        q,
        'weight',
        found.massG,
        'lead',
        (g) => `${said(g, 'lead', g < 5 ? 1 : 0)}${family.layout === 'jig' ? ' head' : ''}`,
        found.why,
        found.rules,
      ),
    );
    if (found.warning) warnings.push(found.warning);
  } else if (q.bait.weightG && family.layout === 'lure') parts.push(ownWeight(q));
  if (family.layout === 'lipped') parts.push(diverPart(q, family));
  const leader = leaderPart(q, family);
  parts.push(leader);
  if (q.bait.family === 'F15') parts.push(hangingBaitPart(q));
  else if (family.layout === 'drop' || family.rules.includes('P11')) parts.push(hookHeightPart(q));
  if (family.layout === 'two-bait') parts.push(dropperPart(q));
  if (q.bait.family === 'F5' || q.bait.family === 'F8') parts.push(bladePart(q));
  if (anchor) parts.push(anchor.part);
  if (family.layout === 'feeder') parts.push(...feederParts(q));
  if (family.layout === 'float') parts.push(...floatParts(q));
  if (family.layout === 'bottom') parts.push(feedPart(q, q.bait.family === 'F24'));
  if (family.layout === 'boards') parts.push(boardsPart(q));
  if (family.layout === 'troll') parts.push(trollPart());
  const track = trackPart(q, family, anchor?.anchorM ?? 0);
  if (track) parts.push(track);
  if (q.bait.family === 'F7') parts.push(windowPart(q));
  parts.push(
    ...retrieveParts(q, family),
    ...castParts(q, family),
    part('hook', family.hook, circleWords(family), family.hook.includes('circle') ? ['P10'] : []),
  );
  parts.push(colourPart(q));
  if (family.rules.includes('P28')) parts.push(scentPart());
  parts.push(
    ...linePart(family, leader.value ?? family.leaderKg[0]),
    part('rod', family.rod, 'The rod does half of the work: it loads, it shows, it forgives.', ['P26']),
  );
  return {
    presentationId: q.bait.id,
    name: q.bait.name,
    familyName: q.bait.familyName,
    layout: family.layout,
    rods: q.bait.rods,
    snag: q.bait.snag,
    parts,
    take: { what: family.take, rules: family.strike },
    quiet: family.quiet,
    caution: family.caution,
    warnings,
    drawing: inTheWater(drawingOf(q, family, parts, past)),
  };
}

const circleWords = (family: RigFamily): string =>
  family.hook.includes('circle')
    ? 'A circle hook sets itself in the corner of the mouth when the line comes tight slowly.'
    : 'Sharp: drawn across a nail it bites, or it is changed.';

function ownWeight(q: RigQuestion): RigPart {
  const g = q.bait.weightG ?? 0;
  const half = q.water.depthM / 2;
  return part(
    'weight',
    said(g, 'lead', 0),
    `Its own; it counts down ${said(half, 'depth', 1)} in about ${countTo(q, g, half).toFixed(0)} s.`,
    ['P7'],
    { value: g, measure: 'lead' },
  );
}

/** Whatever a hand has set, a hook is drawn below the surface. */
const inTheWater = (d: RigDrawing): RigDrawing => ({ ...d, hookUpM: Math.max(0, Math.min(d.hookUpM, d.depthM - 0.05)) });

function drawingOf(q: RigQuestion, family: RigFamily, parts: readonly RigPart[], past: number | null): RigDrawing {
  const { depthM } = q.water;
  const value = (name: RigPart['name']) => parts.find((p) => p.name === name)?.value ?? null;
  const hookUp = value('hook height');
  const common = { layout: family.layout, depthM, leaderM: family.leaderM, currentMps: q.water.currentMps, markedUpM: q.markedUpM };
  const hangs = (massG: number, weightUpM: number, hookUpM: number, dropperM: number | null): RigDrawing => {
    const hanging = hangingShape(q, family, massG, past, depthM - weightUpM);
    return {
      ...common,
      dropperM,
      weightUpM,
      hookUpM,
      angleDeg: hanging?.hangs.angleDeg ?? null,
      backM: hanging?.hangs.backM ?? 0,
      line: hanging?.shape ?? straight(depthM - weightUpM, 0),
    };
  };
  const swims = (upM: number, alongM: number): RigDrawing => ({
    ...common,
    dropperM: null,
    weightUpM: upM,
    hookUpM: upM,
    angleDeg: null,
    backM: 0,
    line: straight(depthM - upM, alongM),
  });
  const weight = value('weight') ?? q.bait.weightG ?? 20;
  const cast = depthM * 1.6 + 2;
  switch (family.layout) {
    case 'drop':
      return hangs(weight, 0, hookUp ?? 0.3, 0.25);
    case 'two-bait':
      return hangs(weight, 0, value('dropper') ?? 0.25, value('dropper') ?? 0.25);
    case 'vertical':
      return hangs(weight, Math.min(0.3, depthM / 4), Math.min(0.3, depthM / 4), null);
    case 'bottom':
      return hangs(weight, 0, 0.05, null);
    case 'jig':
      return { ...swims(Math.min(hookUp ?? 0, depthM - 0.2), cast), hookUpM: hookUp ?? 0 };
    case 'lipped': {
      const runs = diverRuns(family, value('diver') ?? depthM);
      return swims(Math.max(0, depthM - runs), cast);
    }
    case 'lure':
      return swims(depthM / 2, cast);
    case 'feeder':
      return {
        ...swims(0, cast),
        leaderM: value('link') ?? 0.6,
        hookUpM: (value('link') ?? 0.6) > 0.9 ? (value('link') ?? 0.6) * 0.7 : 0.05,
      };
    case 'float':
      return { ...swims(depthM, cast), leaderM: value('link') ?? 1.8, hookUpM: Math.max(0, depthM - (value('link') ?? 1.8)) };
    case 'free':
      return swims(depthM * 0.6, cast);
    case 'boards':
      return swims(Math.max(0, depthM * 0.5), cast);
    case 'troll':
      return swims(Math.max(0, depthM - 1), cast);
  }
}

function straight(upM: number, alongM: number): RigDrawing['line'] {
  return [
    { upM: 0, alongM: 0 },
    { upM, alongM },
  ];
}
