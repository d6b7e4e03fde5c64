// Baits that a new outfit begins with: a plain one of each family that needs no special gear, so that the first evening has something to
// rank. Sizes are common practice; the crew changes, adds and puts away what it does not carry.

export interface LibraryBait {
  readonly familyId: string;
  readonly name: string;
  readonly habitat: 'salt' | 'fresh' | 'both';
  readonly sizeMm?: number;
  readonly weightG?: number;
  readonly leaderKg?: number;
  readonly pauseS?: number;
}

export const BAITS: readonly LibraryBait[] = [
  { familyId: 'F1', name: 'Shallow diver 9 cm', habitat: 'both', sizeMm: 90, weightG: 11, leaderKg: 5 },
  { familyId: 'F2', name: 'Deep diver 7 cm', habitat: 'both', sizeMm: 70, weightG: 14, leaderKg: 5 },
  { familyId: 'F3', name: 'Lipless lure 14 g', habitat: 'both', sizeMm: 65, weightG: 14, leaderKg: 5 },
  { familyId: 'F4', name: 'Minnow 9 cm, stop and go', habitat: 'both', sizeMm: 90, weightG: 10, leaderKg: 4, pauseS: 2 },
  { familyId: 'F5', name: 'Blade 12 g', habitat: 'both', weightG: 12, leaderKg: 5 },
  { familyId: 'F6', name: 'Paddle-tail 12 cm', habitat: 'both', sizeMm: 120, weightG: 14, leaderKg: 6 },
  { familyId: 'F9', name: 'Soft shad 10 cm on 7 g', habitat: 'both', sizeMm: 100, weightG: 7, leaderKg: 3 },
  { familyId: 'F10', name: 'Drop rig, worm', habitat: 'both', weightG: 20, leaderKg: 4 },
  { familyId: 'F11', name: 'Drop rig at rocks, shrimp', habitat: 'salt', weightG: 30, leaderKg: 8 },
  { familyId: 'F13', name: 'Flatfish hopper, worm tip', habitat: 'salt', weightG: 15, leaderKg: 4 },
  { familyId: 'F14', name: 'Vertical spoon 60 g', habitat: 'salt', weightG: 60, leaderKg: 12 },
  { familyId: 'F18', name: 'Bottom bait on a circle hook', habitat: 'both', weightG: 100, leaderKg: 20 },
  { familyId: 'F21', name: 'Feeder with maggots', habitat: 'fresh', weightG: 40, leaderKg: 2 },
  { familyId: 'F23', name: 'Float and bread', habitat: 'fresh', weightG: 6, leaderKg: 3 },
];
