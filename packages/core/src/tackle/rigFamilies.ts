// How each family is rigged and fished: common practice of the trade, no published source. The sizes are where a card begins before the
// day's own water, the crew's stopwatch and the log have spoken.

/** How a rig hangs or runs in the water; it decides the drawing and which sums speak. */
export type Layout =
  | 'lipped'
  | 'lure'
  | 'jig'
  | 'drop'
  | 'two-bait'
  | 'vertical'
  | 'free'
  | 'bottom'
  | 'boards'
  | 'troll'
  | 'feeder'
  | 'float';

export interface RigFamily {
  readonly layout: Layout;
  readonly line: 'braid' | 'nylon';
  /** Strength of the main line, kg. */
  readonly lineKg: number;
  /** Leader in open water and by snags, kg. */
  readonly leaderKg: readonly [number, number];
  readonly leaderM: number;
  readonly hook: string;
  readonly rod: string;
  /** How it is worked, in cold and in warm water. */
  readonly cold: string;
  readonly warm: string;
  /** Pause between moves in cold and in warm water, s; null for a lure that keeps going. */
  readonly pauseS: readonly [number, number] | null;
  /** How the take feels and when to strike. */
  readonly take: string;
  readonly strike: readonly string[];
  /** Rules of the trade that this family always brings beside those of its layout. */
  readonly rules: readonly string[];
  /** What to change first when it goes quiet. */
  readonly quiet: string;
  readonly caution: string;
}

const CLICK = 'Lean into it when the rod loads; treble hooks want a soft, deep-bending rod.';
const HOOKS = 'Hooks: pliers, never fingers; keep rods clear of heads and of the motor.';
const CIRCLE = 'Leave the rod in its holder. When it bends and stays bent, reel; never strike.';
const HEAVY = 'Gloves on the leader and never a wrap round the hand; heavy fish stay in the water beside the boat, no gaff for a release.';
const DROP_TAKE = 'Most takes come on the drop: the line jumps, stops early or goes slack. Strike within half a second.';
const TREBLE_ROD = 'soft, deep-bending rod, reel 6:1';

const lure = (more: Partial<RigFamily> & Pick<RigFamily, 'cold' | 'warm'>): RigFamily => ({
  layout: 'lure',
  line: 'nylon',
  lineKg: 5,
  leaderKg: [4.5, 6.5],
  leaderM: 0.8,
  hook: 'trebles as it came, points tried on a nail',
  rod: TREBLE_ROD,
  pauseS: null,
  take: `The lure stops or the rod loads. ${CLICK}`,
  strike: ['P26'],
  rules: ['P22', 'P26', 'P29'],
  quiet: 'Change the pace first, then the size, then the colour.',
  caution: HOOKS,
  ...more,
});

