// A sample water with a season of trips on it: what an outfit that is new can look at in its own screens, and take out again whole.
import { z } from 'zod';
import { id, instant } from './ids';
import { outfitScenario } from './scenario';

const series = z.object({ at: z.array(instant), value: z.array(z.number()) });

/** The sample as it ships. Its instants and its longitude are its own; they are moved to the day and the zone of who adds it. */
export const sampleFile = z.object({
  now: instant,
  /** Minutes its clocks are ahead of UTC. */
  offsetMin: z.number(),
  world: outfitScenario.pick({ boats: true, waters: true, spots: true, trips: true }),
  /** What its ids of baits and fish stand for in every outfit. */
  familyOf: z.record(id, z.string()),
  speciesOf: z.record(id, z.string()),
  readings: z.record(z.string(), series),
  forecast: z.object({
    run: instant,
    times: z.array(instant),
    members: z.array(z.object({ member: z.int(), variables: z.record(z.string(), z.array(z.number())) })),
  }),
});
export type SampleFile = z.infer<typeof sampleFile>;
