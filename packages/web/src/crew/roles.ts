/** What people of an outfit may do, in words. */
export const ROLES = [
  { value: 'mate', name: 'mate: logs the trips with their name on' },
  { value: 'captain', name: 'captain: plans trips, changes spots, boats and rules' },
  { value: 'owner', name: 'owner: all of it, and who is in the crew' },
] as const;