/** F1 to F26. */
export const RIG_FAMILIES: Readonly<Record<string, RigFamily>> = {
  F1: lure({
    layout: 'lipped',
    cold: 'Small and tight: reel down to touch, then slowly, with stops.',
    warm: 'Wide and loud: let it bounce off cover, change pace and stop after each knock.',
    rules: ['P1', 'P2', 'P3', 'P22', 'P26', 'P29'],
  }),
  F2: lure({
    layout: 'lipped',
    cold: 'Small and tight: reel down fast to touch, then as slowly as it stays down, up the slope from the deep side.',
    warm: 'Large and loud: reel down fast to touch, keep it knocking, up the slope from the deep side.',
    rules: ['P1', 'P2', 'P3', 'P22', 'P26'],
  }),
  F3: lure({
    line: 'nylon',
    cold: 'Lift slowly, let it flutter down on a tight line, close to the bottom.',
    warm: 'Steady, fast enough to feel it hum; rip it free of weed.',
    pauseS: [3, 1],
    take: 'On the way down: the flutter stops. Lift into it at once.',
    rules: ['P3', 'P6', 'P22', 'P29'],
  }),
  F4: lure({
    cold: 'Twitch, then wait longer than feels right, with slack out before the next twitch.',
    warm: 'Twitch twice, wait a second, on again.',
    pauseS: [3.5, 1.2],
    take: 'In the pause: the line draws tight or twitches. Sweep, do not jerk.',
    rules: ['P4', 'P22', 'P26'],
  }),
  F5: lure({
    cold: 'Round blade, just fast enough to turn, by the bottom and the weed edge.',
    warm: 'Narrow blade, faster, over and along the weed.',
    take: 'The blade stops. Reel and lift together.',
    rules: ['P5', 'P22', 'P29'],
  }),
  F6: lure({
    layout: 'jig',
    line: 'braid',
    lineKg: 8,
    hook: 'weighted single hook, point just out of the back',
    rod: 'medium rod, fast tip',
    cold: 'Slow roll: touch the bottom, two turns, touch again.',
    warm: 'Steady, tail beating, a touch of the bottom now and then.',
    take: 'A knock or a weight. Reel till it is tight, then lift.',
    rules: ['P8', 'P22', 'P27'],
  }),
  F7: lure({
    lineKg: 10,
    leaderKg: [10, 11.5],
    rod: 'stiff butt, soft tip, reel 7 to 8:1',
    cold: 'Slow, wide turns just under the surface.',
    warm: 'Slow, wide turns; speed up at once when a fish follows.',
    take: 'Two takes in ten follows. A follower is a located fish: speed up, mark it, and come back with a soft lure or a drop rig.',
    rules: ['P21', 'P22', 'P26'],
    quiet: 'Keep to the hours of its window; outside them pick something slower.',
    caution: `${HOOKS} A big lure thrown by one angler at a time, nobody behind.`,
  }),
  F8: lure({
    layout: 'jig',
    hook: 'single hook with a trailer',
    rod: 'long rod, soft tip',
    cold: 'Let it touch, then slow and steady.',
    warm: 'Let it touch, then steady with a lift now and then.',
    take: 'The blades stop. That is the take: sweep.',
    rules: ['P5', 'P8', 'P22', 'P29'],
  }),
  F9: lure({
    layout: 'jig',
    line: 'braid',
    lineKg: 4.5,
    leaderKg: [2.7, 4.2],
    hook: 'light head, hook as wide as the lure is deep',
    rod: 'light rod, fast tip',
    cold: 'To the bottom on a watched line, small hops, long rests.',
    warm: 'To the bottom on a watched line, small hops.',
    pauseS: [3, 1.5],
    take: `${DROP_TAKE} Tail bitten off: smaller, or slower.`,
    strike: ['P7'],
    rules: ['P7', 'P8', 'P9', 'P27', 'P28', 'P30'],
    quiet: 'Lighter head first, then a smaller lure, then another colour.',
  }),
  F10: lure({
    layout: 'drop',
    line: 'braid',
    lineKg: 5,
    leaderKg: [3, 5],
    hook: 'fine hook, size 2 to 6, tied with the point up',
    rod: 'light rod, soft tip',
    cold: 'Straight down on a fish that was seen; hold still, shake only the slack.',
    warm: 'Straight down, hold, shake the slack, lift a hand’s width and let it back.',
    pauseS: [10, 5],
    take: 'A tick or a weight that was not there. Tighten, then lift.',
    strike: ['P11'],
    rules: ['P9', 'P11', 'P27'],
    quiet: 'Change the height of the hook first, then the leader.',
  }),
  F11: lure({
    layout: 'drop',
    line: 'braid',
    lineKg: 10,
    leaderKg: [6.5, 8],
    hook: 'strong hook, size 1 to 2/0',
    rod: 'rod with a strong butt',
    cold: 'Within 1.5 m of the rock; the weight may stick, the bait stays there.',
    warm: 'Within 1.5 m of the rock; the weight may stick, the bait stays there.',
    take: 'Two knocks, then a pull. Lift at the pull, before it is in the stones.',
    strike: ['P11'],
    rules: ['P9', 'P11', 'P27', 'P28', 'P30'],
    quiet: 'Nearer to the rock first: 3 m off is out of the water that holds them.',
    caution: `${HOOKS} Wet rock: shoes that grip, never below the swell’s mark.`,
  }),
  F12: lure({
    layout: 'two-bait',
    line: 'braid',
    lineKg: 8,
    leaderKg: [4.5, 6.5],
    hook: 'bright lure below, live bait on a dropper above',
    rod: 'medium rod, soft tip',
    cold: 'Sink it, three hops, rest 15 s; lift gently to feel for weight.',
    warm: 'Sink it, four hops, rest 10 s; lift gently to feel for weight.',
    pauseS: [15, 10],
    take: 'Weight on the lift. Which of the two they take changes during the day: log it.',
    strike: ['P12'],
    rules: ['P9', 'P12', 'P28'],
  }),
  F13: lure({
    layout: 'jig',
    line: 'braid',
    lineKg: 3.2,
    leaderKg: [3.6, 7.2],
    hook: 'light head, wide gap, tail tipped with worm',
    rod: 'light rod, fast tip',
    cold: 'Quick flicks, longer falls; follow the line down with the tip.',
    warm: 'Quick flicks with or against the current; follow the line down with the tip.',
    pauseS: [2, 0.8],
    take: `Weight or a tap as it settles. ${DROP_TAKE}`,
    strike: ['P7'],
    rules: ['P7', 'P8', 'P24', 'P28'],
  }),
  F14: lure({
    layout: 'vertical',
    line: 'braid',
    lineKg: 11,
    leaderKg: [11, 14],
    leaderM: 1.5,
    hook: 'single assist hook above',
    rod: 'short, strong rod with feeling in the tip',
    cold: 'Lift a hand’s width to half a metre, let it fall on a tight line; within 0.3 m of the bottom.',
    warm: 'Lift half a metre, let it fall; within 0.3 m of the bottom.',
    pauseS: [2, 1],
    take: `It does not come down to where it was. ${DROP_TAKE}`,
    strike: ['P7'],
    rules: ['P23', 'P27', 'P7'],
    quiet: 'Slow the drift first: a line that is not plumb has left the fish.',
    caution: 'Deep fish are brought up slowly, the descending device ready; stop when they are to be released and come from deep.',
  }),
  F15: lure({
    layout: 'jig',
    lineKg: 3.5,
    leaderKg: [2.7, 3.6],
    hook: 'horizontal head, small hook',
    rod: 'light rod, soft tip',
    cold: 'Let it down to just above the marked fish, hold, breathe on it.',
    warm: 'Let it swim down to just above the marked fish, then hold.',
    pauseS: [8, 4],
    take: 'The tip lifts or nods: the fish came up to it. Lift.',
    strike: ['P7'],
    rules: ['P8', 'P9', 'P11'],
    quiet: 'Above them, never below; then smaller.',
  }),
  F16: lure({
    layout: 'jig',
    lineKg: 3.5,
    leaderKg: [2.7, 3.6],
    hook: 'small head, minnow by the lips',
    rod: 'light, short rod for exact casts',
    cold: 'Short exact cast past the pod, barely moving, boat quiet.',
    warm: 'Short exact cast past the pod, barely moving, boat quiet.',
    pauseS: [5, 3],
    take: 'The line moves off sideways. Tighten and lift.',
    strike: ['P7'],
    rules: ['P8', 'P9', 'P28'],
  }),
  F17: lure({
    layout: 'free',
    lineKg: 14,
    leaderKg: [18, 27],
    leaderM: 2,
    hook: 'small circle hook, hidden in the bait',
    rod: 'strong rod, open spool, line fed by hand',
    cold: 'No weight. Feed line at the speed of the feed, never faster, never tight.',
    warm: 'No weight. Feed line at the speed of the feed, never faster, never tight.',
    take: `Line leaves faster than you feed it. Close the spool, let it come tight, reel. ${CIRCLE}`,
    strike: ['P10'],
    rules: ['P9', 'P10', 'P28'],
    quiet: 'Lighter leader first (18 kg before 27 turned refusals into bites), then a smaller hook.',
    caution: HEAVY,
  }),
  F18: lure({
    layout: 'bottom',
    lineKg: 14,
    leaderKg: [18, 27],
    leaderM: 1,
    hook: 'circle hook, point open',
    rod: 'strong rods in holders, set apart by height',
    cold: 'On the bottom, line tight to the lead; fresh bait every 20 minutes.',
    warm: 'On the bottom, line tight to the lead; fresh bait every 20 minutes.',
    take: `The rod goes over and stays. ${CIRCLE} Tighten the drag in steps.`,
    strike: ['P10'],
    rules: ['P9', 'P10', 'P28'],
    quiet: 'Fresh bait and one rod nearer the edge, before the anchor comes up.',
    caution: `${HEAVY} Net head first, lift by the frame, not the handle.`,
  }),
  F19: lure({
    layout: 'boards',
    lineKg: 9,
    leaderKg: [9, 14],
    leaderM: 1.2,
    hook: 'circle hook with offset, bait through the nose',
    rod: 'rods in holders, clickers on',
    cold: 'Dead slow; shallow boards short, deep boards long.',
    warm: 'Slow; shallow boards short, deep boards long.',
    take: `The board drops back. ${CIRCLE}`,
    strike: ['P10'],
    rules: ['P10', 'P19'],
    quiet: 'Another depth on the outer boards, then another bait.',
    caution: `${HOOKS} One calls, one steers, one clears the boards: say who before the first goes out.`,
  }),
  F20: lure({
    layout: 'troll',
    lineKg: 14,
    leaderKg: [27, 36],
    leaderM: 3,
    hook: 'circle hook ahead of the bait',
    rod: 'trolling rods in holders, free spool on the wide lines',
    cold: 'Steady, wide turns; look back at the baits, and clear one that spins.',
    warm: 'Steady, wide turns; look back at the baits, and clear one that spins.',
    take: `Free spool while it turns the bait, then drag. ${CIRCLE}`,
    strike: ['P10', 'P20'],
    rules: ['P10', 'P20'],
    caution: `${HEAVY} Everybody has a job before the lines go out.`,
  }),
  F21: lure({
    layout: 'feeder',
    line: 'nylon',
    lineKg: 3.6,
    leaderKg: [1.4, 2.3],
    hook: 'fine hook, size 10 to 16',
    rod: 'feeder rod with a soft tip, clip set',
    cold: 'Three to four casts fast, then every ten minutes; small bait.',
    warm: 'Three to four casts fast, then every five minutes.',
    take: 'The tip pulls round or drops back. Lift, do not strike: it is far off.',
    strike: ['P27'],
    rules: ['P13', 'P14', 'P15', 'P16', 'P18', 'P27'],
    quiet: 'Longer link with a buoyant bait, then a metre or two past the clip.',
  }),
  F22: lure({
    layout: 'bottom',
    lineKg: 5.5,
    leaderKg: [5, 6.8],
    leaderM: 0.3,
    hook: 'wide gap, bait above the weed',
    rod: 'casting rod for single baits',
    cold: 'Cast at fish that show, little or no feed, move after half an hour.',
    warm: 'Cast at fish that show, a handful of feed, move after half an hour.',
    take: 'A drop back or a run. Lift into it.',
    strike: ['P10'],
    rules: ['P6', 'P18'],
  }),
  F23: lure({
    layout: 'float',
    lineKg: 3,
    leaderKg: [2, 3],
    leaderM: 0.4,
    hook: 'hook to suit the bait, size 8 to 12',
    rod: 'long, soft rod',
    cold: 'Deep first; up as the sun warms the top, down toward evening.',
    warm: 'Up as the sun warms the top, down toward evening.',
    take: 'The float slides off. Lift.',
    strike: ['P17'],
    rules: ['P17', 'P9'],
    quiet: 'Move the float half a metre before anything else.',
  }),
  F24: lure({
    layout: 'bottom',
    line: 'braid',
    lineKg: 11,
    leaderKg: [11, 16],
    leaderM: 0.3,
    hook: 'strong hook, size 4, two large baits stacked',
    rod: 'strong rods on alarms',
    cold: 'Fewer, smaller feeds; one rod beside the feed.',
    warm: 'On the feed that was laid twice a week; one rod at its edge.',
    take: 'A run. Lift the rod and hold it: strong leader two rod lengths by snags.',
    strike: ['P10'],
    rules: ['P18', 'P27', 'P30'],
    caution: 'Big fish: wet mat, wet hands, a strong net; back at once.',
  }),
  F25: lure({
    layout: 'jig',
    line: 'braid',
    lineKg: 4.5,
    leaderKg: [2.7, 4.5],
    hook: 'hook in the back, slow-falling weight',
    rod: 'light rod, fast tip',
    cold: 'Drag it a hand’s width, wait, drag again; a slow-falling weight.',
    warm: 'Drag slowly, stop at every stone.',
    pauseS: [8, 4],
    take: 'A thump, then nothing. Wait a moment, then set the hook.',
    strike: ['P25'],
    rules: ['P8', 'P25', 'P27'],
    quiet: 'Slower still, then a lighter weight.',
  }),
  F26: lure({
    layout: 'lipped',
    cold: 'Along the shaded side, steady.',
    warm: 'Along the shaded side, quick, with stops; away from ropes.',
    rules: ['P1', 'P2', 'P22', 'P26', 'P30'],
    quiet: 'Another side of the platform; then louder.',
  }),
};

const BY_ZONE: Readonly<Record<'bottom' | 'middle' | 'surface', RigFamily>> = {
  bottom: lure({ layout: 'bottom', cold: 'On the bottom, slowly.', warm: 'On the bottom.', rules: ['P9', 'P27'] }),
  middle: lure({ cold: 'Slow, with stops.', warm: 'Steady.' }),
  surface: lure({ layout: 'float', cold: 'High in the water, slowly.', warm: 'High in the water.', rules: ['P29'] }),
};

/** How a family is rigged; a family of the crew's own begins with what is usual for where it fishes. */
export function rigFamily(id: string, zone: 'bottom' | 'middle' | 'surface'): RigFamily {
  return RIG_FAMILIES[id] ?? BY_ZONE[zone];
}
