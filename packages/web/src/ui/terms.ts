// Words of the trade and of the reckoning, each in one plain paragraph.

export const TERMS = {
  'rod-hour':
    'One rod in the water for one hour. Three rods for forty minutes are two rod-hours. Fish are counted against it, so that a stop with many rods does not look better than it was.',
  'like water':
    'The hours of the log whose tide, light, wind, warmth and season were like those of this stop, the likest counting most. What they gave is the first guess; the rules of the trade and what this spot is known for move it.',
  range:
    'Eight of ten such stops gave a count between the two figures. It is wide where little was fished. The stroke is what is expected.',
  reckoning:
    'A rate is made of parts that are multiplied: what like water gave, then the tide, the light, the bait, the spot, the last days. Each part is pulled towards 1 until enough was fished to show it.',
  'rule of the trade':
    'What guides hold to be so, such as “fish the first half hour after the turn”. Each begins with a fair weight and gives way to your own log as it grows.',
  'what if':
    'Changes of the weather that would make another day better than the one planned, with the hour at which you can tell, and what the other day is worth.',
  'bars, limits':
    'When each boat passes each bar and drawn passage, and what speaks against being out: wind, gusts, waves, wind against current, sight, thunder, darkness, water under the keel, cold and heat. “Not known” never means that all is well.',
  warmth:
    'How much a spot warms between its coldest and warmest hour. Dark, shallow ground with sun and little exchange warms most; the crew’s readings there put the figure right.',
  found:
    'Edges, humps, holes, points, benches and bends that the sea bed shows and no spot of yours covers yet. A computation, not a mark that somebody fished.',
  'written off':
    'The crew has decided not to fish there, with a reason and a date. It stays on the chart and in the log, and is not planned.',
  kept: 'A spot that one captain keeps: that captain and the owner see it, and a mate on the trip that goes there.',
  goal: 'What the guests want: action is the number of fish; one big fish is the chance of one over the size; dinner is fish that may be kept; to learn is many bites at easy places.',
  'gives up':
    'Boats that plan together leave each other the best hours and the scarce baits. This is what a boat gives up of the day that it would have alone.',
  expected: 'The mean of many such days. One day may well be half of it or twice.',
  envelope:
    'Depths, warmth, clarity, wind, current, light and months in which a way of fishing is meant to work. Outside of it the rate is lowered, never to nothing; the log overrules it.',
  spares:
    'What breaks off on such ground in the hours that the rig is fished, and enough more that you run out on less than one day in twenty.',
  'how far off':
    'How badly the counts were foretold, on average; less is better. Beside it stand two ways that guides go by, on the same days.',
} as const;

export type TermName = keyof typeof TERMS;
