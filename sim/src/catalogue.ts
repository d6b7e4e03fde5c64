// The crew's presentations.
import type { OutfitScenario } from '@bluffwind/contract/scenario';

type Presentation = Omit<OutfitScenario['presentations'][number], 'id'>;

const p = (familyId: string, name: string, habitat: Presentation['habitat'], more: Partial<Presentation> = {}): Presentation => ({
  familyId,
  name,
  habitat,
  ...more,
});

export const PRESENTATIONS: readonly Presentation[] = [
  p('F1', 'Shallow diver 9 cm, along the bank', 'both', {
    sizeMm: 90,
    weightG: 11,
    colour: 'roach',
    leaderKg: 5,
    retrieve: 'steady with stops',
    pauseS: 1,
  }),
  p('F2', 'Deep diver 7 cm, slow', 'both', { sizeMm: 70, weightG: 14, colour: 'perch', leaderKg: 5, retrieve: 'as slow as it stays down' }),
  p('F3', 'Lipless 14 g, lift and flutter', 'both', {
    sizeMm: 65,
    weightG: 14,
    colour: 'silver',
    leaderKg: 5,
    retrieve: 'lift and flutter',
  }),
  p('F4', 'Stop-and-go minnow 9 cm, pause 2 s', 'both', {
    sizeMm: 90,
    weightG: 10,
    colour: 'natural',
    leaderKg: 4,
    retrieve: 'twitch and stop',
    pauseS: 2,
  }),
  p('F5', 'In-line blade 12 g, slow roll', 'both', { weightG: 12, colour: 'copper', leaderKg: 5, retrieve: 'slow roll' }),
  p('F6', 'Paddle-tail 12 cm, 14 g head', 'both', { sizeMm: 120, weightG: 14, colour: 'white', leaderKg: 6, retrieve: 'slow roll' }),
  p('F7', 'Jointed lure 22 cm', 'fresh', { sizeMm: 220, weightG: 110, colour: 'trout', leaderKg: 25, retrieve: 'steady' }),
  p('F9', 'Soft shad 10 cm, 7 g head, slow hops', 'both', {
    sizeMm: 100,
    weightG: 7,
    colour: 'green',
    leaderKg: 3,
    retrieve: 'small hops',
  }),
  p('F10', 'Drop rig, ragworm, hook 25 cm up', 'salt', { weightG: 40, leaderKg: 5, retrieve: 'held still' }),
  p('F10', 'Drop rig, worm, hook 40 cm up', 'fresh', { weightG: 14, leaderKg: 2.5, retrieve: 'held still' }),
  p('F11', 'Drop rig at the rocks, shrimp', 'salt', { weightG: 30, leaderKg: 8, retrieve: 'recast each 40 s' }),
  p('F12', 'Two-bait rig, jig and live prawn', 'salt', {
    weightG: 14,
    leaderKg: 6,
    retrieve: 'hops and rest',
    pauseS: 12,
    // The prawn trap fills two live wells in a night.
    tripsADay: 2,
  }),
  p('F13', 'Flatfish hopper 15 g, worm tip', 'salt', { weightG: 15, colour: 'orange', leaderKg: 4, retrieve: 'quick flicks' }),
  p('F14', 'Vertical spoon 60 g', 'salt', { weightG: 60, colour: 'silver', leaderKg: 12, retrieve: 'lift and fall' }),
  p('F15', 'Small bait on a horizontal head', 'salt', { weightG: 5, colour: 'pearl', leaderKg: 3, retrieve: 'held at the mark' }),
  p('F18', 'Crab on a circle hook, three rods', 'salt', { weightG: 120, leaderKg: 20, retrieve: 'in the holder' }),
  p('F21', 'Closed feeder, maggots', 'fresh', { weightG: 45, leaderKg: 2, retrieve: 'clipped' }),
  p('F23', 'Adjustable float, bread', 'fresh', { weightG: 6, leaderKg: 3, retrieve: 'drift' }),
  // Bought or built and not fished yet: only the rules of the trade speak for them.
  p('F8', 'Vibrating jig 14 g, white trailer', 'both', { weightG: 14, colour: 'white', leaderKg: 8, retrieve: 'slow steady' }),
  p('F16', 'Jig 3 g and minnow', 'fresh', { weightG: 3, colour: 'natural', leaderKg: 2, retrieve: 'barely moving' }),
  p('F17', 'Free-lined sand eel with chum', 'salt', { leaderKg: 18, retrieve: 'with the chum' }),
  p('F19', 'Four boards, live joey mackerel', 'salt', { leaderKg: 15, retrieve: 'slow way' }),
  p('F20', 'Skipping bait and two swimmers', 'salt', { leaderKg: 60, retrieve: 'trolled' }),
  p('F22', 'Single pink bait 15 mm', 'fresh', { sizeMm: 15, colour: 'pink', leaderKg: 6, retrieve: 'still' }),
  p('F24', 'Two rods over particles', 'fresh', { sizeMm: 20, leaderKg: 8, retrieve: 'still' }),
  p('F25', 'Dragged creature 9 cm', 'both', { sizeMm: 90, weightG: 10, colour: 'dark', leaderKg: 5, retrieve: 'dragged' }),
  p('F26', 'Small diver 5 cm, bright', 'both', { sizeMm: 50, weightG: 5, colour: 'chartreuse', leaderKg: 4, retrieve: 'brisk' }),
];

/** Presentations that the crew of the demo has fished so far. */
export const FISHED_SO_FAR = 18;
